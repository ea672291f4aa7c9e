import type { AsBuilt } from '../as-built/as-built.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { DeviceBuilt, PlaneBuilt } from '../array/places.js'
import type { Bond } from '../earthing/bond.js'
import { inverseOf, type Change, type Entry } from './entry.js'
import { fold } from './fold.js'

const unit: UnitBuilt = {
  id: 'u',
  label: 'U',
  sheetId: 's',
  place: { wallId: 'w', x: 100, y: 0, w: 10, h: 10 },
}
const obstruction = { id: 'o', label: 'O', class: 'pipe', x: 0, y: 0, w: 10, h: 10 }
const gap = { id: 'g', from: 'u', to: 'o', axis: 'across' as const, value: 5, typed: '5 mm' }
const plane: PlaneBuilt = {
  id: 'p',
  label: 'P',
  unitId: 'u',
  rows: 1,
  columns: 2,
  orientation: 'portrait',
  gap: 20,
  empty: [],
}
const device: DeviceBuilt = { id: 'd', unitId: 'u', at: 'p.r1c1', feeds: [], idlePorts: 0, cappedPorts: 0 }
const bond: Bond = { id: 'b', from: 'frame', to: 'met', means: 'lug' }
const cable = {
  id: 'c',
  from: 'grid',
  to: 'board',
  phases: 3 as const,
  voltage: 400,
  size: 16,
  length: 5,
  insulation: 'pvc' as const,
  method: 'B2' as const,
  ambient: 30,
  grouped: 1,
}
const string = {
  id: 's',
  label: 'S',
  unitId: 'u',
  input: 'PV1',
  count: 2,
  module: { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 60, bypassDiodes: 3 },
}

/** Everything that is there before: built by the same entries that the tests take back. */
const BEFORE: Change[] = [
  {
    kind: 'wall-measured',
    body: { id: 'w', title: 'W', leftCorner: false, rightCorner: false, uncertainty: 0 },
  },
  { kind: 'unit-fitted', body: unit },
  { kind: 'obstruction-measured', body: { wallId: 'w', obstruction } },
  { kind: 'gap-measured', body: { wallId: 'w', gap } },
  { kind: 'plane-built', body: plane },
  { kind: 'devices-fitted', body: { devices: [device] } },
  {
    kind: 'branch-built',
    body: { id: 'br', label: 'B', unitId: 'u', phases: 1, voltage: 230, breaker: 16, devices: ['d'] },
  },
  { kind: 'string-built', body: string },
  { kind: 'earth-part-found', body: { id: 'frame', label: 'F', kind: 'frame' } },
  { kind: 'earth-part-found', body: { id: 'met', label: 'M', kind: 'main-terminal' } },
  { kind: 'bond-made', body: bond },
  { kind: 'part-placed', body: { id: 'grid', label: 'G', kind: 'grid', source: 63 } },
  { kind: 'part-placed', body: { id: 'board', label: 'B', kind: 'board' } },
  { kind: 'conductor-run', body: cable },
]
const built = (changes: readonly Change[]): AsBuilt =>
  fold(
    changes.map(
      ({ kind, body }, i) =>
        ({ kind, body, seq: i + 1, hash: '', at: '2026-01-01T00:00:00Z' }) as unknown as Entry,
    ),
  ).asBuilt

