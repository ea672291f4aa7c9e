import { handedOverShape } from '../kept-whole.js'
import { ADMITTED, BUILDERS, entryKind } from './entry-kind.js'

/** Somebody received the installation with its hand-over page: to whom, whom they call, and their signature. */
export const handedOver = entryKind({
  holds: handedOverShape,
  says: 'handed over',
  writtenBy: BUILDERS,
  weighedBy: 'state',
  admit: () => ADMITTED,
  apply(draft, body, entry) {
    draft.handedOver = { ...entry, kind: 'handed-over', body }
  },
})
