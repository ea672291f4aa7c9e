import { readFileSync, readdirSync } from 'node:fs'
import {
  KINDS,
  fold,
  inspect,
  isLeft,
  normaliseLabel,
  readSheet,
  sheetDifferences,
  differenceWords,
  sheetId,
  type Entry,
  type Requirement,
  type Sheet,
} from '@plumb-mark/core'
import { readSheetText } from './sheet-file.js'

const FOLDER = 'samples/sheets'
const files = readdirSync(FOLDER).map((name) => ({ name, text: readFileSync(`${FOLDER}/${name}`, 'utf8') }))

function sheetOf(text: string): Sheet {
  const read = readSheetText(text)
  if (!read.ok) throw new Error(read.faults[0].message)
  return read.sheet
}
const sheets = files.map(({ text }) => sheetOf(text))
const all = sheets.flatMap(({ requirements }) => requirements)
const ofKind = <K extends Requirement['kind']>(kind: K) =>
  all.filter((one): one is Extract<Requirement, { kind: K }> => one.kind === kind)

describe.each(files)('$name', ({ name: file, text }) => {
  it('is a sheet of the format without a field that is passed over, called by its maker, model and revision', () => {
    const read = readSheetText(text)
    expect(read).toMatchObject({ ok: true, passedOver: [] })
    expect(`${sheetId(sheetOf(text))}.yaml`).toBe(file)
  })
  it('says the same as JSON', () => expect(sheetOf(JSON.stringify(sheetOf(text)))).toEqual(sheetOf(text)))
  it('is refused by name without any field of its head', () => {
    for (const field of ['maker', 'model', 'kind', 'title', 'revision', 'date', 'source', 'requirements']) {
      const rest = Object.fromEntries(Object.entries(sheetOf(text)).filter(([name]) => name !== field))
      expect(() => readSheet(rest)).toThrow(expect.objectContaining({ code: 'missing', path: field }))
    }
  })
  it('asks in whole words, and clears nothing that nobody looked at', () => {
    const sheet = sheetOf(text)
    const entry = (kind: string, body: object, seq: number) =>
      ({
        id: `e${seq}`,
        jobId: 'j',
        kind,
        body,
        at: '2026-06-01T08:00:00Z',
        by: { id: 'p', name: 'P', role: 'inspector' },
        seq,
        prev: '',
        hash: '',
      }) as Entry
    const opened = entry(
      'job-opened',
      {
        number: '1',
        title: 'T',
        site: 'S',
        customer: 'C',
        school: 'iec',
        units: 'metric',
        rule: 'guarded',
        sheets: [],
      },
      1,
    )
    const { checks } = inspect(
      fold([opened, entry('unit-fitted', { id: 'u', label: 'Unit', sheetId: sheetId(sheet) }, 2)]),
      new Map([[sheetId(sheet), sheet]]),
    )
    for (const judged of checks) {
      const { check, outcome } = judged
      const said = [
        check.title,
        check.required,
        'finding' in outcome ? outcome.finding : '',
        ...('working' in outcome ? outcome.working : []),
      ].join(' | ')
      expect(said).not.toMatch(/undefined|NaN|Infinity|\[object/)
      expect(check.title).not.toBe('')
      if (outcome.verdict === 'conforms') expect(check.ask.kind).toBe('derived')
      if (check.ask.kind !== 'derived')
        expect([check.id, isLeft(judged) || outcome.verdict === 'not-applicable']).toEqual([check.id, true])
    }
  })
})

it('every kind of requirement stands in one of the sheets, but what the kind of unit itself brings', () =>
  expect(Object.keys(KINDS).filter((kind) => !all.some((one) => one.kind === kind))).toEqual(['presence']))

it('the sheets cover what is fitted: inverters large and small, electronics, batteries, meters, gateway, controller, modules', () => {
  expect(sheets.length).toBeGreaterThanOrEqual(12)
  expect(new Set(sheets.map(({ kind }) => kind))).toEqual(
    new Set([
      'hybrid-inverter',
      'string-inverter',
      'small-inverter',
      'module-electronics',
      'battery',
      'meter',
      'gateway',
      'controller',
      'module',
      'dc-isolator',
      'installation',
    ]),
  )
})

describe('where practitioners differ the sheets differ too', () => {
  it.each<[string, () => unknown[], unknown[]]>([
    [
      'the gap between two neighbours',
      () => ofKind('clearance').flatMap(({ neighbour }) => neighbour?.rule ?? []),
      ['larger', 'sum', 'stated'],
    ],
    [
      'the corner of the envelope',
      () => ofKind('clearance').map(({ reach }) => reach),
      ['straight', 'envelope'],
    ],
    [
      'what the arrow means',
      () => ofKind('arrow-convention').map(({ means }) => means),
      ['to-grid', 'to-loads', 'with-flow', 'letters'],
    ],
    [
      'how a terminal holds',
      () => sheets.flatMap(({ terminals }) => terminals.map(({ clamp }) => clamp)),
      ['torque', 'spring', 'quarter-turn', 'crimp', 'click'],
    ],
    [
      'the means of bonding',
      () => ofKind('bonding').flatMap(({ means }) => means),
      ['washer', 'plate', 'lug', 'copper', 'supply-cable'],
    ],
    ['the shield of a bus', () => ofKind('bus').flatMap(({ shield }) => shield), ['one-end', 'both-ends']],
    [
      'mixed modules on a string',
      () => ofKind('string-limits').map(({ mixedModules }) => mixedModules),
      [true, false],
    ],
  ])('%s', (_question, found, schools) =>
    expect([...new Set(found())]).toEqual(expect.arrayContaining(schools)),
  )
  it('the first step of powering up', () => {
    const first = ofKind('ordered-steps').flatMap(({ stage, steps }) =>
      stage === 'power-up' ? [steps[0]!.id] : [],
    )
    expect(new Set(first).size).toBeGreaterThanOrEqual(4)
  })
  it('the units that they are written in', () => {
    const text = files.map((file) => file.text).join('\n')
    for (const unit of [' mm', ' in ', 'N·m', 'in·lb', ' kg', ' lb', 'mm²', 'AWG'])
      expect(text).toContain(unit)
  })
})

it('the two revisions of one inverter differ as a reader would say it', () => {
  const revision = (letter: string) =>
    sheets.find(
      ({ model, revision: of }) => normaliseLabel(model) === normaliseLabel('AH-8T') && of === letter,
    )!
  const words = sheetDifferences(revision('C'), revision('D')).map(differenceWords)
  expect(words.length).toBeGreaterThan(0)
  for (const one of words) expect(one).toMatch(/clause|revision|date|source|added|no longer|→/)
})
