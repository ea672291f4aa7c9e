import { ROLES } from '../job/person.js'
import { may } from './may.js'
import { SampleJob } from './sample-job.testing.js'
import { admit } from './admit.js'
import type { EntryKind } from '../job/entries/registry.js'
import type { NewEntry } from '../job/entry.js'

const OPEN = { seal: undefined }
const SEALED = { seal: {} as never }

it.each([
  ['an inspector reads', 'reading', 'inspector', true],
  ['an installer does not', 'reading', 'installer', false],
  ['the office builds', 'unit-fitted', 'office', true],
  ['a reviewer signs', 'signed', 'reviewer', true],
  ['an inspector does not', 'signed', 'inspector', false],
  ['nobody who is not signed in does anything', 'reading', undefined, false],
] as const)('%s', (_rule, kind, role, answer) => {
  expect(may(kind, role, OPEN)).toBe(answer)
})

it('a sealed job, and one that was imported to be read, take nothing from anybody', () => {
  for (const role of ROLES)
    for (const kind of ['reading', 'unit-fitted', 'signed', 'defect-step'] as const) {
      expect(may(kind, role, SEALED)).toBe(false)
      expect(may(kind, role, { ...OPEN, readOnly: true })).toBe(false)
    }
})

it('what is no kind of entry may be written by nobody', () => {
  expect(may('nonsense' as EntryKind, 'office', OPEN)).toBe(false)
})

it('what may not be written is refused for that reason, and nothing that may be', () => {
  const { inspection } = SampleJob.opened()
  for (const role of ROLES)
    for (const kind of ['reading', 'observation', 'unit-fitted', 'defect-step', 'signed'] as const) {
      const answer = admit(
        { id: 'x', kind, at: '2026-06-01T08:00:00Z', body: {} } as unknown as NewEntry,
        role,
        inspection,
      )
      expect([kind, role, !answer.ok && answer.code === 'not-your-entry']).toEqual([
        kind,
        role,
        !may(kind, role, OPEN),
      ])
    }
})
