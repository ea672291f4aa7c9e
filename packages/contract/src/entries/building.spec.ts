import { validateEntry } from './append.dto.js'

const entry = (kind: string, body: object) => ({
  id: '01a2109f-68d0-74fb-a62b-301039c72fb3',
  kind,
  at: '2026-11-25T08:00:00Z',
  body,
})
const plane = {
  id: 'south',
  label: 'South',
  unitId: 'u',
  rows: 2,
  columns: 6,
  orientation: 'portrait',
  gap: 20,
  empty: [],
}
const device = { id: 'b', unitId: 'u', at: 'south.r1c1', feeds: ['south.r1c1'], idlePorts: 0, cappedPorts: 0 }
const cable = {
  id: 'c',
  from: 'a',
  to: 'b',
  phases: 3,
  voltage: 400,
  size: 6,
  length: 10,
  insulation: 'pvc',
  method: 'B2',
  ambient: 30,
  grouped: 1,
}
const pinned = { id: 's', maker: 'M', model: 'X', revision: 'A', fingerprint: 'a'.repeat(64) }

const GOOD: [string, object][] = [
  ['plane-built', plane],
  ['devices-fitted', { devices: [device] }],
  ['devices-removed', { deviceIds: ['b'] }],
  [
    'branch-built',
    {
      id: 'br',
      label: 'B',
      unitId: 'u',
      phases: 1,
      voltage: 240,
      breaker: 20,
      devices: ['b'],
      segments: [{ length: 10, size: 4 }],
      endCapped: true,
    },
  ],
  ['serials-reported', { unitId: 'u', serials: ['A1'] }],
  ['earth-part-found', { id: 'e', label: 'E', kind: 'main-terminal' }],
  ['bond-made', { id: 'b', from: 'a', to: 'e', means: 'lug', size: 6 }],
  ['part-placed', { id: 'g', label: 'Grid', kind: 'grid', source: 63 }],
  ['conductor-run', cable],
  ['conductor-run', { ...cable, phases: 'dc' }],
  [
    'gap-measured',
    { wallId: 'w', gap: { id: 'g', from: 'a', to: 'b', axis: 'across', value: 350, typed: '350 mm' } },
  ],
  ['sheet-adopted', { sheet: pinned, replaces: 't' }],
  ['job-amended', { coldest: -14, copperBonds: true }],
  ['record', { point: 'u/r/unit', answer: { agreed: true } }],
]
it.each(GOOD)('%s is taken as it is', (kind, body) =>
  expect(validateEntry(entry(kind, body))).toMatchObject({ ok: true, value: { body } }),
)

it.each<[string, object, string]>([
  ['plane-built', { ...plane, rows: 0 }, 'rows'],
  ['plane-built', { ...plane, rows: 1e6 }, 'rows'],
  ['plane-built', { ...plane, id: 'a b/../c' }, 'id'],
  ['plane-built', { ...plane, empty: ['nowhere'] }, 'empty'],
  ['devices-fitted', { devices: [] }, 'devices'],
  ['devices-fitted', { devices: [{ ...device, at: 'south' }] }, 'devices[0].at'],
  ['devices-fitted', { devices: [{ ...device, secret: 1 }] }, 'devices[0].secret'],
  [
    'branch-built',
    { id: 'br', label: 'B', unitId: 'u', phases: 2, voltage: 240, breaker: 20, devices: [] },
    'phases',
  ],
  ['earth-part-found', { id: 'e', label: 'E', kind: 'rod' }, 'kind'],
  ['bond-made', { id: 'b', from: 'a', to: 'e', means: 'glue' }, 'means'],
  ['bond-made', { id: 'b', from: 'a', to: 'e', means: 'washer', uses: 0 }, 'uses'],
  ['part-placed', { id: 'g', label: 'G', kind: 'sun' }, 'kind'],
  ['part-placed', { id: 'g', label: 'G', kind: 'grid', source: -1 }, 'source'],
  ['conductor-run', { ...cable, size: 0 }, 'size'],
  ['conductor-run', { ...cable, voltage: Number.POSITIVE_INFINITY }, 'voltage'],
  ['conductor-run', { ...cable, grouped: 1.5 }, 'grouped'],
  [
    'gap-measured',
    { wallId: 'w', gap: { id: 'g', from: 'a', to: 'b', axis: 'through', value: 1, typed: '1' } },
    'gap.axis',
  ],
  ['sheet-adopted', { sheet: { ...pinned, fingerprint: 'short' } }, 'sheet.fingerprint'],
  ['job-amended', { number: 'another' }, 'number'],
  ['job-amended', { coldest: 300 }, 'coldest'],
  ['record', { point: 'p', answer: 'yes' }, 'answer'],
])('%s with a fault is refused by the name of its field: %j', (kind, body, path) => {
  const checked = validateEntry(entry(kind, body))
  expect(checked).toMatchObject({ ok: false, error: { path: `body.${path}` } })
})
