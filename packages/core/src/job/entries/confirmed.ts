import type { AsBuilt } from '../../as-built/as-built.js'
import { PROPOSED_KINDS, PROPOSED_WORDS, proposalsIn, type ProposedKind } from '../../as-built/proposal.js'
import type { UnitId, WallId } from '../../ids/ids.js'
import { list, object, oneOf, text } from '../../shape/shape.js'
import { ADMITTED, INSPECTORS, entryKind, find, momentOf, refuse, type Step } from './entry-kind.js'

/** As many as the largest array that can be copied. */
const MOST_AT_ONCE = 5000

const confirmedShape = object({
  things: list(object({ kind: oneOf(PROPOSED_KINDS), id: text() }), { max: MOST_AT_ONCE }),
})

/**
 * A person looked, and what was only proposed stands so on site: one thing, or a group in one act. From here on it is a fact, with who said
 * so and when.
 */
export const confirmed = entryKind({
  schema: confirmedShape,
  label: 'confirmed on site',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit({ things }, { state }) {
    const open = new Set(proposalsIn(state.asBuilt).map(keyOf))
    const stranger = things.find((one) => !open.has(keyOf(one)))
    return stranger
      ? refuse(
          'not-proposed',
          `no ${PROPOSED_WORDS[stranger.kind]} “${stranger.id}” waits here to be confirmed: it was confirmed, changed or taken away meanwhile`,
        )
      : ADMITTED
  },
  apply(draft, { things }, entry) {
    const ids = (kind: ProposedKind) => new Set(things.flatMap((one) => (one.kind === kind ? [one.id] : [])))
    const before = draft.asBuilt
    const walls = wallsOf(before, ids('place'), ids('obstruction'))
    draft.asBuilt = seenOnSite(before, ids)
    const moment = momentOf(entry)
    for (const id of walls) draft.lastChanged.walls.set(id, moment)
    const touches = (...kinds: ProposedKind[]) => things.some(({ kind }) => kinds.includes(kind))
    if (touches('place')) draft.lastChanged.units = moment
    if (touches('plane', 'device', 'branch', 'string')) draft.lastChanged.array = moment
    if (touches('earth-part', 'bond')) draft.lastChanged.earthing = moment
    if (touches('part', 'conductor')) draft.lastChanged.network = moment
  },
  undo({ things }, before): Step[] {
    return things.flatMap(({ kind, id }) => AS_IT_WAS[kind](id, before))
  },
})

const keyOf = ({ kind, id }: { kind: ProposedKind; id: string }): string => `${kind} ${id}`

function seenOnSite(asBuilt: AsBuilt, ids: (kind: ProposedKind) => ReadonlySet<string>): AsBuilt {
  const { units, walls, array, strings, earth, network } = asBuilt
  const plainly = <T extends { id: string; proposed?: unknown }>(kind: ProposedKind, all: T[]): T[] => {
    const named = ids(kind)
    return named.size === 0
      ? all
      : all.map((one) => (named.has(one.id) ? { ...one, proposed: undefined } : one))
  }
  const [places, obstructions] = [ids('place'), ids('obstruction')]
  return {
    ...asBuilt,
    units:
      places.size === 0
        ? units
        : units.map((unit) =>
            places.has(unit.id) && unit.place
              ? { ...unit, place: { ...unit.place, drawn: undefined } }
              : unit,
          ),
    walls:
      obstructions.size === 0
        ? walls
        : walls.map((wall) => ({
            ...wall,
            obstructions: wall.obstructions.map((one) =>
              obstructions.has(one.id) ? { ...one, drawn: undefined } : one,
            ),
          })),
    array: {
      ...array,
      planes: plainly('plane', array.planes),
      devices: plainly('device', array.devices),
      branches: plainly('branch', array.branches),
    },
    strings: plainly('string', strings),
    earth: { parts: plainly('earth-part', earth.parts), bonds: plainly('bond', earth.bonds) },
    network: { parts: plainly('part', network.parts), conductors: plainly('conductor', network.conductors) },
  }
}

function wallsOf(
  { units, walls }: AsBuilt,
  places: ReadonlySet<string>,
  obstructions: ReadonlySet<string>,
): Set<WallId> {
  return new Set([
    ...units.flatMap(({ id, place }) => (place && places.has(id) ? [place.wallId] : [])),
    ...walls.flatMap(({ id, obstructions: all }) =>
      all.some((one) => obstructions.has(one.id)) ? [id] : [],
    ),
  ])
}

const step = (kind: string, body: object | undefined): Step[] => (body ? [{ kind, body }] : [])

/** The thing entered again as it stood: a proposal once more. */
const AS_IT_WAS = {
  place: (id, { units }) => step('unit-fitted', find(units, id as UnitId)),
  obstruction: (id, { walls }) =>
    walls.flatMap((wall) => step('obstruction-measured', withWall(wall.id, find(wall.obstructions, id)))),
  plane: (id, { array }) => step('plane-built', find(array.planes, id)),
  device: (id, { array }) => {
    const was = find(array.devices, id)
    return step('devices-fitted', was && { devices: [was] })
  },
  branch: (id, { array }) => step('branch-built', find(array.branches, id)),
  string: (id, { strings }) => step('string-built', find(strings, id)),
  'earth-part': (id, { earth }) => step('earth-part-found', find(earth.parts, id)),
  bond: (id, { earth }) => step('bond-made', find(earth.bonds, id)),
  part: (id, { network }) => step('part-placed', find(network.parts, id)),
  conductor: (id, { network }) => step('conductor-run', find(network.conductors, id)),
} satisfies Record<ProposedKind, (id: string, before: AsBuilt) => Step[]>

const withWall = (wallId: WallId, obstruction: object | undefined) => obstruction && { wallId, obstruction }
