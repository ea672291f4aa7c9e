import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import sharp from 'sharp'
import { durable, sha256 } from '@plumb-mark/archive'
import { Refused } from '../http/refused.js'

// A picture takes one core at most: the other belongs to whoever is being answered.
sharp.concurrency(1)

const MOST_PIXELS = 60_000_000
const TYPES: Record<string, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }
const THUMBNAIL_EDGE = 480

/** Where the small copy of a photo lies. */
export const smallPath = (whole: string) => `${whole}.small.webp`

/** The small copy; what was imported or restored without it gets it when it is first looked at. */
export async function smallOf(whole: string, digest: string): Promise<string> {
  const file = smallPath(whole)
  if (!existsSync(file)) {
    const content = await readFile(whole).catch(() => Buffer.alloc(0))
    if (sha256(content) !== digest) throw photoBroken()
    const seen = await picture(content)
    if (typeof seen === 'string') throw photoRefused(seen)
    await durable(file, seen.small)
  }
  return file
}

export const photoBroken = () =>
  new Refused(410, 'photo-broken', 'the file of this photo is not what was kept: restore it from a backup')

export interface Picture {
  type: string
  width: number
  height: number
  small: Buffer
}

/** Why something is taken for no photo. */
export type NoPhoto = 'not-a-photo' | 'too-large'

export const photoRefused = (why: NoPhoto): Refused =>
  why === 'too-large'
    ? new Refused(413, why, `a photo may have ${MOST_PIXELS / 1e6} million pixels`, 'photo')
    : new Refused(400, why, 'only whole JPEG, PNG and WebP pictures are taken', 'photo')

/** What a picture is, by its content, with a small copy. What does not decode to its end, such as a file that was cut off, is none. */
export async function picture(content: Buffer): Promise<Picture | NoPhoto> {
  const limits = { limitInputPixels: MOST_PIXELS, failOn: 'truncated' } as const
  try {
    const { format, width, height } = await sharp(content, limits).metadata()
    const type = TYPES[format ?? '']
    if (!type || !width || !height) return 'not-a-photo'
    if (width * height > MOST_PIXELS) return 'too-large'
    const small = await sharp(content, limits)
      .rotate()
      .resize(THUMBNAIL_EDGE, THUMBNAIL_EDGE, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 78 })
      .toBuffer()
    return { type, width, height, small }
  } catch {
    return 'not-a-photo'
  }
}
