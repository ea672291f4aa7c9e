import { createHash } from 'node:crypto'

/** SHA-256 of UTF-8 text or of a file's content, as lower-case hex. */
export const sha256 = (content: string | Buffer): string => createHash('sha256').update(content).digest('hex')
