import { METER, SampleJob } from '../admission/sample-job.testing.js'
import { blockers, waitingFor } from '../sign-off/gate.js'
import { ROLES, type Role } from '../job/person.js'
import type { Defect } from './defect.js'
import { byUrgency, isOverdue, isOwedBy } from './urgency.js'
import {
  DEFECT_PROCESS,
  DEFECT_STATES,
  DEFECT_STEPS,
  nextState,
  type DefectState,
} from '../job/defect-process.js'

const failing = () => SampleJob.opened().torque('1 N·m', 1).raiseTorque()
const reworked = () =>
  failing().write('installer', 'defect-step', { defectId: 'd', step: 'reworked', note: 'tightened' })

it('every state can be reached from open', () => {
  const reached = new Set<DefectState>(['open'])
  for (let before = -1; before !== reached.size;) {
    before = reached.size
    for (const step of DEFECT_STEPS)
      if (DEFECT_PROCESS[step].from.some((state) => reached.has(state))) reached.add(DEFECT_PROCESS[step].to)
  }
  expect([...reached].sort()).toEqual([...DEFECT_STATES].sort())
})

it('only a conforming reading taken after the rework closes a defect; the old reading stays', () => {
  const job = reworked()
  expect(job.defect().state).toBe('reworked')
  job.torque('2.5 N·m', 2.5)
  expect(job.defect().state).toBe('closed')
  expect(job.check('u/torque/a').history.map(({ body }) => 'typed' in body && body.typed)).toEqual([
    '1 N·m',
    '2.5 N·m',
  ])
})

it('a reading that fails again opens the defect again', () => {
  const job = reworked().torque('1.1 N·m', 1.1)
  expect(job.defect()).toMatchObject({ state: 'open', failedAgain: true })
})

it('a reading that proves nothing leaves it waiting', () => {
  expect(reworked().torque('2.95 N·m', 2.95).defect().state).toBe('reworked')
})

it('nobody closes a defect by saying so, and the installer does not send back', () => {
  const proof = { conformsSinceRework: false, stillFails: true }
  expect(nextState('reworked', 'closed', 'inspector', proof)).toMatchObject({
    ok: false,
    code: 'no-conforming-reading',
    allowed: ['taken-back', 'sent-back'],
  })
  expect(nextState('reworked', 'sent-back', 'installer', proof)).toMatchObject({
    ok: false,
    code: 'not-your-step',
  })
  expect(nextState('open', 'withdrawn', 'inspector', proof)).toMatchObject({
    ok: false,
    code: 'reading-still-fails',
  })
})

it('a gap is cured by measuring the wall again', () => {
  const job = SampleJob.opened().write('inspector', 'unit-fitted', {
    id: 'u',
    label: 'Box 1',
    sheetId: 'nobody-box-1',
    place: { wallId: 'w', x: 60, y: 900, w: 400, h: 500 },
  })
  const { outcome } = job.check('u/clear/left')
  if (outcome.verdict !== 'does-not-conform') throw new Error('the gap should fail')
  expect(outcome.defect.finding).toContain('short by 40 mm')
  job
    .write('inspector', 'defect-raised', { defectId: 'd', checkId: 'u/clear/left', ...outcome.defect })
    .write('installer', 'defect-step', { defectId: 'd', step: 'reworked', note: 'moved' })
  expect(job.defect().state).toBe('reworked')
  job.write('inspector', 'unit-fitted', {
    id: 'u',
    label: 'Box 1',
    sheetId: 'nobody-box-1',
    place: { wallId: 'w', x: 120, y: 900, w: 400, h: 500 },
  })
  expect(job.defect().state).toBe('closed')
})

it('one short gap between two units needs one defect, whichever side it is raised from', () => {
  const job = SampleJob.opened().write('inspector', 'unit-fitted', {
    id: 'v',
    label: 'Box 2',
    sheetId: 'nobody-box-1',
    place: { wallId: 'w', x: 750, y: 900, w: 400, h: 500 },
  })
  const unraised = () =>
    blockers(job.inspection).filter(({ kind }) => kind === 'failed-without-defect').length
  expect(unraised()).toBe(2)
  const { outcome } = job.check('v/clear/left')
  if (outcome.verdict !== 'does-not-conform') throw new Error('the gap should fail')
  job.write('inspector', 'defect-raised', { defectId: 'd', checkId: 'v/clear/left', ...outcome.defect })
  expect(unraised()).toBe(0)
})

