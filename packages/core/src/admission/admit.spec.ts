import { photoSide } from './random-job.testing.js'
import type { EntryBodies, EntryKind } from '../job/entries/registry.js'
import { SIGNATURE, SampleJob } from './sample-job.testing.js'

const plane = {
  id: 'p',
  label: 'P',
  unitId: 'u',
  rows: 1,
  columns: 2,
  orientation: 'portrait' as const,
  gap: 20,
  empty: [],
}
const device = { id: 'd', unitId: 'u', at: 'p.r1c1', feeds: ['p.r1c1'], idlePorts: 0, cappedPorts: 0 }
const cable = {
  id: 'c',
  from: 'grid',
  to: 'board',
  phases: 3 as const,
  voltage: 400,
  size: 6,
  length: 5,
  insulation: 'pvc' as const,
  method: 'C' as const,
  ambient: 30,
  grouped: 1,
}
const module = { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 60, bypassDiodes: 3 }
const gap = { id: 'g', from: 'u', to: 'left-corner', axis: 'across' as const, value: 300, typed: '300 mm' }
const pinned = { id: 'nobody-box-2', maker: 'Nobody', model: 'Box', revision: '2', fingerprint: 'f' }

/** A job on which something of every kind is built. */
const built = () =>
  SampleJob.opened()
    .write('inspector', 'plane-built', plane)
    .write('inspector', 'devices-fitted', { devices: [device] })
    .write('inspector', 'string-built', { id: 's', label: 'S', unitId: 'u', input: 'PV1', module, count: 2 })
    .write('inspector', 'earth-part-found', { id: 'frame', label: 'F', kind: 'frame' })
    .write('inspector', 'earth-part-found', { id: 'met', label: 'M', kind: 'main-terminal' })
    .write('inspector', 'part-placed', { id: 'grid', label: 'G', kind: 'grid', source: 63 })
    .write('inspector', 'part-placed', { id: 'board', label: 'B', kind: 'board' })

type Case = { [K in EntryKind]: [what: string, kind: K, body: EntryBodies[K], code: string] }[EntryKind]

