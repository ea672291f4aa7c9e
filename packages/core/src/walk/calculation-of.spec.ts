import { compute } from '../calculators.js'
import { Site, sheet } from '../requirements/site.testing.js'
import { calculationOf } from './calculation-of.js'

const module = { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 60, bypassDiodes: 3 }
const BOX = sheet('Box', 'string-inverter', [
  { id: 'voc', kind: 'string-open-circuit', max: '600 V' },
  { id: 'cold', kind: 'cold-limit', max: '600 V' },
  { id: 'iso', kind: 'insulation' },
  { id: 'seen', kind: 'observation', question: 'Dry?' },
])

function of(requirement: string) {
  const { inspection } = new Site({ coldest: -10 }).unit(BOX).write(
    {
      kind: 'string-built',
      body: { id: 's', label: 'S', unitId: 'Box', input: 'PV1', module, count: 12 },
    },
    {
      kind: 'reading',
      body: {
        point: 'Box/voc/s',
        typed: '470',
        value: 470,
        unit: 'V',
        relation: '=',
        conditions: { cellTemperature: 25, irradiance: 1000 },
      },
    },
  )
  const judged = inspection.checks.find(({ check }) => check.requirement.id === requirement)!
  return calculationOf(judged, inspection.context)
}

it.each([
  ['voc', 'string-voltage', { count: 12, measured: { voc: 470 }, conditions: { cellTemperature: 25 } }],
  ['cold', 'string-cold-limit', { count: 12, minTemperature: -10, inverterMax: 600 }],
  ['iso', 'insulation', { systemVoltage: 480 }],
])('the check %s opens its calculator %s with the figures of the job', (requirement, calculator, input) =>
  expect(of(requirement)).toMatchObject({ calculator, input }),
)
it('what it hands over is worked out there', () => {
  const { calculator, input } = of('cold')!
  expect(compute(calculator, input)).toMatchObject({ verdict: 'conforms' })
})
it('a question that is answered by looking has none', () => expect(of('seen')).toBeUndefined())
