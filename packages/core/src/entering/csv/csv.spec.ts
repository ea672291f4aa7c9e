import Papa from 'papaparse'
import { DRIVER, METER, SampleJob } from '../../admission/sample-job.testing.js'
import { defectsIn, defectsOut } from './defects.js'
import { JOB_COLUMNS, jobsIn } from './jobs.js'
import { instrumentsIn, instrumentsOut } from './instruments.js'
import { peopleIn, peopleOut } from './people.js'
import { readingsIn, readingsOut } from './readings.js'
import { TRIP_COLUMNS, tripsIn } from './trips.js'
import { csvText, guessColumns, type CsvTable } from './table.js'

const parsed = (text: string) => {
  const { data, meta } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' })
  return { rows: data, headers: meta.fields ?? [] }
}
/** A table that left and was opened again. */
const opened = (table: CsvTable) => {
  const { rows, headers } = parsed(csvText(table))
  return [rows, guessColumns(headers, table.columns)] as const
}
const job = () => SampleJob.opened().torque('2.5 N·m', 2.5)
const instruments = [DRIVER, METER]
const decimal = 'point' as const

it('readings that left come in again as they were', () => {
  const { inspection } = job()
  const read = readingsIn(...opened(readingsOut(inspection)), { inspection, instruments, decimal })
  expect(read).toMatchObject({
    ok: true,
    values: [{ point: 'u/torque/a', typed: '2.5 N·m', value: 2.5, instrument: DRIVER }],
  })
})

it('every row is looked at, and when one does not fit nothing is taken', () => {
  const { inspection } = job()
  const rows = [
    { point: 'u/torque/a', reading: '2.2' },
    { point: 'u/torque/a', reading: '2.3' },
    { point: 'nowhere', reading: '2.2' },
    { point: 'u/torque/a', reading: 'firm' },
    { point: '', reading: '2.2' },
    { point: 'u/torque/a', reading: '2.2', instrument: 'none' },
  ]
  const mapping = guessColumns(['point', 'reading', 'instrument'], readingsOut(inspection).columns)
  const read = readingsIn(rows, mapping, { inspection, instruments, decimal })
  expect(read).toMatchObject({ ok: false })
  expect(!read.ok && read.faults.map(({ row, column }) => [row, column])).toEqual([
    [3, 'point'],
    [4, 'point'],
    [5, 'point'],
    [6, 'point'],
    [7, 'point'],
  ])
  expect(readingsIn([], mapping, { inspection, instruments, decimal })).toMatchObject({ ok: false })
})

it('defects leave with what was found, and come in on the checks that they name', () => {
  const { inspection } = SampleJob.opened().torque('9 N·m', 9)
  const failed = inspection.checks.find(({ outcome }) => outcome.verdict === 'does-not-conform')!
  const rows = [{ 'check id': failed.check.id }, { 'check id': failed.check.id, severity: 'odd' }]
  const mapping = guessColumns(['check id', 'severity'], defectsOut(inspection).columns)
  let n = 0
  const newId = () => `d${n++}`
  expect(defectsIn(rows.slice(0, 1), mapping, { inspection, newId })).toMatchObject({
    ok: true,
    values: [{ defectId: 'd0', checkId: failed.check.id, finding: expect.stringContaining('N·m') as string }],
  })
  expect(defectsIn(rows, mapping, { inspection, newId })).toMatchObject({
    ok: false,
    faults: [{ row: 3, column: 'severity' }],
  })
})

it('instruments and people leave and come in again; a known serial keeps its id, a known address is told', () => {
  const again = instrumentsIn(...opened(instrumentsOut(instruments)), { known: [DRIVER], newId: () => 'new' })
  expect(again).toEqual({ ok: true, values: [DRIVER, { ...METER, id: 'new' }] })
  const people = [{ name: 'Una', email: 'una@plumb.example', role: 'installer' as const, licence: 'L-7' }]
  expect(peopleIn(...opened(peopleOut(people)), { known: [] })).toEqual({ ok: true, values: people })
  expect(peopleIn(...opened(peopleOut(people)), { known: ['UNA@plumb.example'] })).toMatchObject({
    ok: false,
    faults: [{ row: 2, column: 'e-mail' }],
  })
})

it.each(['=1+1', '@SUM(A1)', '+cmd|x', '-2+3', '\t=1'])(
  'a cell that would run as a formula (%s) leaves as text and comes back as it was',
  (name) => {
    const people = [{ name, email: 'una@plumb.example', role: 'installer' as const }]
    const text = csvText(peopleOut(people))
    expect(text).toContain(`'${name}`)
    expect(peopleIn(...opened(peopleOut(people)), { known: [] })).toMatchObject({
      ok: true,
      values: [{ name: name.trim() }],
    })
  },
)

it('figures with a sign stay figures, and quotes, commas and line ends survive', () => {
  const table = {
    columns: [{ key: 'a', header: 'a' }],
    rows: [{ a: '-40.3' }, { a: 'say "no", twice\r\nat least' }],
  }
  expect(csvText(table)).toBe('a\r\n-40.3\r\n"say ""no"", twice\r\nat least"\r\n')
  expect(parsed(csvText(table)).rows).toEqual(table.rows)
})

