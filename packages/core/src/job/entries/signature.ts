import { signedShape } from '../kept-whole.js'
import { ADMITTED, entryKind, refuse } from './entry-kind.js'

/** The licensed signature: it needs a clear way and seals the very head that was shown. */
export const signed = entryKind({
  schema: signedShape,
  label: 'signed and sealed',
  writtenBy: ['reviewer'],
  validatesAgainst: 'outcomes',
  admit({ licence, sealedHead }, against) {
    const inTheWay = against.inTheWay()
    if (inTheWay.length > 0) {
      const things = inTheWay.length === 1 ? 'thing stands' : 'things stand'
      return refuse('not-clear', `${inTheWay.length} ${things} in the way: ${inTheWay[0]!}`)
    }
    if (licence.trim() === '') return refuse('no-licence', 'the licence number is missing')
    if (against.by !== undefined && against.state.secondReader?.person.id === against.by)
      return refuse('second-reader-signs', 'the second reader does not sign: two people read this record')
    if (sealedHead !== against.state.head?.hash)
      return refuse(
        'head-moved',
        'something was entered since this record was shown: read it again before signing',
      )
    return ADMITTED
  },
  apply: (draft, body, entry) => void (draft.seal = { ...entry, kind: 'signed', body }),
})
