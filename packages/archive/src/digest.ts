import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { createGunzip } from 'node:zlib'

/** SHA-256 of UTF-8 text or of a content, as lower-case hex. */
export const sha256 = (content: string | Uint8Array): string =>
  createHash('sha256').update(content).digest('hex')

/** The same of a file, however large. */
export async function digestOfFile(file: string): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}

/** Of what a packed file holds; undefined where it is not there or cannot be unpacked. */
export async function digestOfPacked(file: string): Promise<string | undefined> {
  const hash = createHash('sha256')
  try {
    await pipeline(createReadStream(file), createGunzip(), hash)
    return hash.digest('hex')
  } catch {
    return undefined
  }
}
