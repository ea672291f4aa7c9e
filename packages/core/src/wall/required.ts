import { OPPOSITE } from './geometry.js'
import type { Item, NeighbourRule, Side, Unit } from './items.js'

const DEMAND = {
  larger: (own, other) => Math.max(own, other),
  sum: (own, other) => own + other,
  stated: (_own, _other, distance) => distance,
} satisfies Record<NeighbourRule, (own: number, other: number, distance: number) => number>

function demanded(by: Unit, own: number, other: number): number {
  return DEMAND[by.neighbour?.rule ?? 'larger'](own, other, by.neighbour?.distance ?? 0)
}

/**
 * The gap that must stay free between `side` of a unit and an item there, mm. Obstructions ask nothing themselves; of two units the
 * larger demand holds, each made by its own sheet's rule.
 */
export function requiredGap(unit: Unit, side: Side, item: Item): number {
  const own = unit.clear[side]
  if (item.kind === 'obstruction') return own
  const other = item.clear[OPPOSITE[side]]
  return Math.max(demanded(unit, own, other), demanded(item, other, own))
}

/** Which rule made the figure, for people: the wall shows it beside the dimension. */
export function ruleInForce(unit: Unit, side: Side, item: Item): NeighbourRule | undefined {
  if (item.kind === 'obstruction') return undefined
  const own = unit.clear[side]
  const other = item.clear[OPPOSITE[side]]
  const governs = demanded(unit, own, other) >= demanded(item, other, own) ? unit : item
  return governs.neighbour?.rule ?? 'larger'
}
