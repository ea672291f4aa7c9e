import { fold } from '../job/fold.js'
import { outOfCalibration, uncertaintyOf } from '../instrument/instrument.js'
import { DRIVER, METER, SHEETS, SIGNATURE, SampleJob } from '../admission/sample-job.testing.js'
import { expiredInstrument, isLeft, waitingFor } from '../sign-off/gate.js'
import { dangers } from './defect.js'
import { Site, sheet } from '../requirements/site.testing.js'
import { inspect } from './inspect.js'
import { judgeTyped } from './judge.js'

it('checks follow from the sheets in the order of the walk, each with an id that never changes', () => {
  expect(SampleJob.opened().inspection.checks.map(({ check: { id, stage } }) => `${stage} ${id}`)).toEqual([
    'place-and-mount u/clear/left',
    'place-and-mount u/clear/right',
    'place-and-mount u/clear/top',
    'place-and-mount u/clear/bottom',
    'dc u/torque/a',
    'dc u/tug/b',
    'ac u/mains/unit',
  ])
})

it('a unit that hangs nowhere yet has its gaps not inspected', () => {
  const job = SampleJob.opened().write('inspector', 'unit-fitted', {
    id: 'v',
    label: 'Box 2',
    sheetId: 'nobody-box-1',
  })
  expect(job.check('v/clear/left').outcome).toEqual({ verdict: 'not-inspected' })
})

it('a unit that was removed takes its checks with it, and its readings stay in the record', () => {
  const job = SampleJob.opened().torque('2.5 N·m', 2.5).write('inspector', 'unit-removed', { unitId: 'u' })
  expect(job.inspection.checks).toEqual([])
  expect(job.inspection.state.evidence.get('u/torque/a')).toHaveLength(1)
})

it('what is typed is judged just as it would be once it is kept', () => {
  const job = SampleJob.opened()
  const typed = judgeTyped(
    job.check('u/torque/a').check,
    '21 in·lb',
    { instrument: DRIVER, conditions: {} },
    job.inspection.context,
  )
  if (!typed.ok) throw new Error(typed.problem.message)
  job.write('inspector', 'reading', {
    point: 'u/torque/a',
    typed: '21 in·lb',
    value: typed.reading.value,
    unit: 'in·lb',
    relation: '=',
    instrument: DRIVER,
  })
  expect(JSON.stringify(job.check('u/torque/a').outcome)).toBe(JSON.stringify(typed.outcome))
})

it('what cannot be read is answered with its place and not with a verdict', () => {
  const job = SampleJob.opened()
  expect(
    judgeTyped(
      job.check('u/torque/a').check,
      '2,500 N·m',
      { instrument: DRIVER, conditions: {} },
      job.inspection.context,
    ),
  ).toEqual({ ok: false, problem: expect.objectContaining({ code: 'thousands-separator', at: 1 }) })
})

it('trying a place out changes the gaps and nothing that is kept', () => {
  const job = SampleJob.opened()
  const { state } = job.inspection
  const tried = inspect(state, SHEETS, {
    ...state.asBuilt,
    units: state.asBuilt.units.map((unit) => ({ ...unit, place: { ...unit.place!, x: 20 } })),
  })
  expect(tried.checks[0]!.outcome.verdict).toBe('does-not-conform')
  expect(job.check('u/clear/left').outcome.verdict).toBe('conforms')
})

it('a defect carries severity, place and remedy already written', () => {
  const { outcome } = SampleJob.opened().torque('1 N·m', 1).check('u/torque/a')
  expect(outcome).toMatchObject({
    verdict: 'does-not-conform',
    defect: {
      severity: 'major',
      title: 'Torque',
      place: 'Box 1, terminal A',
      finding: '1 N·m, must be 2 N·m to 3 N·m',
      remedy: 'put it right',
    },
  })
})

it('an open `stop` defect is a danger until its check conforms again', () => {
  const job = SampleJob.opened().write('inspector', 'reading', {
    point: 'u/mains/unit',
    typed: '271 V',
    value: 271,
    unit: 'V',
    relation: '=',
    instrument: METER,
  })
  const { outcome } = job.check('u/mains/unit')
  if (outcome.verdict !== 'does-not-conform') throw new Error('271 V should fail')
  job.write('inspector', 'defect-raised', { defectId: 'd', checkId: 'u/mains/unit', ...outcome.defect })
  expect(dangers(job.inspection.defects)).toHaveLength(1)
  job.write('installer', 'defect-step', { defectId: 'd', step: 'reworked', note: 'supply put right' })
  expect(dangers(job.inspection.defects)).toHaveLength(1)
  job.write('inspector', 'reading', {
    point: 'u/mains/unit',
    typed: '231 V',
    value: 231,
    unit: 'V',
    relation: '=',
    instrument: METER,
  })
  expect(dangers(job.inspection.defects)).toEqual([])
})

describe('instruments', () => {
  it('are good to a part of the reading and a constant, and say nothing of what they do not measure', () => {
    const meter = { ...METER, accuracy: [{ dimension: 'voltage' as const, percent: 0.5, plus: 0.2 }] }
    expect(uncertaintyOf(meter, 'voltage', -400)).toBeCloseTo(2.2, 9)
    expect(uncertaintyOf(meter, 'torque', 5)).toBe(0)
    expect(uncertaintyOf(undefined, 'voltage', 5)).toBe(0)
  })
  it('are in calibration to the end of their last day', () => {
    expect([
      outOfCalibration(DRIVER, '2027-01-01T23:59:00Z'),
      outOfCalibration(DRIVER, '2027-01-02T00:00:00Z'),
    ]).toEqual([false, true])
  })
  it('that were out of calibration leave a conforming check on the list', () => {
    const old = { ...DRIVER, calibratedUntil: '2026-01-01' }
    const job = SampleJob.opened().write('inspector', 'reading', {
      point: 'u/torque/a',
      typed: '2.5',
      value: 2.5,
      unit: 'N·m',
      relation: '=',
      instrument: old,
    })
    const judged = job.check('u/torque/a')
    expect([judged.outcome.verdict, isLeft(judged), expiredInstrument(judged)?.name]).toEqual([
      'not-proven',
      true,
      'Driver',
    ])
  })
})

