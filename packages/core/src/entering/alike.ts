import type { AsBuilt } from '../as-built/as-built.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { Change } from '../job/entry.js'
import { COPIED } from '../shape/proposed-field.js'

/** One thing that stands at a unit like it and may stand here too. */
export interface AlikePart {
  id: string
  /** “String A on PV1”, in the words of the unit that has it. */
  label: string
  what: 'layout' | 'string' | 'bond' | 'part' | 'cable'
  /** The parts without which it would hang in the air. */
  needs: string[]
  change: Change
}

/**
 * What stands at one unit, as a proposal for another of the same sheet: how it is placed, its strings, its bonds, its parts of the one-line
 * and their cables. What the other has already is left out. Never what was read: no place on a wall, no reading, no serial, no photo.
 * `idFor` makes an id for the copy of a thing. What is taken over stands as copied until a person has seen it at the other unit.
 */
export function alikeTo(
  from: UnitBuilt,
  to: UnitBuilt,
  { strings, network, earth }: AsBuilt,
  idFor: (of: string) => string,
): AlikePart[] {
  if (from.sheetId !== to.sheetId || from.id === to.id) return []
  const copies = new Map<string, string>()
  const copyOf = (id: string) => copies.get(id) ?? id
  const mine = (label: string) =>
    label.includes(from.label) ? label.replaceAll(from.label, to.label) : `${label} (${to.label})`
  const needing = (...ids: string[]) => ids.filter((id) => copies.has(id))

  const layout: AlikePart[] =
    from.situation && !to.situation
      ? [
          {
            id: 'layout',
            label: 'how it is placed',
            what: 'layout',
            needs: [],
            change: { kind: 'unit-fitted', body: { ...to, situation: from.situation } },
          },
        ]
      : []
  const taken = new Set(strings.filter(({ unitId }) => unitId === to.id).map(({ input }) => input))
  const ofStrings = strings
    .filter(({ unitId, input }) => unitId === from.id && !taken.has(input))
    .map(({ path: _path, ...string }): AlikePart => ({
      id: string.id,
      label: `${string.label} on ${string.input}`,
      what: 'string',
      needs: [],
      change: {
        kind: 'string-built',
        body: { ...string, id: idFor(string.id), unitId: to.id, label: mine(string.label), ...COPIED },
      },
    }))

  const copied = <T extends { id: string; unitId?: string | undefined; label: string }>(all: readonly T[]) =>
    all.some(({ unitId }) => unitId === to.id) ? [] : all.filter(({ unitId }) => unitId === from.id)
  const earthParts = copied(earth.parts)
  const parts = copied(network.parts)
  for (const { id } of [...earthParts, ...parts]) copies.set(id, idFor(id))
  const joins = ({ from: a, to: b }: { from: string; to: string }) => copies.has(a) || copies.has(b)

  const ofEarth = earthParts.map((part): AlikePart => ({
    id: part.id,
    label: part.label,
    what: 'part',
    needs: [],
    change: {
      kind: 'earth-part-found',
      body: { ...part, id: copyOf(part.id), unitId: to.id, label: mine(part.label), ...COPIED },
    },
  }))
  const ofBonds = earth.bonds.filter(joins).map((bond): AlikePart => ({
    id: bond.id,
    label: labelOf(bond, earth.parts),
    what: 'bond',
    needs: needing(bond.from, bond.to),
    change: {
      kind: 'bond-made',
      body: { ...bond, id: idFor(bond.id), from: copyOf(bond.from), to: copyOf(bond.to), ...COPIED },
    },
  }))
  const ofParts = parts.map((part): AlikePart => ({
    id: part.id,
    label: part.label,
    what: 'part',
    needs: [],
    change: {
      kind: 'part-placed',
      body: { ...part, id: copyOf(part.id), unitId: to.id, label: mine(part.label), ...COPIED },
    },
  }))
  const ofCables = network.conductors.filter(joins).map((cable): AlikePart => ({
    id: cable.id,
    label: labelOf(cable, network.parts),
    what: 'cable',
    needs: needing(cable.from, cable.to),
    change: {
      kind: 'conductor-run',
      body: { ...cable, id: idFor(cable.id), from: copyOf(cable.from), to: copyOf(cable.to), ...COPIED },
    },
  }))
  return [...layout, ...ofStrings, ...ofEarth, ...ofBonds, ...ofParts, ...ofCables]
}

function labelOf(
  { from, to }: { from: string; to: string },
  parts: readonly { id: string; label: string }[],
): string {
  const called = (id: string) => parts.find((part) => part.id === id)?.label ?? id
  return `${called(from)} to ${called(to)}`
}
