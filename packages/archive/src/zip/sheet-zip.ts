import { createReadStream, createWriteStream } from 'node:fs'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { ZipFile } from 'yazl'
import { openZip, type OpenZip } from './read.js'

/** What a sheet travels as, together with its manual. */
export const SHEET_FILES = { sheet: 'sheet.yaml', manual: 'manual.pdf', clippings: 'clippings.json' } as const

/** A sheet as its maker’s file, with its manual and the cut-outs where they are kept. */
export interface KeptSheet {
  source: string
  /** Where the files lie. */
  manual?: string | undefined
  clippings?: string | undefined
}

/** A fixed day: the same sheet gives the same bytes. */
const MTIME = new Date(Date.UTC(2000, 0, 1))
const LARGEST_SHEET = 2 * 1024 * 1024

/** A sheet with its manual in one ZIP, as a stream. */
export function writeSheetZip({ source, ...files }: KeptSheet): Readable {
  const zip = new ZipFile()
  zip.addBuffer(Buffer.from(source), SHEET_FILES.sheet, { mtime: MTIME })
  for (const kind of ['manual', 'clippings'] as const) {
    const path = files[kind]
    if (path !== undefined)
      zip.addReadStreamLazy(SHEET_FILES[kind], { mtime: MTIME }, (give) => give(null, createReadStream(path)))
  }
  zip.end()
  return zip.outputStream as Readable
}

/** A ZIP of a sheet, opened: whoever opens it closes it. */
export interface OpenSheetZip {
  source: string
  /** Unpacks one of its files to a path; false where it is not there. */
  unpack(kind: 'manual' | 'clippings', to: string): Promise<boolean>
  close(): void
}

/** Bad input: `not-a-zip`, `too-large`; `missing`, a ZIP without a sheet. */
export async function openSheetZip(path: string): Promise<OpenSheetZip> {
  const zip: OpenZip = await openZip(path)
  try {
    const source = (await zip.read(SHEET_FILES.sheet, LARGEST_SHEET)).toString('utf8')
    return {
      source,
      async unpack(kind, to) {
        if (!zip.names.has(SHEET_FILES[kind])) return false
        await pipeline(await zip.stream(SHEET_FILES[kind]), createWriteStream(to, { mode: 0o600 }))
        return true
      },
      close: () => zip.close(),
    }
  } catch (problem) {
    zip.close()
    throw problem
  }
}