const CHANGES: [string, Change][] = [
  ['moving a unit', { kind: 'unit-fitted', body: { ...unit, label: 'moved' } }],
  ['adding a unit', { kind: 'unit-fitted', body: { ...unit, id: 'new' } }],
  ['removing a unit', { kind: 'unit-removed', body: { unitId: 'u' } }],
  [
    'measuring a wall anew',
    {
      kind: 'wall-measured',
      body: { id: 'w', title: 'W', width: 5000, leftCorner: true, rightCorner: false, uncertainty: 2 },
    },
  ],
  [
    'adding a wall',
    {
      kind: 'wall-measured',
      body: { id: 'w2', title: 'W2', leftCorner: true, rightCorner: false, uncertainty: 2 },
    },
  ],
  ['removing a wall with all that hangs on it', { kind: 'wall-removed', body: { wallId: 'w' } }],
  [
    'moving an obstruction',
    { kind: 'obstruction-measured', body: { wallId: 'w', obstruction: { ...obstruction, x: 9 } } },
  ],
  [
    'adding an obstruction',
    { kind: 'obstruction-measured', body: { wallId: 'w', obstruction: { ...obstruction, id: 'n' } } },
  ],
  ['removing an obstruction', { kind: 'obstruction-removed', body: { wallId: 'w', obstructionId: 'o' } }],
  ['reading a gap again', { kind: 'gap-measured', body: { wallId: 'w', gap: { ...gap, value: 6 } } }],
  ['removing a gap', { kind: 'gap-removed', body: { wallId: 'w', gapId: 'g' } }],
  ['walking a string', { kind: 'string-built', body: { ...string, path: ['p.r1c1'] } }],
  ['removing a string', { kind: 'string-removed', body: { stringId: 's' } }],
  ['turning a plane', { kind: 'plane-built', body: { ...plane, orientation: 'landscape' } }],
  ['removing a plane', { kind: 'plane-removed', body: { planeId: 'p' } }],
  [
    'serials of old and new boxes',
    {
      kind: 'devices-fitted',
      body: {
        devices: [
          { ...device, serial: 'X' },
          { ...device, id: 'd2', at: 'p.r1c2' },
        ],
      },
    },
  ],
  ['removing boxes', { kind: 'devices-removed', body: { deviceIds: ['d'] } }],
  [
    'lengthening a branch',
    {
      kind: 'branch-built',
      body: { id: 'br', label: 'B', unitId: 'u', phases: 1, voltage: 230, breaker: 20, devices: ['d'] },
    },
  ],
  ['removing a branch', { kind: 'branch-removed', body: { branchId: 'br' } }],
  ['removing a part with its bonds', { kind: 'earth-part-removed', body: { partId: 'frame' } }],
  ['making a bond anew', { kind: 'bond-made', body: { ...bond, means: 'copper', size: 6 } }],
  ['rating a part anew', { kind: 'part-placed', body: { id: 'grid', label: 'G', kind: 'grid', source: 35 } }],
  ['removing a part with its cables', { kind: 'part-removed', body: { partId: 'board' } }],
  ['running a cable anew', { kind: 'conductor-run', body: { ...cable, size: 25 } }],
  ['removing a cable', { kind: 'conductor-removed', body: { conductorId: 'c' } }],
  ['removing a bond', { kind: 'bond-removed', body: { bondId: 'b' } }],
]

it.each(CHANGES)('%s is undone to the last figure', (_what, change) => {
  const before = built(BEFORE)
  const after = built([...BEFORE, change])
  expect(after).not.toEqual(before)
  expect(sorted(built([...BEFORE, change, ...inverseOf(change, before)]))).toEqual(sorted(before))
})

/** What was taken away comes back at the end of its list: where it stands there means nothing. */
function sorted(asBuilt: AsBuilt): AsBuilt {
  const inOrder = <T extends { id: string }>(all: readonly T[]): T[] =>
    [...all].sort((a, b) => a.id.localeCompare(b.id))
  return {
    ...asBuilt,
    units: inOrder(asBuilt.units),
    walls: inOrder(asBuilt.walls),
    strings: inOrder(asBuilt.strings),
    array: {
      ...asBuilt.array,
      planes: inOrder(asBuilt.array.planes),
      devices: inOrder(asBuilt.array.devices),
    },
    earth: { parts: inOrder(asBuilt.earth.parts), bonds: inOrder(asBuilt.earth.bonds) },
    network: { parts: inOrder(asBuilt.network.parts), conductors: inOrder(asBuilt.network.conductors) },
  }
}
