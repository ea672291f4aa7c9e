import { type Bond, type EarthBuilt, type EarthPart, BOND_MEANS, BOND_WORDS } from '../../earthing/bond.js'
import { bondsAt, wayToEarth } from '../../earthing/bonding-tree.js'
import { joinOr } from '../../quantity/phrases.js'
import { count, flag, list, oneOf, optional } from '../../shape/shape.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/**
 * Every part of a unit is bonded, by means that the sheet allows, all the way to the main earth terminal. A part that makes a bond may
 * have a limited number of uses; a separate copper conductor is always allowed; a second earth terminal comes as an addition to the core
 * in the supply cable, never instead of it; and where the authority insists, the way must be copper.
 */
export const bonding = defineKind(
  requirementOf({
    means: list(oneOf(BOND_MEANS), { about: 'allowed means' }),
    maxUses: optional(count()),
    supplyCable: optional(flag('the core of the supply cable must be landed, whatever else is'), false),
  }),
  {
    minutes: 3,
    reads: () => ['earthing'],
    expand: () => [wholeUnit],
    ask: () => ({ kind: 'derived', from: 'earthing' }),
    required: ({ means, maxUses, supplyCable }) =>
      [
        `by ${joinOr(means.map((one) => BOND_WORDS[one]))}`,
        supplyCable ? 'the supply cable’s own core landed' : '',
        maxUses === undefined ? '' : `a part used at most ${maxUses} ${maxUses === 1 ? 'time' : 'times'}`,
        'through to the main earth terminal',
      ]
        .filter(Boolean)
        .join(', '),
    judge({ means, maxUses, supplyCable }, _subject, _given, { asBuilt: { earth }, header, labelOf }, unit) {
      const parts = earth.parts.filter(({ unitId }) => unitId === unit.id)
      if (parts.length === 0 || earth.bonds.length === 0) return undefined
      const copper = header?.copperBonds === true
      // Its own bonds lead from a part, or carry it to the earth though they were entered the other way round.
      const own = parts.flatMap(({ id, label }) =>
        bondsAt(earth, id)
          .filter((bond) => bond.from === id || wayToEarth(earth, id)?.[0] === bond)
          .map((bond) => ({ ...bond, label })),
      )
      const faults = [
        ...parts
          .filter(({ id }) => !wayToEarth(earth, id))
          .map(({ label }) => `${label}: no way to the main earth terminal`),
        ...(copper
          ? parts
              .filter(({ id }) => wayToEarth(earth, id) && !wayToEarth(earth, id, isCopper))
              .map(({ label }) => `${label}: the authority wants copper all the way`)
          : []),
        ...own
          .filter(
            (bond) => !means.includes(bond.means) && bond.means !== 'copper' && !(copper && isCopper(bond)),
          )
          .map(({ means: by, label }) => `${BOND_WORDS[by]} at ${label} is not among the means allowed`),
        ...own
          .filter(({ uses }) => maxUses !== undefined && (uses ?? 1) > maxUses)
          .map(({ label, uses }) => `the part at ${label} was fitted ${uses} times, at most ${maxUses}`),
        ...(supplyCable && !own.some((bond) => bond.means === 'supply-cable' && leadsOn(earth, bond, parts))
          ? [
              'the core of the supply cable is not landed: the second earth terminal is an addition, never instead of it',
            ]
          : []),
      ]
      const unsaid = own.filter(
        ({ means: by, uses }) => maxUses !== undefined && uses === undefined && WEARING.includes(by),
      )
      return {
        verdict: faults.length > 0 ? 'does-not-conform' : unsaid.length > 0 ? 'not-proven' : 'conforms',
        wanting: `say how often the part at ${unsaid.map(({ label }) => label).join(', ')} has been fitted`,
        working: parts.map(
          ({ id, label }) =>
            `${label}: ${
              wayToEarth(earth, id)
                ?.map(({ to, means: by }) => `${BOND_WORDS[by]} → ${labelOf(to)}`)
                .join(', ') || 'no way'
            }`,
        ),
        notes: copper ? ['this job asks for copper bonds: the authority insists'] : [],
        finding:
          faults[0] ??
          (unsaid.length > 0
            ? 'how often a part was fitted is not said'
            : 'bonded through to the main earth terminal'),
        causes: faults.slice(1),
      }
    },
  },
)

const isCopper = ({ means }: Bond): boolean =>
  means === 'copper' || means === 'lug' || means === 'supply-cable'

/** Parts that bite into metal, and may do so a limited number of times. */
const WEARING: readonly Bond['means'][] = ['washer', 'plate']

/** Does a way go on from the far end of a bond, not back through it? A core that is landed on nothing earths nothing. */
const leadsOn = (earth: EarthBuilt, { id, from, to }: Bond, own: readonly EarthPart[]): boolean =>
  [from, to]
    .filter((end) => !own.some((part) => part.id === end))
    .some((end) => wayToEarth(earth, end, (bond) => bond.id !== id) !== undefined)
