import type { Readable } from 'node:stream'
import yauzl, { type Entry as ZipEntry, type ZipFile } from 'yauzl'
import { BadInput, MOST_ENTRIES } from '@plumb-mark/core'

/** Larger than any record of a job, and far below what would fill a disk. */
const MOST_FILES = 3 * MOST_ENTRIES
const LARGEST_FILE = 256 * 1024 * 1024
const LARGEST_TEXT = 64 * 1024 * 1024
const LARGEST_WHOLE = 8 * 1024 * 1024 * 1024
/** Text that repeats itself packs thirty to one; what packs tighter than this was made to. */
const TIGHTEST = 200
const SMALL = 1024 * 1024

/** The files in a ZIP by their names; nothing is unpacked before it is asked for. */
export interface OpenZip {
  names: ReadonlySet<string>
  stream(name: string): Promise<Readable>
  /** A file that fits into memory. Bad input: `too-large`, more than `most` bytes. */
  read(name: string, most?: number): Promise<Buffer>
  close(): void
}

/** Opens a ZIP on the disk. Bad input: `not-a-zip`, `too-large` (also what was packed to burst, or lies in it under several names), `name-twice`. */
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
      read: async (name, most = LARGEST_TEXT) => {
        if ((entries.get(name)?.uncompressedSize ?? 0) > most)
          throw new BadInput('too-large', name, `is larger than ${most} bytes`)
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
  let [packed, whole] = [0, 0]
  return new Promise((resolve, reject) => {
    zip.on('error', (problem: Error) => reject(notAZip(problem)))
    zip.on('end', () => resolve(entries))
    zip.on('entry', (entry: ZipEntry) => {
      const { fileName, uncompressedSize, compressedSize } = entry
      packed += compressedSize
      whole += uncompressedSize
      if (entries.has(fileName)) return reject(new BadInput('name-twice', fileName, 'is in the ZIP twice'))
      if (uncompressedSize > LARGEST_FILE || entries.size >= MOST_FILES)
        return reject(new BadInput('too-large', fileName, 'is more than a record of a job can hold'))
      if (uncompressedSize > SMALL && uncompressedSize > TIGHTEST * compressedSize)
        return reject(new BadInput('too-large', fileName, 'unpacks to far more than any record does'))
      // Several names for one place would have the same bytes read again and again.
      if (packed > zip.fileSize || whole > LARGEST_WHOLE)
        return reject(new BadInput('too-large', fileName, 'the files in the ZIP are larger than the ZIP'))
      entries.set(fileName, entry)
      zip.readEntry()
    })
    zip.readEntry()
  })
}

const notAZip = (problem: Error, path = '') =>
  new BadInput('not-a-zip', path, `cannot be read as a ZIP: ${problem.message}`)
