import { v7 as uuid } from 'uuid'
import { readSheetText, validate, validateEntry, SignInDto } from './index.js'

const entry = (kind: string, body: object) =>
  validateEntry({ id: uuid(), kind, at: '2026-11-09T10:00:00Z', body })
const photo = { id: uuid(), sha256: 'a'.repeat(64) }
const corners = [
  [0, 0],
  [900, 0],
  [900, 600],
  [0, 600],
].map(([px, py]) => ({ px, py }))
const alignedSide = { photo, width: 1200, height: 900, places: corners }
const driver = {
  id: 'd',
  name: 'D',
  kind: 'torque-driver',
  serial: '1',
  calibratedUntil: '2027-01-01',
  accuracy: [{ dimension: 'torque', percent: 4, plus: 0 }],
}
const place = { wallId: 'w', x: 0, y: 0, w: 100, h: 100 }
const obstruction = { id: 'o', label: 'O', class: 'pipe', x: 0, y: 0, w: 10, h: 10 }
const module = { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 60, bypassDiodes: 3 }
const header = {
  number: '1',
  title: 'T',
  site: 'S',
  customer: 'C',
  school: 'iec',
  units: 'metric',
  rule: 'guarded',
  sheets: [],
}
const drawing = `data:image/png;base64,${'A'.repeat(60)}`

/** For every kind of entry: a body that fits, a spoilt copy, and the place of the fault. */
const BODIES: [string, Record<string, unknown>, Record<string, unknown>, string][] = [
  ['job-opened', header, { ...header, school: 'other' }, 'body.school'],
  [
    'shared',
    { person: { id: 'p', name: 'P', role: 'installer' } },
    { person: { id: 'p', name: 'P', role: 'king' } },
    'body.person.role',
  ],
  ['unshared', { personId: 'p' }, { personId: 7 }, 'body.personId'],
  [
    'unit-fitted',
    { id: 'u', label: 'U', sheetId: 's', place },
    { id: 'u', label: 'U', sheetId: 's', place: { ...place, w: 0 } },
    'body.place.w',
  ],
  ['unit-removed', { unitId: 'u' }, { unitId: 7 }, 'body.unitId'],
  [
    'wall-measured',
    { id: 'w', title: 'W', leftCorner: true, rightCorner: false, uncertainty: 2 },
    { id: 'w', title: 'W', leftCorner: 'yes', rightCorner: false, uncertainty: 2 },
    'body.leftCorner',
  ],
  [
    'obstruction-measured',
    { wallId: 'w', obstruction },
    { wallId: 'w', obstruction: { ...obstruction, x: 'left' } },
    'body.obstruction.x',
  ],
  ['obstruction-removed', { wallId: 'w', obstructionId: 'o' }, { wallId: 'w' }, 'body.obstructionId'],
  [
    'string-built',
    { id: 's', label: 'S', unitId: 'u', input: 'PV1', module, count: 12 },
    { id: 's', label: 'S', unitId: 'u', input: 'PV1', module: { ...module, vocTempCoeff: 0.3 }, count: 12 },
    'body.module.vocTempCoeff',
  ],
  [
    'reading',
    {
      point: 'p',
      typed: '2',
      value: 2,
      unit: 'N·m',
      relation: '=',
      instrument: driver,
      conditions: { irradiance: 600 },
      photos: [photo],
    },
    {
      point: 'p',
      typed: '2',
      value: 2,
      unit: 'N·m',
      relation: '=',
      instrument: { ...driver, accuracy: [{ dimension: 'charm', percent: 4, plus: 0 }] },
    },
    'body.instrument.accuracy[0].dimension',
  ],
  ['observation', { point: 'p', seen: true }, { point: 'p', seen: 'true' }, 'body.seen'],
  [
    'evidence-struck',
    { entryId: uuid(), reason: 'mistyped' },
    { entryId: uuid(), reason: '' },
    'body.reason',
  ],
  [
    'defect-raised',
    { defectId: uuid(), checkId: 'c', severity: 'major', title: 'T', place: 'P', finding: 'F', remedy: 'R' },
    { defectId: uuid(), checkId: 'c', severity: 'grave', title: 'T', place: 'P', finding: 'F', remedy: 'R' },
    'body.severity',
  ],
  [
    'defect-step',
    { defectId: uuid(), step: 'reworked', note: 'done', photos: [photo] },
    { defectId: uuid(), step: 'reworked', note: 'done', photos: [{ ...photo, sha256: 'short' }] },
    'body.photos[0].sha256',
  ],
  [
    'calculation-kept',
    { calculator: 'reserve', title: 'R', input: { a: 1 } },
    { calculator: 'reserve', title: 'R', input: 'none' },
    'body.input',
  ],
  [
    'photos-aligned',
    { before: alignedSide, after: alignedSide },
    { before: alignedSide, after: { ...alignedSide, places: alignedSide.places.slice(1) } },
    'body.after.places',
  ],
  [
    'signed',
    { licence: 'L', statement: 'S', drawing, sealedHead: 'a'.repeat(64) },
    { licence: 'L', statement: 'S', drawing: 'javascript:alert(1)', sealedHead: 'a'.repeat(64) },
    'body.drawing',
  ],
]

