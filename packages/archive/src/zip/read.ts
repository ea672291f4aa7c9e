import type { Readable } from 'node:stream'
import yauzl, { type Entry as ZipEntry, type ZipFile } from 'yauzl'
import { BadInput } from '@plumb-mark/core'

/** Larger than any record of a job, and far below what would fill a disk. */
const MOST_FILES = 20_000
const LARGEST_FILE = 256 * 1024 * 1024
const LARGEST_TEXT = 64 * 1024 * 1024

/** The files in a ZIP by their names; nothing is unpacked before it is asked for. */
export interface OpenZip {
  names: ReadonlySet<string>
  stream(name: string): Promise<Readable>
  /** A file that fits into memory. */
  read(name: string): Promise<Buffer>
  close(): void
}

/** Opens a ZIP on the disk. Bad input: `not-a-zip`, `too-large`, `name-twice`. */
export async function openZip(file: string): Promise<OpenZip> {
  const zip = await new Promise<ZipFile>((resolve, reject) =>
    yauzl.open(file, { lazyEntries: true, autoClose: false }, (problem, opened) =>
      problem ? reject(notAZip(problem)) : resolve(opened),
    ),
  )
  try {
    const entries = await directoryOf(zip)
    const stream = async (name: string): Promise<Readable> => {
      const entry = entries.get(name)
      if (!entry) throw new BadInput('missing', name, 'is not in the ZIP')
      return new Promise((resolve, reject) =>
        zip.openReadStream(entry, (problem, opened) =>
          problem ? reject(notAZip(problem)) : resolve(opened),
        ),
      )
    }
    return {
      names: new Set(entries.keys()),
      stream,
      read: async (name) => {
        if ((entries.get(name)?.uncompressedSize ?? 0) > LARGEST_TEXT)
          throw new BadInput('too-large', name, `is larger than ${LARGEST_TEXT} bytes`)
        const parts: Buffer[] = []
        try {
          for await (const part of await stream(name)) parts.push(part as Buffer)
        } catch (problem) {
          throw problem instanceof BadInput ? problem : notAZip(problem as Error, name)
        }
        return Buffer.concat(parts)
      },
      close: () => zip.close(),
    }
  } catch (problem) {
    zip.close()
    throw problem
  }
}

function directoryOf(zip: ZipFile): Promise<ReadonlyMap<string, ZipEntry>> {
  const entries = new Map<string, ZipEntry>()
  return new Promise((resolve, reject) => {
    zip.on('error', (problem: Error) => reject(notAZip(problem)))
    zip.on('end', () => resolve(entries))
    zip.on('entry', (entry: ZipEntry) => {
      const { fileName, uncompressedSize } = entry
      if (entries.has(fileName)) return reject(new BadInput('name-twice', fileName, 'is in the ZIP twice'))
      if (uncompressedSize > LARGEST_FILE || entries.size >= MOST_FILES)
        return reject(new BadInput('too-large', fileName, 'is more than a record of a job can hold'))
      entries.set(fileName, entry)
      zip.readEntry()
    })
    zip.readEntry()
  })
}

const notAZip = (problem: Error, path = '') =>
  new BadInput('not-a-zip', path, `cannot be read as a ZIP: ${problem.message}`)
