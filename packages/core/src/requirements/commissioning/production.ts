import { answered } from '../evidence-input.js'
import { expectedPower } from '../../commissioning/expected-power.js'
import { stringMakeUp } from '../../as-built/module-lookup.js'
import { pointShape } from '../../device/point.js'
import { uncertaintyOf, vouching } from '../../instrument/instrument.js'
import { watts } from '../../quantity/figure.js'
import { quantity } from '../../quantity/quantity-field.js'
import { msg } from '../../quantity/message.js'
import { num, object, optional } from '../../shape/shape.js'
import type { JudgementContext } from '../judgement-context.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** Does the array behind this unit bring what its modules, the light and their temperature promise? */
export const production = defineKind(
  requirementOf({
    efficiency: optional(num({ min: 0.5, max: 1, about: 'what cables and conversion leave' }), 0.95),
    inverterMax: optional(quantity('power', 'what the inverter can give at most', { sign: 'divisor' })),
    from: optional(object({ power: pointShape })),
  }),
  {
    minutes: 5,
    reads: () => ['array', 'units'],
    expand: () => [wholeUnit],
    ask: () => ({
      kind: 'record',
      form: 'fields',
      instrument: 'clamp-meter',
      fields: [
        { id: 'power', label: 'power', required: 'as the light promises', dimension: 'power', unit: 'W' },
        { id: 'irradiance', label: 'irradiance', required: 'at least 200 W/m²', dimension: 'irradiance' },
        {
          id: 'cell',
          label: 'cell temperature',
          required: 'at a module',
          dimension: 'temperature',
          signed: true,
        },
      ],
    }),
    required: (_requirement, _subject, context, unit) => {
      const array = arrayOf(unit.id, context)
      return array
        ? msg`nine tenths of what ${watts(array.power)} of modules promise at this light`
        : 'nine tenths of what the modules promise at this light'
    },
    judge({ efficiency, inverterMax }, _subject, evidence, context, unit) {
      const values = answered(evidence, 'fields')?.values
      if (!values || evidence?.kind !== 'record') return undefined
      const array = arrayOf(unit.id, context)
      const power = values['power']?.value
      const irradiance = values['irradiance']?.value
      const cellTemperature = values['cell']?.value
      if (!array || power === undefined || irradiance === undefined || cellTemperature === undefined)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'not complete',
          wanting: array
            ? 'read power, irradiance and cell temperature at one moment'
            : 'draw the strings on the array map, over modules whose sheet gives their power and its temperature coefficient',
        }
      const instrument = vouching(evidence.instrument, 'power', power)
      const { verdict, expected, ratio, working, notes } = expectedPower({
        module: { pmax: array.power / array.count, pmaxTempCoeff: array.coefficient },
        count: array.count,
        conditions: { irradiance, cellTemperature },
        systemEfficiency: efficiency,
        measured: { power, uncertainty: uncertaintyOf(evidence.instrument, 'power', power) },
        ...(inverterMax !== undefined && { inverterMax }),
      })
      return {
        verdict: verdict === 'conforms' && !instrument ? 'not-proven' : verdict,
        working,
        notes,
        finding: msg`${Math.round(ratio * 100)} % of the ${watts(expected)} that the light promises`,
        wanting: instrument
          ? 'read again at more light, with all three at one moment'
          : 'nobody says how well this power was measured: use an instrument, or a device whose sheet states it',
      }
    },
  },
)

/** The modules behind a unit: how many, their power together, the coefficient that they share. Undefined where any of it is unknown. */
function arrayOf(unitId: string, context: JudgementContext) {
  const lookup = context.array()
  const strings = context.asBuilt.strings.filter((string) => string.unitId === unitId)
  const made = strings.map((string) => stringMakeUp(string, lookup))
  const coefficients = new Set(
    strings.flatMap(({ path = [] }) => path.map((place) => lookup.moduleAt(place)?.data?.pmaxTempCoeff)),
  )
  const [coefficient] = coefficients
  const powers = made.map(({ power }) => power)
  if (coefficients.size !== 1 || coefficient === undefined || powers.includes(undefined)) return undefined
  const sum = (all: number[]) => all.reduce((one, other) => one + other, 0)
  return { count: sum(made.map(({ count }) => count)), power: sum(powers as number[]), coefficient }
}
