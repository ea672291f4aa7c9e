import { assert, integer, property, tuple } from 'fast-check'
import { SampleJob } from '../admission/sample-job.testing.js'
import { inspect, inspectDraft } from './inspect.js'

const plainly = (inspection: ReturnType<typeof inspect>) =>
  inspection.checks.map(({ check, outcome }) => ({
    id: check.id,
    required: check.required,
    verdict: outcome.verdict,
    finding: 'finding' in outcome ? outcome.finding : '',
    working: 'working' in outcome ? outcome.working : [],
  }))

it('a wall tried out is judged as if it were kept, wherever things stand', () => {
  const job = SampleJob.opened()
    .answered()
    .write('inspector', 'unit-fitted', {
      id: 'v',
      label: 'Box 2',
      sheetId: 'nobody-box-1',
      place: { wallId: 'w', x: 900, y: 900, w: 400, h: 500 },
    })
  const kept = job.inspection
  const place = integer({ min: 0, max: 2500 })
  assert(
    property(tuple(place, place, place, place), (at) => {
      const units = kept.state.asBuilt.units.map((unit, i) => ({
        ...unit,
        place: { ...unit.place!, x: at[2 * i]!, y: at[2 * i + 1]! },
      }))
      const draft = { ...kept.state.asBuilt, units }
      expect(plainly(inspectDraft(kept, draft))).toEqual(plainly(inspect(kept.state, kept.sheets, draft)))
    }),
    { seed: 7, numRuns: 60 },
  )
})
it('a draft that fits another unit is judged whole', () => {
  const kept = SampleJob.opened().inspection
  const draft = {
    ...kept.state.asBuilt,
    units: [...kept.state.asBuilt.units, { id: 'x', label: 'X', sheetId: 'nobody-box-1' }],
  }
  expect(inspectDraft(kept, draft).checks).toHaveLength(
    kept.checks.length +
      inspect(kept.state, kept.sheets, { ...draft, units: [draft.units.at(-1)!] }).checks.length,
  )
})
