import { SIGNATURE, SampleJob } from '../admission/sample-job.testing.js'
import type { Admission } from '../job/entries/entry-kind.js'
import { blockers, waitingFor } from './gate.js'

const code = (answer: Admission) => (answer.ok ? 'admitted' : answer.code)
const kinds = (job: SampleJob) => blockers(job.inspection).map(({ kind }) => kind)
const REMARK = { id: 'r', text: 'which screw was read?', checkId: 'u/torque/a' }
const returned = () =>
  SampleJob.opened()
    .answered()
    .write('reviewer', 'returned', { remarks: [REMARK, { id: 's', text: 'show the cover' }] })

describe('a job that was returned with remarks', () => {
  it('waits for the inspector until each is answered', () => {
    const job = returned()
    expect(kinds(job)).toEqual(['remark-open', 'remark-open'])
    expect(waitingFor(job.inspection).words).toBe('the inspector (2 remarks to answer)')
    expect(code(job.admits('reviewer', 'signed', SIGNATURE(job)))).toBe('not-clear')
    job
      .write('inspector', 'remark-answered', { remarkId: 'r', answer: 'the left one' })
      .write('office', 'remark-answered', { remarkId: 's', answer: 'photo added' })
    expect(kinds(job)).toEqual([])
    expect(job.inspection.state.remarks[0]).toMatchObject({
      text: REMARK.text,
      by: { name: 'reviewer' },
      answered: { text: 'the left one', by: { name: 'inspector' } },
    })
  })
  it.each([
    ['by whom does not sign', 'inspector', [REMARK], 'not-your-entry'],
    ['about no check', 'reviewer', [{ ...REMARK, checkId: 'u/none/a' }], 'unknown-check'],
    ['about no defect', 'reviewer', [{ id: 'x', text: 'why?', defectId: 'none' }], 'unknown-defect'],
    ['twice the same', 'reviewer', [REMARK, REMARK], 'listed-twice'],
    ['without one', 'reviewer', [], 'unreadable'],
    ['with an empty one', 'reviewer', [{ id: 'x', text: ' ' }], 'unreadable'],
  ] as const)('is not returned %s', (_how, role, remarks, refusal) =>
    expect(code(SampleJob.opened().admits(role, 'returned', { remarks: [...remarks] }))).toBe(refusal),
  )
  it('takes one answer to each', () => {
    const job = returned().write('inspector', 'remark-answered', { remarkId: 'r', answer: 'the left one' })
    const again = { remarkId: 'r', answer: 'the right one' }
    expect(code(job.admits('inspector', 'remark-answered', again))).toBe('answered')
    expect(code(job.admits('inspector', 'remark-answered', { ...again, remarkId: 'q' }))).toBe(
      'unknown-remark',
    )
  })
})

describe('a second reader', () => {
  const asked = () =>
    SampleJob.opened()
      .answered()
      .write('reviewer', 'second-reader-asked', {
        person: { id: 'inspector', name: 'inspector', role: 'inspector' },
      })
  const reading = (job: SampleJob) => ({ statement: 'read whole', readHead: job.entries.at(-1)!.hash })
  it('is another person, who may inspect or review', () => {
    const person = (id: string, role: 'reviewer' | 'installer') => ({ person: { id, name: id, role } })
    const job = SampleJob.opened().answered()
    expect(code(job.admits('reviewer', 'second-reader-asked', person('reviewer', 'reviewer')))).toBe(
      'own-second-reader',
    )
    expect(code(job.admits('reviewer', 'second-reader-asked', person('i', 'installer')))).toBe(
      'not-their-role',
    )
  })
  it('keeps the record from being signed until they have read what stands there', () => {
    const job = asked()
    expect(kinds(job)).toEqual(['second-reading-open'])
    expect(waitingFor(job.inspection).words).toBe('the second reader (1 record to read)')
    job.write('inspector', 'second-read', reading(job))
    expect(kinds(job)).toEqual([])
    job.torque('2.4 N·m', 2.4)
    expect(kinds(job)).toEqual(['second-reading-open'])
  })
  it('reads as the one who was asked, and what was shown', () => {
    const job = asked()
    expect(code(job.admits('reviewer', 'second-read', reading(job)))).toBe('not-your-step')
    const old = { ...reading(job), readHead: job.entries.at(-2)!.hash }
    expect(code(job.admits('inspector', 'second-read', old))).toBe('head-moved')
    expect(code(SampleJob.opened().admits('inspector', 'second-read', old))).toBe('nobody-asked')
  })
  it('is asked no longer, where the reviewer says so, and nothing waits for them', () => {
    const job = asked().write('reviewer', 'second-reader-asked', {})
    expect(job.inspection.state.secondReader).toBeUndefined()
    expect(kinds(job)).toEqual([])
  })
  it('does not sign', () => {
    const job = SampleJob.opened()
      .answered()
      .write('office', 'second-reader-asked', {
        person: { id: 'reviewer', name: 'reviewer', role: 'reviewer' },
      })
    job.write('reviewer', 'second-read', reading(job))
    expect(code(job.admits('reviewer', 'signed', SIGNATURE(job)))).toBe('second-reader-signs')
  })
})