describe('what stands in the way of a signature', () => {
  const kinds = (job: SampleJob) => blockers(job.inspection).map(({ kind }) => kind)

  it('is nothing once everything conforms', () => {
    const job = SampleJob.opened().answered()
    expect(kinds(job)).toEqual([])
    expect(waitingFor(job.inspection).words).toBe('the reviewer’s signature')
  })

  it.each<[string, (job: SampleJob) => SampleJob, string]>([
    ['an unanswered check', () => SampleJob.opened(), 'not-inspected'],
    ['a reading too near its limit', (job) => job.torque('2.95 N·m', 2.95), 'not-proven'],
    [
      'a reading by no instrument',
      (job) =>
        job.write('inspector', 'reading', {
          point: 'u/torque/a',
          typed: '2.5',
          value: 2.5,
          unit: 'N·m',
          relation: '=',
        }),
      'not-proven',
    ],
    ['a failure nobody raised', (job) => job.torque('1 N·m', 1), 'failed-without-defect'],
    ['an open major defect', (job) => job.torque('1 N·m', 1).raiseTorque(), 'defect-open'],
    [
      'an instrument out of calibration',
      (job) =>
        job.write('inspector', 'reading', {
          point: 'u/torque/a',
          typed: '2.5 N·m',
          value: 2.5,
          unit: 'N·m',
          relation: '=',
          instrument: {
            id: 'old',
            name: 'Old',
            kind: 'torque-driver',
            serial: 'O',
            calibratedUntil: '2026-01-01',
            accuracy: [{ dimension: 'torque', percent: 1, plus: 0 }],
          },
        }),
      'out-of-calibration',
    ],
  ])('is %s', (_what, spoil, kind) => {
    expect(kinds(spoil(SampleJob.opened().answered()))).toContain(kind)
  })

  it('is not an open minor defect', () => {
    const job = SampleJob.opened().answered().torque('1 N·m', 1)
    const { outcome } = job.check('u/torque/a')
    if (outcome.verdict !== 'does-not-conform') throw new Error('should fail')
    job.write('inspector', 'defect-raised', {
      defectId: 'd',
      checkId: 'u/torque/a',
      ...outcome.defect,
      severity: 'minor',
      note: 'the cover is off until Friday',
    })
    expect(kinds(job)).toEqual([])
  })
})

describe('a defect that is read off a drawing', () => {
  const short = () => {
    const job = SampleJob.opened().answered()
    job.write('inspector', 'unit-fitted', place(80))
    const { outcome } = job.check('u/clear/left')
    if (outcome.verdict !== 'does-not-conform') throw new Error('should fail')
    return job
      .write('inspector', 'defect-raised', { defectId: 'd', checkId: 'u/clear/left', ...outcome.defect })
      .write('installer', 'defect-step', { defectId: 'd', step: 'reworked', note: 'moved' })
  }
  const place = (x: number) => ({
    id: 'u',
    label: 'Box 1',
    sheetId: 'nobody-box-1',
    place: { wallId: 'w', x, y: 900, w: 400, h: 500 },
  })
  it('is not closed by any edit of the drawing', () => {
    const shelf = { id: 'o', label: 'shelf', class: 'shelf', x: 2500, y: 0, w: 100, h: 100 }
    const job = short().write('inspector', 'obstruction-measured', { wallId: 'w', obstruction: shelf })
    expect(job.defect()).toMatchObject({ state: 'reworked', failedAgain: false })
  })
  it('is closed when what it came from was measured again and conforms', () =>
    expect(short().write('inspector', 'unit-fitted', place(300)).defect().state).toBe('closed'))
  it('is open again when it was measured again and is still short', () =>
    expect(short().write('inspector', 'unit-fitted', place(90)).defect()).toMatchObject({
      state: 'open',
      failedAgain: true,
    }))
})

describe('a failure raised as less than the sheet calls it', () => {
  const raised = (checkId: string, more: object) => {
    const job = SampleJob.opened().torque('1 N·m', 1).write('inspector', 'reading', {
      point: 'u/mains/unit',
      typed: '270 V',
      value: 270,
      unit: 'V',
      relation: '=',
      instrument: METER,
    })
    const { outcome } = job.check(checkId)
    if (outcome.verdict !== 'does-not-conform') throw new Error('should fail')
    return (role: 'inspector' | 'reviewer') =>
      job.admits(role, 'defect-raised', { defectId: 'd', checkId, ...outcome.defect, ...more })
  }
  it('needs a reason', () => {
    expect(raised('u/torque/a', { severity: 'minor' })('inspector')).toMatchObject({ code: 'reason-missing' })
    expect(raised('u/torque/a', { severity: 'minor', note: 'spare' })('inspector')).toEqual({ ok: true })
  })
  it('is the reviewer’s to say where the sheet says stop', () => {
    const lowered = raised('u/mains/unit', { severity: 'major', note: 'isolated' })
    expect(lowered('inspector')).toMatchObject({ code: 'reviewer-only' })
    expect(lowered('reviewer')).toEqual({ ok: true })
  })
})

