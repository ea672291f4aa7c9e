import { answered } from '../evidence-input.js'
import { reserve as reserveHours } from '../../commissioning/reserve.js'
import { asNumber } from '../../commissioning/settings.js'
import { pointShape } from '../../device/point.js'
import { formatNumber } from '../../quantity/phrases.js'
import { quantity } from '../../quantity/quantity-field.js'
import { list, num, object, optional, text } from '../../shape/shape.js'
import type { JudgementContext } from '../judgement-context.js'
import { atLeast } from '../../verdict/compare.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

const KWH = /([\d.]+)\s*kWh/i

/**
 * The reserve that was set, in hours for the loads that the customer names: told at the hand-over. It fails where the loads are more than
 * the backup port can give.
 */
export const reserveKind = defineKind(
  requirementOf({
    backup: quantity('power', 'what the backup port can give', { sign: 'divisor' }),
    loads: list(text(), { about: 'what is asked for by name', mayBeEmpty: true }),
    atLeast: optional(num({ unit: 'h', sign: 'magnitude', about: 'hours that are promised' })),
    from: optional(object({ reserve: pointShape })),
  }),
  {
    minutes: 4,
    reads: () => ['units'],
    expand: () => [wholeUnit],
    ask: ({ loads }) => ({
      kind: 'record',
      form: 'fields',
      fields: [
        { id: 'reserve', label: 'reserve, %', required: 'as set' },
        {
          id: 'load',
          label: loads.length > 0 ? `load (${loads.join(', ')})` : 'load',
          required: 'in an outage',
          dimension: 'power',
          unit: 'W',
        },
        { id: 'told', label: 'told to', required: 'name' },
      ],
    }),
    required: ({ atLeast: promised }) =>
      promised === undefined
        ? 'worked out and told to the customer'
        : `at least ${formatNumber(promised)} h, told to the customer`,
    judge({ backup, atLeast: promised }, _subject, evidence, context) {
      const values = answered(evidence, 'fields')?.values
      if (!values) return undefined
      const percent = values['reserve'] && asNumber(values['reserve'].typed)
      const load = values['load']?.value
      const capacity = storedEnergy(context)
      const told = values['told']?.typed.trim()
      if (
        percent === undefined ||
        !(percent >= 0 && percent <= 100) ||
        !load ||
        load <= 0 ||
        !told ||
        capacity === undefined
      )
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'not complete',
          wanting:
            capacity === undefined
              ? 'fit the batteries whose sheets give their usable energy'
              : 'enter reserve, load and to whom it was told',
        }
      const { hours, overloaded, working, notes } = reserveHours({
        capacityKwh: capacity,
        reservePercent: percent,
        loadKw: load / 1000,
        inverterKw: backup / 1000,
      })
      const short = promised !== undefined && !atLeast(hours, promised)
      return {
        verdict: overloaded || short ? 'does-not-conform' : 'conforms',
        working,
        notes,
        finding: overloaded
          ? 'the loads are more than the backup port can give'
          : `${formatNumber(hours)} h for these loads, told to ${told}`,
      }
    },
  },
)

/** Usable energy of the batteries that stand here, kWh, by the ratings of their sheets; undefined where one does not say. */
function storedEnergy({ asBuilt, sheetOf }: JudgementContext): number | undefined {
  const batteries = asBuilt.units.flatMap(({ id }) => {
    const sheet = sheetOf(id)
    return sheet?.kind === 'battery' ? [sheet] : []
  })
  const each = batteries.map(({ ratings }) => {
    const said = ratings.find(({ name }) => /usable energy/i.test(name))?.value
    return Number(KWH.exec(said ?? '')?.[1])
  })
  if (each.length === 0 || each.some((energy) => !Number.isFinite(energy))) return undefined
  return each.reduce((sum, energy) => sum + energy, 0)
}
