import { handedOverShape } from '../kept-whole.js'
import { ADMITTED, BUILDERS, entryKind } from './entry-kind.js'

/** Somebody received the installation with its hand-over page: to whom, whom they call, and their signature. */
export const handedOver = entryKind({
  schema: handedOverShape,
  label: 'handed over',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: () => ADMITTED,
  apply(draft, body, entry) {
    draft.handedOver = { ...entry, kind: 'handed-over', body }
  },
})