it('what was reworked is with the inspector, and no more with the installer', () => {
  const owed = (job: SampleJob) => ROLES.filter((role) => isOwedBy(role, job.defect()))
  expect(owed(failing())).toEqual(ROLES)
  expect(owed(reworked())).toEqual(ROLES.filter((role) => role !== 'installer'))
  expect(owed(reworked().torque('2.5 N·m', 2.5))).toEqual([])
})

describe('a rework that was said by mistake', () => {
  const back = (job: SampleJob) =>
    job.admits('installer', 'defect-step', { defectId: 'd', step: 'taken-back', note: 'the wrong box' })
  it('is taken back while nobody has looked', () => {
    const job = reworked().write('installer', 'defect-step', {
      defectId: 'd',
      step: 'taken-back',
      note: 'the wrong box',
    })
    expect(job.defect().state).toBe('open')
  })
  it('is not once it was read again, and not before it was said', () => {
    expect(back(reworked().torque('2.5 N·m', 2.5))).toMatchObject({ ok: false })
    expect(back(reworked().torque('1.1 N·m', 1.1))).toMatchObject({ ok: false })
    expect(back(failing())).toMatchObject({ ok: false, code: 'step-not-allowed-now' })
  })
})

describe('what is said otherwise of a defect', () => {
  const amend = (body: object, role: Role = 'inspector') =>
    failing().write(role, 'defect-amended', { defectId: 'd', ...body })
  const code = (body: object, role: Role = 'inspector', job = failing()) => {
    const answer = job.admits(role, 'defect-amended', { defectId: 'd', ...body })
    return answer.ok ? 'admitted' : answer.code
  }
  it('stands beside what was raised, word by word', () => {
    const job = amend({ remedy: 'tighten to 2.5 N·m', due: '2026-06-08', responsible: 'Roof crew' })
    expect(job.defect()).toMatchObject({
      title: job.defect().raised.body.title,
      remedy: 'tighten to 2.5 N·m',
      due: '2026-06-08',
      responsible: 'Roof crew',
    })
    job.write('office', 'defect-amended', { defectId: 'd', due: '2026-06-10' })
    expect(job.defect()).toMatchObject({ due: '2026-06-10', responsible: 'Roof crew' })
    expect(job.defect().amended).toHaveLength(2)
  })
  it.each<[string, object, Role, string]>([
    ['nothing', {}, 'inspector', 'nothing-changed'],
    ['a day that the calendar does not have', { due: '2026-06-31' }, 'inspector', 'unreadable'],
    ['less without a reason', { severity: 'minor' }, 'inspector', 'reason-missing'],
    ['less with a dash for a reason', { severity: 'minor', reason: '–' }, 'inspector', 'reason-missing'],
    ['a severity by the office', { severity: 'minor', reason: 'it is only one' }, 'office', 'not-your-step'],
    ['anything by the installer', { due: '2026-06-08' }, 'installer', 'not-your-entry'],
  ])('is not %s', (_what, body, role, refusal) => expect(code(body, role)).toBe(refusal))
  it('lowers a severity with its reason, and raises it again', () => {
    const job = amend({ severity: 'minor', reason: 'the cover is off until Friday' })
    expect(job.defect().severity).toBe('minor')
    job.write('inspector', 'defect-amended', {
      defectId: 'd',
      severity: 'stop',
      reason: 'the conductor is warm',
    })
    expect(job.defect().severity).toBe('stop')
  })
  it('is over with the defect', () => {
    expect(code({ due: '2026-06-08' }, 'inspector', reworked().torque('2.5 N·m', 2.5))).toBe('defect-over')
  })
})

it('what is overdue stands first, what is done last, and the day at the site decides', () => {
  const one = (id: string, more: Partial<Defect>): Defect =>
    ({ ...failing().defect(), id, severity: 'minor', ...more }) as Defect
  const all = [
    one('done', { state: 'closed', due: '2026-01-01' }),
    one('stop', { severity: 'stop' }),
    one('later', { due: '2026-06-09' }),
    one('sooner', { due: '2026-06-08' }),
    one('over', { due: '2026-06-07' }),
  ]
  expect(all.toSorted(byUrgency('2026-06-08')).map(({ id }) => id)).toEqual([
    'over',
    'stop',
    'sooner',
    'later',
    'done',
  ])
  expect(all.filter((defect) => isOverdue(defect, '2026-06-08')).map(({ id }) => id)).toEqual(['over'])
})

it('a closed defect names the reading that closed it', () => {
  const job = reworked().torque('2.5 N·m', 2.5)
  expect(job.defect().closedBy).toMatchObject({ by: { name: 'inspector' }, body: { typed: '2.5 N·m' } })
  expect(failing().defect().closedBy).toBeUndefined()
})