it.each<Case>([
  [
    'a unit on a wall that is not there',
    'unit-fitted',
    { id: 'v', label: 'V', sheetId: 'nobody-box-1', place: { wallId: 'x', x: 0, y: 0, w: 1, h: 1 } },
    'unknown-wall',
  ],
  ['sharing taken back from somebody who does not see it', 'unshared', { personId: 'x' }, 'not-shared'],
  ['a unit taken away that is not there', 'unit-removed', { unitId: 'x' }, 'unknown-unit'],
  ['a gap on another wall', 'gap-measured', { wallId: 'x', gap }, 'unknown-wall'],
  [
    'an obstruction on another wall',
    'obstruction-measured',
    { wallId: 'x', obstruction: { id: 'o', label: 'O', class: 'pipe', x: 0, y: 0, w: 1, h: 1 } },
    'unknown-wall',
  ],
  ['a plane of modules that nobody fitted', 'plane-built', { ...plane, unitId: 'x' }, 'unknown-unit'],
  ['a plane taken away that is not there', 'plane-removed', { planeId: 'x' }, 'unknown-plane'],
  [
    'a box on a plane that is not there',
    'devices-fitted',
    { devices: [{ ...device, at: 'x.r1c1' }] },
    'unknown-place',
  ],
  [
    'a box of a unit that is not there',
    'devices-fitted',
    { devices: [device, { ...device, id: 'e', unitId: 'x' }] },
    'unknown-unit',
  ],
  [
    'a branch of a unit that is not there',
    'branch-built',
    { id: 'b', label: 'B', unitId: 'x', phases: 1, voltage: 230, breaker: 16, devices: ['d'] },
    'unknown-unit',
  ],
  ['serials heard by nobody', 'serials-reported', { unitId: 'x', serials: [] }, 'unknown-unit'],
  [
    'a string into nothing',
    'string-built',
    { id: 't', label: 'T', unitId: 'x', input: 'PV1', module, count: 2 },
    'unknown-unit',
  ],
  ['a bond to nothing', 'bond-made', { id: 'b', from: 'frame', to: 'x', means: 'lug' }, 'unknown-part'],
  ['a bond of a part to itself', 'bond-made', { id: 'b', from: 'met', to: 'met', means: 'lug' }, 'to-itself'],
  ['a cable from nothing', 'conductor-run', { ...cable, from: 'x' }, 'unknown-part'],
  ['a cable that ends where it begins', 'conductor-run', { ...cable, to: 'grid' }, 'to-itself'],
  [
    'a sheet in place of one that is not pinned',
    'sheet-adopted',
    { sheet: pinned, replaces: 'other' },
    'unknown-sheet',
  ],
  [
    'a sheet of another model in its place',
    'sheet-adopted',
    { sheet: { ...pinned, model: 'Case' }, replaces: 'nobody-box-1' },
    'other-model',
  ],
  [
    'an answer where a reading is asked',
    'record',
    { point: 'u/torque/a', answer: { agreed: true } },
    'unknown-point',
  ],
  ['a yes where nothing is asked', 'observation', { point: 'u/torque/a', seen: true }, 'unknown-point'],
  [
    'a reading struck out that was never made',
    'evidence-struck',
    { entryId: 'x', reason: 'mistyped' },
    'unknown-entry',
  ],
  [
    'a defect of a check that is not there',
    'defect-raised',
    { defectId: 'd', checkId: 'x', severity: 'major', title: 'T', place: 'P', finding: 'F', remedy: 'R' },
    'unknown-check',
  ],
  [
    'a step of a defect that is not there',
    'defect-step',
    { defectId: 'x', step: 'reworked', note: 'n' },
    'unknown-defect',
  ],
  [
    'a calculation that cannot be worked out again',
    'calculation-kept',
    { calculator: 'reserve', title: 'R', input: { capacityKwh: -1 } },
    'not-computable',
  ],
  [
    'two photos laid on each other by places in a line',
    'photos-aligned',
    { before: photoSide(), after: { ...photoSide(), places: [1, 2, 3, 4].map((n) => ({ px: n, py: n })) } },
    'places-differ',
  ],
] as Case[])('%s is refused', (_what, kind, body, code) => {
  const answer = built().admits('inspector', kind, body as never)
  expect(answer).toMatchObject({ ok: false, code })
  expect((answer as { message: string }).message).not.toBe('')
})

it.each<[string, EntryKind, object]>([
  ['a bond between two parts', 'bond-made', { id: 'b', from: 'frame', to: 'met', means: 'lug' }],
  ['a cable between two parts', 'conductor-run', cable],
  ['a newer revision of the same model', 'sheet-adopted', { sheet: pinned, replaces: 'nobody-box-1' }],
  ['a sheet beside the others', 'sheet-adopted', { sheet: { ...pinned, model: 'Case' } }],
  [
    'a calculation that can be',
    'calculation-kept',
    {
      calculator: 'reserve',
      title: 'R',
      input: { capacityKwh: 10, reservePercent: 20, loadKw: 1, inverterKw: 3 },
    },
  ],
  ['two photos by four places of both', 'photos-aligned', { before: photoSide(), after: photoSide() }],
  ['a gap on its wall', 'gap-measured', { wallId: 'w', gap }],
])('%s is taken', (_what, kind, body) =>
  expect(built().admits('inspector', kind, body as never)).toEqual({ ok: true }),
)

it('one check carries one open defect at a time', () => {
  const job = SampleJob.opened().torque('9 N·m', 9).raiseTorque()
  const { outcome } = job.check('u/torque/a')
  if (outcome.verdict !== 'does-not-conform') throw new Error('it does not fail')
  expect(
    job.admits('inspector', 'defect-raised', {
      defectId: 'second',
      checkId: 'u/torque/a',
      ...outcome.defect,
    }),
  ).toMatchObject({ ok: false, code: 'already-raised' })
})

it('a signature without a licence is none', () => {
  const job = SampleJob.opened().answered()
  expect(job.admits('reviewer', 'signed', { ...SIGNATURE(job), licence: ' ' })).toMatchObject({
    ok: false,
    code: 'no-licence',
  })
})
