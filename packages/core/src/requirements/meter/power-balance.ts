import { answered } from '../evidence-input.js'
import { powerBalance } from '../../meter/power-balance.js'
import { quantity } from '../../quantity/quantity-field.js'
import { object } from '../../shape/shape.js'
import { formatNumber, plural } from '../../quantity/phrases.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

const MOMENTS = 3
const SIDES = [
  ['grid', 'grid, import positive'],
  ['solar', 'solar'],
  ['battery', 'battery, discharge positive'],
] as const

/** Do the meter and the machines tell one story over several moments? A sign the wrong way round shows as a load that cannot be. */
export const powerBalanceKind = defineKind(
  requirementOf({
    load: object({ min: quantity('power'), max: quantity('power') }, 'what the loads can be'),
    uncertainty: quantity('power'),
  }),
  {
    minutes: 6,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: () => ({
      kind: 'record',
      form: 'fields',
      fields: Array.from({ length: MOMENTS }, (_, i) =>
        SIDES.map(([side, label]) => ({
          id: `${side}${i + 1}`,
          label: `${i + 1}. ${label}`,
          required: '',
          dimension: 'power' as const,
          signed: true,
          unit: 'W',
        })),
      ).flat(),
    }),
    required: ({ load }) =>
      `a load between ${formatNumber(load.min)} and ${formatNumber(load.max)} W at every moment`,
    judge({ load, uncertainty }, _subject, evidence) {
      const answer = answered(evidence, 'fields')
      if (!answer) return undefined
      const samples = Array.from({ length: MOMENTS }, (_, i) =>
        SIDES.map(([side]) => answer.values[`${side}${i + 1}`]?.value),
      ).flatMap(([grid, solar, battery]) =>
        grid === undefined || solar === undefined || battery === undefined ? [] : [{ grid, solar, battery }],
      )
      if (samples.length === 0)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'no moment is complete',
          wanting: 'read grid, solar and battery at one moment',
        }
      const { verdict, consistent, working, notes } = powerBalance({ samples, loadRange: load, uncertainty })
      const turned = consistent[0]
        ? (['grid', 'solar', 'battery'] as const).filter((side) => consistent[0]![side] < 0)
        : []
      return {
        verdict,
        working,
        notes,
        finding:
          verdict === 'conforms'
            ? `one story over ${plural(samples.length, 'moment')}`
            : consistent.length === 1
              ? `${turned.join(' and ')} read the wrong way round`
              : consistent.length === 0
                ? 'no signs make sense of these readings'
                : 'several signs make sense',
        causes: verdict === 'conforms' ? [] : ranked(consistent).map(turnedWords),
        wanting: nextMoment(consistent),
      }
    },
  },
)

type Signs = ReturnType<typeof powerBalance>['consistent'][number]
const MACHINES = ['grid', 'solar', 'battery'] as const
const turnedIn = (signs: Signs) => MACHINES.filter((side) => signs[side] < 0)

/** The fewer machines read the wrong way round, the more likely the story. */
const ranked = (consistent: readonly Signs[]): Signs[] =>
  [...consistent].sort((a, b) => turnedIn(a).length - turnedIn(b).length)

const turnedWords = (signs: Signs): string => {
  const turned = turnedIn(signs)
  return turned.length === 0
    ? 'every machine the right way round'
    : `${turned.join(' and ')} the wrong way round`
}

const MOMENTS_OF = {
  grid: 'a moment at which much is drawn from the grid and the sun is away',
  solar: 'a moment in full sun with the battery at rest',
  battery: 'a moment at which the battery charges or discharges with all it can',
} satisfies Record<(typeof MACHINES)[number], string>

/** What to read next: a moment at which the machine whose sign is still open carries most of the power. */
function nextMoment(consistent: readonly Signs[]): string {
  const open = MACHINES.filter((side) => new Set(consistent.map((signs) => signs[side])).size > 1)
  return open.length > 0
    ? `read ${MOMENTS_OF[open[0]!]}: it tells whether ${open[0]} is turned`
    : 'read at moments that differ: sun and no sun, charging and discharging'
}