it('the list of jobs says whom each waits for', () => {
  expect(waitingFor(SampleJob.opened().inspection).words).toBe('the inspector (3 checks to make)')
  const failed = SampleJob.opened().answered().torque('1 N·m', 1)
  expect(waitingFor(failed.inspection).words).toBe('the inspector (1 failure to raise)')
  expect(waitingFor(failed.raiseTorque().inspection).words).toBe('the installer (1 defect to rework)')
  expect(
    waitingFor(
      failed.write('installer', 'defect-step', { defectId: 'd', step: 'reworked', note: 'x' }).inspection,
    ).words,
  ).toBe('the inspector (1 rework to look at again)')
  const done = SampleJob.opened().answered()
  expect(waitingFor(done.write('reviewer', 'signed', SIGNATURE(done)).inspection).words).toBe(
    'nothing: signed and sealed',
  )
})

it('folding entries one by one or all at once comes to the same', () => {
  const { entries } = SampleJob.opened().answered().torque('1 N·m', 1).raiseTorque()
  for (let n = 1; n <= entries.length; n++) {
    const part = fold(entries.slice(0, n))
    expect(part.head).toEqual({ seq: n, hash: entries[n - 1]!.hash })
  }
  expect(fold(entries)).toEqual(fold(structuredClone(entries)))
})

it('an instrument that says nothing of a dimension does not vouch for a reading of it', () => {
  const thermometer = {
    ...METER,
    kind: 'thermometer' as const,
    accuracy: [{ dimension: 'temperature' as const, percent: 0, plus: 0.5 }],
  }
  const of = sheet('U', 'meter', [
    { id: 'v', kind: 'limits', dimension: 'voltage', min: '207 V', max: '253 V' },
  ])
  const read = (instrument: typeof METER) =>
    new Site()
      .unit(of)
      .write({
        kind: 'reading',
        body: { point: 'U/v/unit', typed: '230', value: 230, unit: 'V', relation: '=', instrument },
      })
      .says('U/v/unit')
  expect(read(METER)).toContain('conforms')
  expect(read(thermometer)).toContain('not-proven')
})

it('a tape vouches for the length of a cable as for any length, in its own unit', () => {
  const tape = {
    ...METER,
    kind: 'tape' as const,
    accuracy: [{ dimension: 'length' as const, percent: 0, plus: 20 }],
  }
  const of = sheet('U', 'battery', [{ id: 'c', kind: 'limits', dimension: 'cable-length', max: '5 m' }])
  const read = (value: number) =>
    new Site()
      .unit(of)
      .write({
        kind: 'reading',
        body: { point: 'U/c/unit', typed: `${value} m`, value, unit: 'm', relation: '=', instrument: tape },
      })
      .says('U/c/unit')
  expect(read(4.97)).toContain('conforms')
  expect(read(4.99)).toContain('not-proven')
  expect(uncertaintyOf(tape, 'cable-length', 4)).toBeCloseTo(0.02, 12)
})

describe('a job that accepts a doubtful measure inside the limit', () => {
  const wall = {
    kind: 'wall-measured' as const,
    body: { id: 'w', title: 'W', leftCorner: true, rightCorner: false, uncertainty: 5, tape: 'Tape' },
  }
  const box = sheet('B', 'meter', [
    { id: 'c', kind: 'clearance', clear: { left: '200 mm', right: '0 mm', top: '0 mm', bottom: '0 mm' } },
  ])
  const hung = (rule: 'guarded' | 'simple') =>
    new Site({ rule })
      .write(wall)
      .unit(box, { place: { wallId: 'w', x: 203, y: 1000, w: 100, h: 100 } })
      .check('B/c/left').outcome.verdict
  it('accepts a gap that is not clear of the tape', () =>
    expect([hung('guarded'), hung('simple')]).toEqual(['not-proven', 'conforms']))

  const inverter = sheet('I', 'string-inverter', [{ id: 'i', kind: 'insulation' }])
  const tester = {
    ...METER,
    kind: 'insulation-tester' as const,
    accuracy: [{ dimension: 'insulation' as const, percent: 5, plus: 0 }],
  }
  const tested = (rule: 'guarded' | 'simple', value: number) =>
    new Site({ rule })
      .unit(inverter)
      .write(
        {
          kind: 'string-built',
          body: {
            id: 's',
            label: 'S',
            unitId: 'I',
            input: 'PV1',
            count: 11,
            module: { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
          },
        },
        {
          kind: 'reading',
          body: {
            point: 'I/i/s',
            typed: `${value}`,
            value,
            unit: 'MΩ',
            relation: '=',
            instrument: tester,
            conditions: { testVoltage: 1000 },
          },
        },
      )
      .check('I/i/s').outcome.verdict
  it('and an insulation that is not clear of the tester; one below the limit fails either way', () => {
    expect([tested('guarded', 1.02), tested('simple', 1.02)]).toEqual(['not-proven', 'conforms'])
    expect([tested('guarded', 0.9), tested('simple', 0.9)]).toEqual(['does-not-conform', 'does-not-conform'])
  })
})
