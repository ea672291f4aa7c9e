import { lazyPart } from '../ui/lazy-part.js'
import { Small } from '../ui/theme/text.js'

/** The photo as a tape, with what straightens it: fetched when a photo is measured in. */
export const PhotoTape = lazyPart(async () => (await import('./photo-tape.js')).PhotoTape, {
  coming: <Small>Opening the photo …</Small>,
})
