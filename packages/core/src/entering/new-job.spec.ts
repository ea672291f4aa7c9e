import { SampleJob } from '../admission/sample-job.testing.js'
import type { JobHeader } from '../job/header.js'
import { newJob, type UnitWish } from './new-job.js'

const header: Omit<JobHeader, 'sheets'> = {
  number: ' T-2 ',
  title: 'Barn',
  site: 'Mill Lane',
  customer: 'Nobody',
  school: 'iec',
  units: 'metric',
  rule: 'guarded',
}
const BOX = { id: 'nobody-box-1', maker: 'Nobody', model: 'Box', revision: '1', fingerprint: 'f' }
const OTHER = { ...BOX, id: 'nobody-other-1', model: 'Other' }
const ids = () => {
  let n = 0
  return () => String(++n)
}
const made = (...units: UnitWish[]) => newJob({ header, units }, [BOX, OTHER], ids())

it('opens with the sheets that its units need, each once, and nothing else of the library', () => {
  const [opened] = made({ sheetId: BOX.id, label: 'A', count: 2 }, { sheetId: BOX.id, label: 'B', count: 1 })
  expect(opened).toMatchObject({ kind: 'job-opened', body: { number: 'T-2', sheets: [BOX] } })
})
it('units of a kind are told apart by their number, and none of several has the serial of one', () => {
  const changes = made(
    { sheetId: BOX.id, label: 'Box ', count: 2, serial: 'A-1' },
    { sheetId: BOX.id, label: 'Old', count: 1, serial: ' B-2 ', id: 'u', placed: 'outdoors' },
  )
  expect(changes.slice(1).map(({ body }) => body)).toEqual([
    { id: 'unit-1', label: 'Box 1', sheetId: BOX.id },
    { id: 'unit-2', label: 'Box 2', sheetId: BOX.id },
    { id: 'u', label: 'Old', sheetId: BOX.id, serial: 'B-2', situation: { placed: 'outdoors' } },
  ])
})
it('what it opens is admitted as it stands, and nothing of it is inspected', () => {
  const job = new SampleJob()
  const people = [{ id: 'x', name: 'X', role: 'inspector' as const }]
  const wish = { header, units: [{ sheetId: BOX.id, label: 'Box', count: 2 }], people }
  for (const { kind, body } of newJob(wish, [BOX], ids())) job.write('office', kind, body as never)
  const { checks, state } = job.inspection
  expect(state.sharedWith).toEqual(people)
  expect(new Set(checks.map(({ outcome }) => outcome.verdict))).not.toContain('conforms')
})
