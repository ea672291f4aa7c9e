import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'

/** SHA-256 of UTF-8 text or of a content, as lower-case hex. */
export const sha256 = (content: string | Uint8Array): string =>
  createHash('sha256').update(content).digest('hex')

/** The same of a file, however large. */
export async function digestOfFile(file: string): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}
