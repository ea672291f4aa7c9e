import { lazyPart } from '../ui/lazy-part.js'
import { Note } from '../ui/theme/text.js'

/** The defect that a failed check offers. Its form comes with a library of its own: it is fetched when the first check fails. */
export const RaiseDefectLater = lazyPart(async () => (await import('./raise-defect.js')).RaiseDefect, {
  coming: <Note>The defect that this makes is coming …</Note>,
})
