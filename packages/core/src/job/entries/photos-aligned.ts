import { isAlignmentOf, photosAlignedShape, samePlaces } from '../photos-aligned.js'
import { mapOf } from '../../wall/known-map.js'
import { attempt } from '../../shape/attempt.js'
import { ADMITTED, INSPECTORS, entryKind, refuse } from './entry-kind.js'

/** Two photos laid on each other by four places that both show: whoever looks later sees them so. */
export const photosAligned = entryKind({
  schema: photosAlignedShape,
  label: 'photos laid on each other',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit(body) {
    const map = attempt(() => mapOf(samePlaces(body)))
    return map.ok ? ADMITTED : refuse('places-differ', 'the four places do not fit each other')
  },
  shows: ({ before, after }) => [before.photo, after.photo],
  apply(draft, body) {
    const others = draft.aligned.filter((one) => !isAlignmentOf(one, body.before.photo, body.after.photo))
    draft.aligned = [...others, body]
  },
})
