import { BadInput, fold, inspect, isOpen, sheetId, type Inspection, type Verdict } from '@plumb-mark/core'
import {
  HATCHERY,
  LABORATORY,
  OBSERVATORY,
  asReported,
  jobOfBefore,
  linesOf,
  textOf,
} from './from-before.testing.js'
import { AUDIENCES, PART_IDS, PART_TITLES, USUAL_PARTS, reportOf, type PartId } from './report.js'

const hatchery = jobOfBefore(HATCHERY)
const laboratory = jobOfBefore(LABORATORY)
const observatory = jobOfBefore(OBSERVATORY)
const nothing = inspect(fold([]), new Map())
const part = (inspection: Inspection, id: PartId, more = {}) =>
  textOf(reportOf(asReported(inspection, more), [id]))
/** The lines of a part that stand in its tables. */
const rows = (inspection: Inspection, id: PartId) => part(inspection, id).split('\n')

describe('which parts a report has', () => {
  it('they come in one order, whatever the order in which they were asked for', () => {
    const turned = reportOf(asReported(hatchery), [...PART_IDS].reverse())
    expect(turned.map(({ id }) => id)).toEqual(PART_IDS.filter((id) => turned.some((one) => one.id === id)))
    expect(turned.map(({ title }) => title)).toEqual(turned.map(({ id }) => PART_TITLES[id as PartId]))
  })
  it('one that has nothing to say is left out, and none is made that was not asked for', () => {
    const parts = reportOf(asReported(nothing), PART_IDS).map(({ id }) => id)
    expect(parts).toEqual(expect.arrayContaining(['front', 'summary', 'limits', 'signature']))
    for (const absent of ['array', 'walls', 'strings', 'calculations', 'defects'])
      expect(parts).not.toContain(absent)
    expect(reportOf(asReported(hatchery), [])).toEqual([])
  })
  it.each(AUDIENCES)('for %s the usual parts exist and stand once', (audience) => {
    const parts = USUAL_PARTS[audience]
    expect(new Set(parts).size).toBe(parts.length)
    for (const id of parts) expect(PART_IDS).toContain(id)
  })
  it('the installer is given what is to be reworked, and nothing of who pays or signs', () => {
    expect(USUAL_PARTS.installer).toEqual(['rework'])
  })
  it('many strings turn their page, a few do not', () => {
    const turned = (inspection: Inspection) =>
      reportOf(asReported(inspection), ['strings'])[0]?.turned ?? false
    const many = { ...hatchery, context: { ...hatchery.context, strings: () => Array(9).fill({}) } }
    expect(turned(hatchery)).toBe(false)
    expect(turned(many as unknown as Inspection)).toBe(true)
  })
})

