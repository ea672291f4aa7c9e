import { fold, inForce, inspect, type Entry, type Inspection, type JudgedCheck } from '@plumb-mark/core'
import { HATCHERY, OBSERVATORY, asReported, cellText, jobOfBefore, textOf } from './from-before.testing.js'
import type { Block } from './block.js'
import { reportOf, type PartId } from './report.js'

const hatchery = jobOfBefore(HATCHERY)
const observatory = jobOfBefore(OBSERVATORY)

type Table = Extract<Block, { kind: 'table' }>
const tables = (inspection: Inspection, id: PartId): Table[] =>
  reportOf(asReported(inspection), [id])
    .flatMap(({ blocks }) => blocks)
    .flatMap((block) => (block.kind === 'together' ? block.blocks : [block]))
    .filter((block) => block.kind === 'table')
/** The rows of the first table with that column, each by the heads of its columns. */
const rowsUnder = (inspection: Inspection, id: PartId, head: string): Record<string, string>[] => {
  const table = tables(inspection, id).find(({ columns }) => columns.some((one) => one.head === head))
  return (table?.rows ?? []).map((row) =>
    Object.fromEntries(
      row.map((cell, i) => [table!.columns[i]!.head, cellText(cell).replace(/[\u00a0\u202f]/g, ' ')]),
    ),
  )
}
const text = (inspection: Inspection, id: PartId) => textOf(reportOf(asReported(inspection), [id]))
/** The job with its last entries of a kind said otherwise. */
const changed = (job: Inspection, change: (entry: Entry) => Entry | undefined): Inspection =>
  inspect(fold(job.state.entered.flatMap((entry) => change(entry as Entry) ?? [])), job.sheets)
const lastReading = ({ history }: JudgedCheck) => {
  const last = inForce(history)
  return last?.kind === 'reading' ? last.body : undefined
}

it.each([
  ['strings', hatchery],
  ['readings', hatchery],
  ['commissioning', hatchery],
  ['system', hatchery],
  ['checks', observatory],
  ['readings', observatory],
  ['instruments', observatory],
] as const)('each row of “%s” has a cell under every head', (id, job) => {
  const made = tables(job, id)
  expect(made.length).toBeGreaterThan(0)
  for (const { columns, rows } of made) for (const row of rows) expect(row).toHaveLength(columns.length)
})

describe('the strings', () => {
  const rows = rowsUnder(hatchery, 'strings', 'Voc measured')
  it('stand once each, with what was typed, and a dash where nothing follows', () => {
    expect(new Set(rows.map(({ string }) => string)).size).toBe(rows.length)
    const typed = hatchery.checks.flatMap((judged) =>
      judged.check.requirement.kind === 'string-open-circuit' ? (lastReading(judged)?.typed ?? []) : [],
    )
    expect(typed.length).toBeGreaterThan(0)
    for (const one of typed) expect(rows.map((row) => row['Voc measured']).join('|')).toContain(one)
  })
  it('whose insulation was read below the voltage that it asks for says at which', () => {
    for (const { 'insulation, at': at } of rows) expect(at).toMatch(/not read|, \d+ V$/)
  })
  it('without a word of the weather have no expected band', () => {
    const calm = changed(hatchery, (entry) =>
      entry.kind === 'reading' ? { ...entry, body: { ...entry.body, conditions: undefined } } : entry,
    )
    const bare = rowsUnder(calm, 'strings', 'Voc measured')
    expect(bare.map((row) => row['irradiance'])).toEqual(bare.map(() => '–'))
    expect(bare.map((row) => row['cells'])).toEqual(bare.map(() => '–'))
    for (const { verdict } of bare) expect(verdict).not.toBe('conforms')
  })
  it('that nobody read are not read, and no verdict is made up for them', () => {
    const unread = changed(hatchery, (entry) => (entry.kind === 'reading' ? undefined : entry))
    for (const row of rowsUnder(unread, 'strings', 'Voc measured')) {
      expect(row['Voc measured']).toBe('not read')
      expect(row['instruments']).toBe('–')
      expect(row['verdict']).toBe('not-inspected')
    }
  })
})

describe('the AC side', () => {
  const unsized = (what: 'size' | 'length') =>
    changed(hatchery, (entry) =>
      entry.kind === 'conductor-run' ? { ...entry, body: { ...entry.body, [what]: undefined } } : entry,
    )
  it('names each cable by its ends, in the gauge of its readers', () => {
    const cables = rowsUnder(hatchery, 'readings', 'cable')
    expect(cables).toHaveLength(hatchery.context.asBuilt.network.conductors.length)
    for (const { cable, size } of cables) {
      expect(cable).toMatch(/^.+ to .+$/)
      expect(size).toMatch(/mm²$|AWG|not read/)
    }
  })
  it('of a size that its readers have a gauge for are named by it, others stay in mm²', () => {
    const gauged = changed(hatchery, (entry) =>
      entry.kind === 'conductor-run' && entry.body.size === 6
        ? { ...entry, body: { ...entry.body, size: 21.15 } }
        : entry,
    )
    const header = { ...gauged.state.header!, units: 'us' as const }
    const american = { ...gauged, state: { ...gauged.state, header } }
    const sizes = rowsUnder(american, 'readings', 'cable').map(({ size }) => size)
    expect(sizes).toContain('4 AWG')
    expect(sizes).toContain('16 mm²')
  })
  it.each(['size', 'length'] as const)(
    'a %s that nobody read is not read, and what follows from it open',
    (what) => {
      for (const row of rowsUnder(unsized(what), 'readings', 'cable')) {
        expect(row[what]).toBe('not read')
        if (what === 'size') expect(row['may carry']).toBe('–')
        if (what === 'size') expect(row['verdict']).not.toBe('conforms')
      }
    },
  )
})