describe('the file of a unit’s self-test', () => {
  const row = {
    label: 'undervoltage stage 1',
    dimension: 'voltage',
    threshold: 'uv-at',
    time: 'uv-in',
  } as const
  const form = {
    form: 'fields',
    trips: [
      { id: 'uv', ...row },
      { id: 'of', label: 'overfrequency', dimension: 'frequency', threshold: 'of-at', time: 'of-in' },
    ],
    fields: ['uv-at', 'uv-in', 'of-at', 'of-in'].map((id) => ({ id, label: id, required: '' })),
  } as const
  const read = (text: string, as: 'point' | 'comma' = 'point') => {
    const { rows, headers } = parsed(text)
    return tripsIn(rows, guessColumns(headers, TRIP_COLUMNS), form, as)
  }

  it('fills the rows that it names, bare figures in volts, hertz and seconds', () => {
    expect(read('test,threshold,time\nUndervoltage Stage-1,184.5,1.42\nof,51.5 Hz,120 ms\n')).toEqual({
      ok: true,
      values: [
        { 'uv-at': { typed: '184.5 V', value: 184.5 }, 'uv-in': { typed: '1.42 s', value: 1.42 } },
        { 'of-at': { typed: '51.5 Hz', value: 51.5 }, 'of-in': { typed: '120 ms', value: 0.12 } },
      ],
    })
  })

  it('leaves an empty cell as not read', () => {
    expect(read('test,threshold,time\nuv,184.5,\n')).toMatchObject({
      values: [{ 'uv-at': { value: 184.5 } }],
    })
  })

  it.each([
    ['a test that nobody asks for', 'islanding,1,1', 'test'],
    ['a test that stands twice', 'uv,184,1\nuv,185,1', 'test'],
    ['a bound where a figure is needed', 'uv,< 184,1', 'threshold, V or Hz'],
    ['another dimension', 'of,51.5 V,1', 'threshold, V or Hz'],
    ['no test', ',184,1', 'test'],
  ])('takes nothing with %s, and says where', (_what, line, column) => {
    const answer = read(
      `test,"threshold, V or Hz",time\nof,51.5,0.1\n${line}`.replace('of,51.5,0.1\nof', 'of'),
    )
    expect(answer).toMatchObject({ ok: false, faults: [{ column }] })
  })
})

describe('jobs of a spreadsheet', () => {
  const known = {
    sheets: [{ id: 'nobody-n-5-b', maker: 'Nobody', model: 'N-5' }],
    people: [
      { id: 'p', name: 'Ottilie Marsh', role: 'inspector' as const },
      { id: 'q', name: 'Bo Twin', role: 'inspector' as const },
      { id: 'r', name: 'Bo Twin', role: 'installer' as const },
    ],
  }
  const read = (...rows: Record<string, string>[]) =>
    jobsIn(
      rows.map((row) => ({ number: 'PM-1', title: 'Barn', site: 'Mill Lane', customer: 'Nobody', ...row })),
      guessColumns(
        JOB_COLUMNS.map(({ header }) => header),
        JOB_COLUMNS,
      ),
      known,
    )
  it('say what is fitted, who is assigned, by when, and by which rules', () => {
    expect(
      read({ units: '2 × nobody n-5;', people: 'ottilie marsh', due: '2026-12-04', rules: 'NEC' }),
    ).toMatchObject({
      ok: true,
      values: [
        {
          number: 'PM-1',
          school: 'nec',
          units: [{ sheetId: 'nobody-n-5-b', label: 'N-5', count: 2 }],
          people: [{ id: 'p' }],
          due: '2026-12-04',
        },
      ],
    })
    expect(read({})).toMatchObject({ ok: true, values: [{ school: 'iec', units: [], people: [] }] })
  })
  it.each([
    ['number', {}, 'stands twice in this file'],
    ['units', { number: 'PM-2', units: 'Somebody N-5' }, 'no sheet here is called “Somebody N-5”'],
    ['units', { number: 'PM-2', units: '21 x Nobody N-5' }, 'no sheet here is called “21 x Nobody N-5”'],
    ['people', { number: 'PM-2', people: 'Ottilie' }, 'nobody here is called “Ottilie”'],
    [
      'people',
      { number: 'PM-2', people: 'Bo Twin' },
      'more than one here is called “Bo Twin”: assign them in the job',
    ],
    ['due', { number: 'PM-2', due: '4.12.2026' }, 'must be a day, as 2026-06-01'],
    ['due', { number: 'PM-2', due: '2026-02-30' }, 'must be a day, as 2026-06-01'],
    ['rules', { number: 'PM-2', rules: 'house' }, 'must be one of IEC, NEC'],
    ['title', { number: 'PM-2', title: ' ' }, 'is missing'],
  ])('with a fault in %s none of them is taken', (column, row, reason) =>
    expect(read({}, row)).toEqual({ ok: false, faults: [{ row: 3, column, reason }] }),
  )
})
