import { BadInput } from '../shape/bad-input.js'
import { OPPOSITE } from './geometry.js'
import type { Demand, Item, NeighbourRule, Unit } from './items.js'
import type { Side } from './sides.js'

const DEMAND = {
  larger: (own, other) => Math.max(own, other),
  sum: (own, other) => own + other,
  stated: (_own, _other, distance) => {
    if (distance === undefined)
      throw new BadInput('missing', 'neighbour.distance', 'is required by the rule "stated"')
    return distance
  },
} satisfies Record<NeighbourRule, (own: number, other: number, distance: number | undefined) => number>

/** What each requirement that speaks of a unit demands of its neighbours. */
export const demandsOf = ({ demands, clear, neighbour }: Unit): readonly Demand[] =>
  demands ?? [{ clear, neighbour }]

const asked = ({ clear, neighbour }: Demand, side: Side, other: number): number =>
  DEMAND[neighbour?.rule ?? 'larger'](clear[side], other, neighbour?.distance)

/** What a unit demands on a side towards another: of several requirements the strictest. */
function strictest(by: Unit, side: Side, other: Unit): { gap: number; rule: NeighbourRule } {
  const rows = demandsOf(by).map((demand) => ({
    gap: asked(demand, side, other.clear[OPPOSITE[side]]),
    rule: demand.neighbour?.rule ?? 'larger',
  }))
  return rows.reduce((most, row) => (row.gap > most.gap ? row : most))
}

/**
 * The gap that must stay free between `side` of a unit and an item there, mm. Obstructions ask nothing themselves; of two units the
 * larger demand holds, each made by its own sheet's rule.
 */
export function requiredGap(unit: Unit, side: Side, item: Item): number {
  if (item.kind === 'obstruction') return unit.clear[side]
  return Math.max(strictest(unit, side, item).gap, strictest(item, OPPOSITE[side], unit).gap)
}

/** Which rule made the figure, for people: the wall shows it beside the dimension. */
export function ruleInForce(unit: Unit, side: Side, item: Item): NeighbourRule | undefined {
  if (item.kind === 'obstruction') return undefined
  const [own, other] = [strictest(unit, side, item), strictest(item, OPPOSITE[side], unit)]
  return own.gap >= other.gap ? own.rule : other.rule
}