describe('the instruments', () => {
  const over = changed(hatchery, (entry) => {
    const body = entry.body as { instrument?: { calibratedUntil: string } }
    if (!body.instrument) return entry
    return {
      ...entry,
      body: { ...body, instrument: { ...body.instrument, calibratedUntil: '2020-01-01' } },
    } as Entry
  })
  it('count every reading that is in force, each once', () => {
    const rows = rowsUnder(hatchery, 'instruments', 'instrument')
    const used = hatchery.checks.filter(({ history }) => {
      const last = inForce(history)
      return last && 'instrument' in last.body && last.body.instrument
    })
    expect(rows.reduce((sum, { readings }) => sum + Number(readings), 0)).toBe(used.length)
  })
  it('that were out of calibration say how many readings were taken then', () => {
    const rows = rowsUnder(over, 'instruments', 'instrument')
    for (const { readings, 'in calibration until': until } of rows)
      expect(until).toBe(`2020-01-01: over when ${readings} were taken`)
  })
  it('that state no uncertainty say so, and never that it is nothing', () => {
    const bare = changed(hatchery, (entry) => {
      const body = entry.body as { instrument?: { accuracy: object[] } }
      if (!body.instrument) return entry
      const accuracy = body.instrument.accuracy.map((one) => ({ ...one, percent: 0, plus: 0 }))
      return { ...entry, body: { ...body, instrument: { ...body.instrument, accuracy } } } as Entry
    })
    const rows = rowsUnder(bare, 'instruments', 'instrument')
    expect(rows.length).toBeGreaterThan(0)
    for (const { 'uncertainty, k = 2': width } of rows) {
      expect(width).toContain('uncertainty not stated')
      expect(width).not.toMatch(/± 0(?:\D|$)/)
    }
  })
  it('of a job without readings say that there were none', () => {
    const unread = changed(hatchery, (entry) =>
      ['reading', 'record', 'wall-measured'].includes(entry.kind) ? undefined : entry,
    )
    expect(text(unread, 'instruments')).toContain('No reading in force was taken with an instrument.')
  })
})

describe('the units', () => {
  it('each stand with what was ordered and what was found, and the sheet that judged them', () => {
    const rows = rowsUnder(hatchery, 'system', 'serial found')
    expect(rows.map(({ unit }) => unit)).toEqual(hatchery.state.asBuilt.units.map(({ label }) => label))
    for (const { 'sheet and its source': sheet } of rows) expect(sheet).toMatch(/, revision \w+/)
  })
  it('of which nobody read the plate are not read, whatever was ordered', () => {
    const unread = changed(hatchery, (entry) =>
      entry.kind === 'record' || entry.kind === 'observation' ? undefined : entry,
    )
    const inverters = rowsUnder(unread, 'system', 'serial found').filter(({ unit }) =>
      /^Inverter/.test(unit!),
    )
    expect(inverters.map((row) => row['serial found'])).toEqual(['not read', 'not read'])
    for (const row of inverters) expect(row['serial ordered']).toMatch(/^AH8T/)
  })
  it('whose sheet is not here are named by its id, and take nothing else with them', () => {
    const without = inspect(hatchery.state, new Map())
    for (const { unit, 'sheet and its source': sheet } of rowsUnder(without, 'system', 'serial found'))
      expect([unit, sheet]).toEqual([
        unit,
        hatchery.state.asBuilt.units.find(({ label }) => label === unit)!.sheetId,
      ])
  })
})

describe('calculations that were kept', () => {
  const kept = (calculator: string, input: object) =>
    jobOfBefore(HATCHERY, {
      kind: 'calculation-kept',
      body: { calculator, title: 'How far may it go?', input, note: 'asked by the owner' },
    })
  it('are worked out again, with their arithmetic and what was noted beside them', () => {
    const job = kept('decision', { value: 10, min: 2, max: 12 })
    const said = text(job, 'calculations')
    expect(said).toContain('How far may it go?')
    expect(said).toContain('asked by the owner')
    expect(rowsUnder(job, 'calculations', 'verdict').at(-1)!['verdict']).toBe('conforms')
  })
  it('that this program does not take any more say so, and have no verdict', () => {
    const job = kept('decision', { value: 'ten' })
    const last = rowsUnder(job, 'calculations', 'verdict').at(-1)!
    expect(last['arithmetic and notes']).toContain('cannot be worked out again')
    expect(last['verdict']).toBe('')
  })
})

it('people stand once each, with their first and their last entry in the time of the site', () => {
  const rows = rowsUnder(hatchery, 'people', 'person')
  const { entered } = hatchery.state
  expect(rows.reduce((sum, { entries }) => sum + Number(entries), 0)).toBe(entered.length)
  expect(new Set(rows.map(({ person }) => person)).size).toBe(rows.length)
  const header = { ...hatchery.state.header!, timeZone: 'Pacific/Auckland' }
  const far = { ...hatchery, state: { ...hatchery.state, header } }
  expect(rowsUnder(far, 'people', 'person')[0]!['first']).not.toBe(rows[0]!['first'])
})

it('an array of more places than a page can tell apart is said in words, not drawn', () => {
  const [plane] = hatchery.context.asBuilt.array.planes
  const wide = { ...plane!, rows: 80, columns: 80 }
  const { asBuilt } = hatchery.state
  const job = inspect(
    { ...hatchery.state, asBuilt: { ...asBuilt, array: { ...asBuilt.array, planes: [wide] } } },
    hatchery.sheets,
  )
  expect(text(job, 'array')).toMatch(/has \d+ places: too many to be drawn on a page/)
})