it.each(BODIES)(
  'an entry of kind %s is taken when it fits and refused at its place when it does not',
  (kind, good, bad, path) => {
    const taken = entry(kind, good)
    expect(taken).toMatchObject({ ok: true, value: { kind, body: good } })
    expect(entry(kind, bad)).toMatchObject({ ok: false, error: { code: 'invalid', path } })
    expect(entry(kind, { ...good, surprise: 1 })).toMatchObject({
      ok: false,
      error: { path: 'body.surprise' },
    })
  },
)

it.each([
  [{ id: 'x' }, 'id'],
  [{ kind: 'x' }, 'kind'],
  [{ at: 'today' }, 'at'],
  [{ body: 7 }, 'body'],
])('an entry with %j is refused at %s', (wrong, path) => {
  expect(
    validateEntry({
      id: uuid(),
      kind: 'unit-removed',
      at: '2026-11-09T10:00:00Z',
      body: { unitId: 'u' },
      ...wrong,
    }),
  ).toMatchObject({ ok: false, error: { path } })
})

it('a form hears in plain words what is wrong', () => {
  expect(validate(SignInDto, { email: 'nobody', password: 'x' })).toEqual({
    ok: false,
    error: { code: 'invalid', message: 'must be an e-mail address', path: 'email' },
  })
  expect(validate(SignInDto, [])).toMatchObject({ ok: false, error: { message: 'must be an object' } })
})

describe('a sheet file', () => {
  const sheet = (requirements: string) =>
    `format: plumb-mark-sheet\nversion: 1\nmaker: A\nmodel: B\nkind: meter\ntitle: T\nrevision: "1"\ndate: 2026-01-01\nsource: S\nrequirements:\n${requirements}`
  const good =
    '  - { id: a, kind: observation, stage: ac, clause: "1", title: T, severity: minor, remedy: R, question: Q }\n'

  it('is read as YAML, and as JSON, which is YAML too', () => {
    const read = readSheetText(sheet(good))
    expect(read).toMatchObject({
      ok: true,
      sheet: { maker: 'A', requirements: [{ id: 'a', kind: 'observation' }] },
    })
    expect(readSheetText(JSON.stringify(read.ok && read.sheet))).toEqual(read)
  })
  it('read twice says the same, to each reader by a copy of their own', () => {
    const [one, other] = [readSheetText(sheet(good)), readSheetText(sheet(good))]
    expect(other).toEqual(one)
    if (one.ok) one.sheet.title = 'written over'
    expect(readSheetText(sheet(good))).toEqual(other)
  })
  it('that is no YAML names the line', () =>
    expect(readSheetText('maker: "open')).toMatchObject({
      ok: false,
      faults: [{ code: 'not-yaml', line: 1 }],
    }))
  it('with a fault names the line, the path and the reason', () => {
    const bad =
      '  - id: b\n    kind: limits\n    stage: ac\n    clause: "1"\n    title: T\n    severity: minor\n    remedy: R\n    dimension: torque\n    min: 12\n'
    expect(readSheetText(sheet(good + bad))).toMatchObject({
      ok: false,
      faults: [{ code: 'wrong-type', path: 'requirements[1].min', line: 20 }],
    })
  })
  it('with a misspelt field reads, and says which was passed over and where', () =>
    expect(
      readSheetText(sheet(good.replace('question: Q', 'question: Q, wen: { outdoors: true }'))),
    ).toMatchObject({
      ok: true,
      passedOver: [{ code: 'unknown-field', path: 'requirements[0].wen', line: 11 }],
    }))
  it('that lacks a field points at what it lacks it in', () =>
    expect(readSheetText(sheet('  - { id: a, kind: observation }\n'))).toMatchObject({
      ok: false,
      faults: [{ code: 'missing', path: 'requirements[0].stage', line: 11 }],
    }))
})