describe('no report shows what is no word', () => {
  const JOBS = { hatchery, laboratory, observatory, nothing }
  const CASES = Object.entries(JOBS).flatMap(([name, job]) =>
    (['metric', 'us'] as const).map((units) => [name, units, job] as const),
  )
  it.each(CASES)('of %s, read in %s', (_name, units, job) => {
    const header = job.state.header && { ...job.state.header, units }
    const read = { ...job, state: { ...job.state, header } }
    const text = textOf(reportOf(asReported(read), PART_IDS))
    expect(text).not.toMatch(/\bNaN\b|\bundefined\b|\bnull\b|\bInfinity\b|\[object/)
  })
})

describe('the first page', () => {
  it.each([
    ['hatchery', hatchery],
    ['laboratory', laboratory],
    ['observatory', observatory],
  ])('of the %s counts every check, and each once', (_name, job) => {
    const text = part(job, 'front')
    expect(text).toContain(`${job.checks.length} checks: `)
    const counts = [
      ...text.matchAll(
        /(\d+) (?:do not conform|does not conform|not proven|not inspected|conform|not applicable)/g,
      ),
    ]
    expect(counts.reduce((sum, [, n]) => sum + Number(n), 0)).toBeGreaterThanOrEqual(job.checks.length)
  })
  it('says the gravest defects first', () => {
    const said = rows(hatchery, 'front').filter((line) => /^(stop|major|minor|note): /.test(line))
    const order = ['stop', 'major', 'minor', 'note']
    const gravity = said.map((line) => order.indexOf(line.split(':')[0]!))
    expect(said.length).toBeGreaterThan(0)
    expect(gravity).toEqual([...gravity].sort((a, b) => a - b))
  })
  it('an unsigned record calls itself a working copy, a signed one names who signed and under which licence', () => {
    expect(part(hatchery, 'front')).toContain('not signed: this is a working copy')
    const { by, body } = laboratory.state.seal!
    expect(part(laboratory, 'front')).toContain(`signed and sealed by ${by.name}, licence ${body.licence}`)
  })
  it('a record that is not what was sealed says so before everything else of its state', () => {
    const text = part(laboratory, 'front', { broken: ['entry 7 was changed'] })
    expect(text).toContain('BROKEN: this record is not what was sealed (entry 7 was changed)')
    expect(text).not.toContain('signed and sealed by')
  })
  it('names what lies outside of the scope, and why', () => {
    const scope = { outside: ['photos' as const], reason: 'the roof is inspected next year' }
    const header = { ...hatchery.state.header!, scope }
    const text = part({ ...hatchery, state: { ...hatchery.state, header } }, 'front')
    expect(text).toContain('Outside the scope of this inspection, and not inspected here')
    expect(text).toContain('Why: the roof is inspected next year')
  })
  it('tells of clocks that were off by more than a moment, and counts them', () => {
    const [first, ...others] = hatchery.state.entered
    const late = { ...first!, said: new Date(Date.parse(first!.at) - 3_600_000).toISOString() }
    const state = { ...hatchery.state, entered: [late, ...others] }
    expect(part({ ...hatchery, state }, 'front')).toContain(
      '1 entry was made on a device whose clock was off',
    )
    expect(part(hatchery, 'front')).not.toContain('clock was off')
  })
})

describe('the page for the customer', () => {
  it.each<[Verdict, string]>([
    ['conforms', 'Everything that was looked at is as its makers ask.'],
    ['does-not-conform', 'Some of it is not as its makers ask, and must be put right.'],
    ['not-proven', 'Nothing was found wrong, but some of it could not be shown to be right.'],
    ['not-inspected', 'It has not all been looked at yet.'],
  ])('says %s in plain words', (verdict, words) => {
    expect(part({ ...hatchery, verdict }, 'summary')).toContain(words)
  })
  it('puts what is dangerous before what is to be put right', () => {
    const [first, ...others] = hatchery.defects
    const defects = [{ ...first!, severity: 'stop' as const }, ...others]
    const text = part({ ...hatchery, defects }, 'summary')
    expect(text.indexOf('Dangerous now')).toBeGreaterThan(0)
    expect(text.indexOf('Dangerous now')).toBeLessThan(text.indexOf('To be put right'))
  })
  it('keeps the cautions also where all conforms', () => {
    expect(part({ ...laboratory, verdict: 'conforms' }, 'summary')).toContain(
      'Modules in daylight are live even when everything is switched off.',
    )
  })
  it('never says that it is signed when it is not', () => {
    expect(part(hatchery, 'summary')).toContain('Nobody has signed this record yet')
  })
})

describe('the checks by stage', () => {
  it.each([
    ['hatchery', hatchery],
    ['observatory', observatory],
  ])('of the %s show each one that fails or is not proven in a row of its own', (_name, job) => {
    const table = rows(job, 'checks')
    for (const verdict of ['does-not-conform', 'not-proven'] as const)
      expect(table.filter((line) => line.includes(` | ${verdict} | `))).toHaveLength(
        job.checks.filter(({ outcome }) => outcome.verdict === verdict).length,
      )
  })
  it('name the clause of the sheet that asks', () => {
    const { check } = hatchery.checks.find(({ outcome }) => outcome.verdict === 'does-not-conform')!
    expect(part(hatchery, 'checks')).toContain(`${check.sheet.model}, ${check.requirement.clause}`)
  })
  it('say of what nobody looked at that it is not inspected, and of nothing else', () => {
    const text = part(laboratory, 'checks')
    const left = laboratory.checks.filter(({ outcome }) => outcome.verdict === 'not-inspected')
    expect(text.includes('not inspected | clause')).toBe(left.length > 0)
  })
})

describe('the defects', () => {
  it('each stands with place, state, remedy, clause and its history in order', () => {
    for (const defect of hatchery.defects) {
      const text = part({ ...hatchery, defects: [defect] }, 'defects')
      expect(text).toContain(`${defect.title}, ${defect.place}`)
      expect(text).toContain(`remedy: ${defect.remedy}`)
      expect(text).toMatch(/clause: .+, clause /)
      expect(text).toContain(`raised by ${defect.raised.by.name}`)
      const reworked = text.indexOf('reworked by')
      if (defect.steps.length > 0) expect(reworked).toBeGreaterThan(text.indexOf('raised by'))
    }
  })
  it('a photo of the rework is after, that of the finding before', () => {
    const reworked = hatchery.defects.find(({ steps }) => steps.some(({ body }) => body.photos?.length))!
    const shown = reportOf(asReported({ ...hatchery, defects: [reworked] }), ['defects'])
      .flatMap(({ blocks }) => blocks)
      .flatMap((block) => (block.kind === 'together' ? block.blocks : [block]))
      .flatMap((block) => (block.kind === 'photos' ? block.photos : []))
    expect(shown.at(-1)).toMatchObject({ label: 'after' })
    expect(shown.map(({ label }) => label)).toEqual([...shown.map(({ label }) => label)].sort().reverse())
  })
  it('to be reworked is what is open or reworked; what is closed is not asked for again', () => {
    const [first, ...others] = hatchery.defects
    const closed = { ...first!, state: 'closed' as const }
    const text = part({ ...hatchery, defects: [closed, ...others] }, 'rework')
    expect(text).not.toContain(`${closed.title}, ${closed.place}`)
    for (const { title, place } of others.filter(isOpen)) expect(text).toContain(`${title}, ${place}`)
  })
  it('where nothing is to be reworked it says so, and gives no code', () => {
    const parts = reportOf(asReported({ ...hatchery, defects: [] }, { reworkAddress: 'https://x.example' }), [
      'rework',
    ])
    expect(parts[0]!.blocks).toEqual([{ kind: 'text', text: 'Nothing is to be reworked.' }])
  })
  it('the installer finds the way to say so as a code, only where there is an address', () => {
    const address = 'https://plumb.example/jobs/1/rework'
    expect(part(hatchery, 'rework', { reworkAddress: address })).toContain(address)
    expect(part(hatchery, 'rework')).not.toContain('Opens the rework')
  })
})

describe('the end', () => {
  it('an unsigned record names what stands in the way of a signature, by kind', () => {
    const text = part(hatchery, 'signature')
    expect(text).toContain('Not signed. What stands in the way:')
    expect(text).toMatch(/checks that are not inspected: \d+/)
    expect(text).toMatch(/failures for which no defect is raised: \d+/)
  })
  it('a signed one carries statement, licence, the end of the chain and the key', () => {
    const { body, by } = laboratory.state.seal!
    const text = part(laboratory, 'signature')
    for (const words of [
      body.statement,
      `${by.name}, licence ${body.licence}`,
      laboratory.state.head!.hash,
      'abcd 0123',
    ])
      expect(text).toContain(words)
  })
  it('one that is broken says so beside its signature too', () => {
    expect(part(laboratory, 'signature', { broken: ['a', 'b'] })).toContain('This record is BROKEN: a; b')
  })
  it('every report that goes to somebody who did not inspect keeps its limits and cautions', () => {
    for (const audience of ['record', 'customer', 'network-operator'] as const)
      expect(USUAL_PARTS[audience]).toContain('limits')
    expect(part(nothing, 'limits')).toContain('a licensed person decide')
  })
})

describe('odd facts', () => {
  const failing = (problem: Error) => {
    const strings = () => {
      throw problem
    }
    return { ...hatchery, context: { ...hatchery.context, strings } } as unknown as Inspection
  }
  it('a part that cannot be made says why in its place, and takes no other with it', () => {
    const odd = failing(new BadInput('wrong-type', 'strings[0]', 'must be a list'))
    const parts = reportOf(asReported(odd), ['strings', 'limits'])
    expect(parts.map(({ id }) => id)).toEqual(['strings', 'limits'])
    expect(parts[0]!.blocks).toEqual([
      {
        kind: 'text',
        as: 'danger',
        text: 'This part cannot be made from what was entered: strings[0] must be a list.',
      },
    ])
  })
  it('a fault of the program is not taken for one', () => {
    expect(() => reportOf(asReported(failing(new TypeError('no'))), ['strings'])).toThrow('no')
  })
  it('a name that a browser would run is text in every drawing', () => {
    const evil = '<script>alert(1)</script>'
    const { asBuilt } = hatchery.state
    const renamed = {
      ...asBuilt,
      units: asBuilt.units.map((unit) => ({ ...unit, label: evil })),
      walls: asBuilt.walls.map((wall) => ({ ...wall, title: evil })),
      network: { ...asBuilt.network, parts: asBuilt.network.parts.map((one) => ({ ...one, label: evil })) },
    }
    const job = inspect({ ...hatchery.state, asBuilt: renamed }, hatchery.sheets)
    const drawn = reportOf(asReported(job), ['walls', 'one-line', 'array'])
      .flatMap(({ blocks }) => blocks)
      .flatMap((block) => (block.kind === 'together' ? block.blocks : [block]))
      .filter((block) => block.kind === 'drawing')
    expect(drawn.length).toBeGreaterThan(1)
    for (const drawing of drawn) expect(linesOf(drawing).at(-1)).not.toContain('<script')
  })
})

describe('in the units of its readers', () => {
  it('a metric clause is followed by inches for those who read so, and the figure of before stays', () => {
    const header = { ...hatchery.state.header!, units: 'us' as const }
    const american = { ...hatchery, state: { ...hatchery.state, header } }
    const [metric, us] = [part(hatchery, 'checks'), part(american, 'checks')]
    expect(metric).toContain('short by 50 mm')
    expect(us).toMatch(/short by 50 mm \([\d. /]+ in\)/)
  })
})

describe('the clauses of the makers’ manuals', () => {
  const failed = hatchery.checks.find(({ outcome }) => outcome.verdict === 'does-not-conform')!.check
  const place = { page: 4, box: [60, 100, 200, 120] }
  const sheet = { ...hatchery.sheets.get(sheetId(failed.sheet))!, manual: { digest: 'a', clippings: 'b' } }
  const job: Inspection = {
    ...hatchery,
    sheets: new Map([...hatchery.sheets, [sheetId(failed.sheet), sheet]]),
    checks: hatchery.checks.map((judged) => ({
      ...judged,
      check: { ...judged.check, requirement: { ...judged.check.requirement, printed: place } },
    })),
  }
  const clipping = { ...place, area: [0, 70, 595, 150], picture: 'data:image/webp;base64,UklGRg==' }
  const clippings = new Map([
    [
      'b',
      { format: 'plumb-mark-clippings' as const, version: 1 as const, manual: 'a', clippings: [clipping] },
    ],
  ])

  it('a cut-out stands once where something is wrong, with sheet, clause and page', () => {
    const [made] = reportOf(asReported(job, { clippings }), ['clauses'])
    const pictures = made!.blocks.flatMap((block) => (block.kind === 'together' ? block.blocks : []))
    expect(pictures.filter(({ kind }) => kind === 'image')).toEqual([
      expect.objectContaining({
        data: clipping.picture,
        wide: true,
        alt: expect.stringMatching(/clause .+, page 4$/),
      }),
    ])
  })
  it('without cut-outs the part is left out, and no report has it unasked', () => {
    expect(reportOf(asReported(job), ['clauses'])).toEqual([])
    expect(reportOf(asReported(job, { clippings: new Map() }), ['clauses'])).toEqual([])
    for (const audience of AUDIENCES) expect(USUAL_PARTS[audience]).not.toContain('clauses')
  })
})

describe('what was said rather than seen', () => {
  const by = (id: string) => ({ id, name: id, role: 'inspector' })
  /** The laboratory, with more written after what stands there. */
  const withMore = (job: Inspection, ...changes: { kind: string; body: object }[]): Inspection => {
    const last = job.state.entered.at(-1)!
    const more = changes.map(({ kind, body }, i) => ({
      ...last,
      id: `more-${i}`,
      seq: last.seq + 1 + i,
      hash: `more-${i}`,
      at: new Date(Date.parse(last.at) + 60_000 * (i + 1)).toISOString(),
      by: by('Ines Fell'),
      kind,
      body,
    }))
    return inspect(fold([...job.state.entered, ...more] as never), job.sheets)
  }
  const open = hatchery.checks.find(
    ({ check, outcome }) => outcome.verdict === 'not-inspected' && check.ask.kind === 'observation',
  )!
  it('stands with its reason and its name, and not among what was inspected', () => {
    const { id: checkId, point } = open.check
    const reason = 'the part is not fitted here'
    const job = withMore(hatchery, { kind: 'not-applicable', body: { checkId, point, reason } })
    expect(part(job, 'stated')).toMatch(/the part is not fitted here[\s\S]*Ines Fell/)
    expect(part(job, 'checks')).toContain('not apply here')
  })
  it('each remark stands with what it is about and its answer; one without is named', () => {
    const job = withMore(
      hatchery,
      {
        kind: 'returned',
        body: {
          remarks: [
            { id: 'a', text: 'Which cover?', checkId: open.check.id },
            { id: 'b', text: 'Show it.' },
          ],
        },
      },
      { kind: 'remark-answered', body: { remarkId: 'a', answer: 'The left one.' } },
    )
    const text = part(job, 'remarks')
    expect(text).toMatch(/Which cover\?[\s\S]*The left one\./)
    expect(text).toContain(open.check.title)
    expect(text).toMatch(/the job[\s\S]*Show it\.[\s\S]*not answered/)
  })
  it('a second reader who has not read what stands there now is named as such', () => {
    const person = { id: 'q', name: 'Ruth Olive', role: 'reviewer' }
    const asked = withMore(hatchery, { kind: 'second-reader-asked', body: { person } })
    expect(part(asked, 'remarks')).toContain('Ruth Olive was asked by Ines Fell')
    expect(part(hatchery, 'remarks')).toBe('')
  })
  it('a defect says by when, for whom, and why it is called otherwise now', () => {
    const defect = hatchery.defects.find(isOpen)!
    const body = {
      defectId: defect.id,
      due: '2026-12-24',
      responsible: 'Roof crew',
      severity: 'minor',
      reason: 'the cover is off until Friday',
    }
    const text = part(withMore(hatchery, { kind: 'defect-amended', body }), 'defects')
    expect(text).toContain('by 2026-12-24, Roof crew')
    expect(text).toContain(
      'amended by Ines Fell: severity minor, due 2026-12-24, for Roof crew (the cover is off until Friday)',
    )
  })
})
