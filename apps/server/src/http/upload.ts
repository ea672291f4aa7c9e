import type { Request, Response } from 'express'
import multer from 'multer'
import { Refused } from './refused.js'

export interface UploadWish {
  /** Name of the one field that holds the file. */
  field: string
  mostBytes: number
  /** What is missing when there is none, as in “send the picture in the field “photo””. */
  what: string
  /** Straight to the disk, into this folder, where it does not pass through memory. */
  folder?: string
}

/** A file that was sent as one part of a form. `path` is set where it went to the disk. */
export interface Upload {
  buffer: Buffer
  path: string
}

/**
 * Reads the one file of a form, and nothing else in it: no other field, no second file, no more bytes than it may have. Called once it is
 * known who sends it and that they may. Refused with 413 or 400.
 */
export async function uploadOf(
  request: Request,
  response: Response,
  { field, mostBytes, what, folder }: UploadWish,
): Promise<Upload> {
  const limits = { fileSize: mostBytes, files: 1, fields: 0, parts: 2, headerPairs: 20, fieldNameSize: 100 }
  const read = multer({ limits, ...(folder === undefined ? {} : { dest: folder }) }).single(field)
  await new Promise<void>((resolve, reject) =>
    read(request, response, (problem: unknown) => (problem ? reject(refusalOf(problem, field)) : resolve())),
  )
  if (!request.file) throw new Refused(400, 'missing', `send ${what} in the field “${field}”`, field)
  return request.file
}

function refusalOf(problem: unknown, field: string): unknown {
  if (!(problem instanceof multer.MulterError))
    return new Refused(400, 'bad-request', 'the form cannot be read', field)
  const tooLarge = problem.code === 'LIMIT_FILE_SIZE'
  return new Refused(tooLarge ? 413 : 400, tooLarge ? 'too-large' : 'bad-request', problem.message, field)
}
