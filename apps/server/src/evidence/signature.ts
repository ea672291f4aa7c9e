import sharp from 'sharp'
import { Refused } from '../http/refused.js'

const PREFIX = 'data:image/png;base64,'
const LEAST = { width: 20, height: 10 }
const MOST_EDGE = 4000

/** A signature is a real picture with something drawn in it, or the record could never be printed. */
export async function requireSignature(drawing: string): Promise<void> {
  if (!(await isSignature(drawing)))
    throw new Refused(400, 'not-a-signature', 'must be a PNG picture with a signature drawn in it', 'drawing')
}

/** For the report of a record that was signed before anybody looked. */
export async function isSignature(drawing: string): Promise<boolean> {
  if (!drawing.startsWith(PREFIX)) return false
  try {
    const picture = sharp(Buffer.from(drawing.slice(PREFIX.length), 'base64'), {
      limitInputPixels: MOST_EDGE ** 2,
    })
    const { format, width, height } = await picture.metadata()
    if (
      format !== 'png' ||
      width < LEAST.width ||
      height < LEAST.height ||
      width > MOST_EDGE ||
      height > MOST_EDGE
    )
      return false
    const { channels } = await picture.stats()
    return channels.some(({ min, max }) => min !== max)
  } catch {
    return false
  }
}
