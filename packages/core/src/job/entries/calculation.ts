import { calculationKeptShape } from '../kept-whole.js'
import { ADMITTED, BUILDERS, entryKind, refuse } from './entry-kind.js'

/** Only a calculation that can be worked out again is kept. */
export const calculationKept = entryKind({
  schema: calculationKeptShape,
  label: 'calculation kept',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit({ calculator, input }, against) {
    const done = against.computes(calculator, input)
    return done.ok ? ADMITTED : refuse('not-computable', done.problem.message)
  },
  apply(draft, body, entry) {
    draft.calculations = [...draft.calculations, { ...entry, kind: 'calculation-kept', body }]
  },
})
