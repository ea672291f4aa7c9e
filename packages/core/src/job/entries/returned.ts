import { remarkAnsweredShape, returnedShape, secondReadShape, secondReaderShape } from '../kept-whole.js'
import { arrived, waitFor } from '../state.js'
import { ADMITTED, entryKind, refuse } from './entry-kind.js'

/** Back to the inspector with remarks: nothing is signed until each of them is answered. */
export const returned = entryKind({
  schema: returnedShape,
  label: 'returned with remarks',
  writtenBy: ['reviewer'],
  validatesAgainst: 'outcomes',
  admit({ remarks }, against) {
    const known = new Set(against.state.remarks.map(({ id }) => id))
    for (const { id, checkId, defectId } of remarks) {
      if (known.has(id)) return refuse('listed-twice', 'a remark stands twice')
      known.add(id)
      if (checkId !== undefined && against.severityOf(checkId) === undefined)
        return refuse('unknown-check', `no check is called “${checkId}”`)
      if (defectId !== undefined && !against.defect(defectId))
        return refuse('unknown-defect', 'no such defect in this job')
    }
    return ADMITTED
  },
  apply(draft, body, { by, at }) {
    const known = new Set(draft.remarks.map(({ id }) => id))
    const fresh = body.remarks.filter(({ id }) => !known.has(id))
    draft.remarks = [...draft.remarks, ...fresh.map((remark) => ({ ...remark, by, at }))]
    for (const { id } of fresh) arrived(draft, id)
  },
})

export const remarkAnswered = entryKind({
  schema: remarkAnsweredShape,
  label: 'remark answered',
  writtenBy: ['inspector', 'office'],
  validatesAgainst: 'state',
  admit({ remarkId }, { state }) {
    const remark = state.remarks.find(({ id }) => id === remarkId)
    if (!remark) return refuse('unknown-remark', 'no such remark in this job')
    return remark.answered ? refuse('answered', 'this remark is answered already') : ADMITTED
  },
  apply(draft, { remarkId, answer }, entry) {
    const { by, at } = entry
    if (!draft.remarks.some(({ id }) => id === remarkId)) return waitFor(draft, remarkId, entry)
    draft.remarks = draft.remarks.map((remark) =>
      remark.id === remarkId && !remark.answered ? { ...remark, answered: { text: answer, by, at } } : remark,
    )
  },
})

/** Two people read the record before it is sealed; asking another person lets the one before go. */
export const secondReaderAsked = entryKind({
  schema: secondReaderShape,
  label: 'second reader asked',
  writtenBy: ['reviewer', 'office'],
  validatesAgainst: 'state',
  admit: ({ person }, { by }) => {
    if (!person) return ADMITTED
    if (person.id === by) return refuse('own-second-reader', 'the second reader is another person')
    return person.role === 'inspector' || person.role === 'reviewer'
      ? ADMITTED
      : refuse('not-their-role', 'an inspector or a reviewer reads a record')
  },
  apply(draft, { person }, { by }) {
    draft.secondReader = person && { person, askedBy: by }
  },
})

export const secondRead = entryKind({
  schema: secondReadShape,
  label: 'read by the second reader',
  writtenBy: ['inspector', 'reviewer'],
  validatesAgainst: 'state',
  admit({ readHead }, { state, by }) {
    if (!state.secondReader) return refuse('nobody-asked', 'nobody was asked to read this record')
    if (state.secondReader.person.id !== by)
      return refuse('not-your-step', `${state.secondReader.person.name} was asked to read it`)
    return readHead === state.head?.hash
      ? ADMITTED
      : refuse('head-moved', 'something was entered since this record was shown: read it again')
  },
  apply(draft, body, entry) {
    const { secondReader } = draft
    if (secondReader?.person.id !== entry.by.id) return
    draft.secondReader = { ...secondReader, read: { ...entry, kind: 'second-read', body } }
  },
})
