import type { EarthPartId } from '../ids/ids.js'
import { placeWords, planeOfPlace } from '../ids/place-id.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { StringInForce } from '../as-built/strings-in-force.js'
import type { JudgementContext } from './judgement-context.js'
import { object, oneOf, optional } from '../shape/shape.js'
import type { SheetHead } from '../sheet/head.js'
import { TERMINAL_SIDES, type Terminal } from '../sheet/terminal.js'
import { CLAMPS } from '../sheet/terms.js'
import type { Subject, Reads } from './kind.js'

export const wholeUnit: Subject = { kind: 'unit', id: 'unit', label: '' }

/** Which terminals of a unit a requirement is about. */
export const terminalFilterField = optional(
  object({ side: optional(oneOf(TERMINAL_SIDES)), clamp: optional(oneOf(CLAMPS)) }, 'which terminals'),
  {},
)
export interface TerminalFilter {
  side?: Terminal['side'] | undefined
  clamp?: Terminal['clamp'] | undefined
}

export function matching(terminals: readonly Terminal[], { side, clamp }: TerminalFilter): Terminal[] {
  return terminals.filter(
    (terminal) =>
      (side === undefined || terminal.side === side) && (clamp === undefined || terminal.clamp === clamp),
  )
}

export const terminalSubject = (terminal: Terminal): Subject => ({
  kind: 'terminal',
  id: terminal.id,
  label: terminal.label,
  terminal,
})

/** House rules speak of every conductor, string and bond of a site, a maker's sheet of those of its own unit. */
export const isHouse = (
  { id }: Pick<UnitBuilt, 'id'>,
  { sheetOf }: Pick<JudgementContext, 'sheetOf'>,
): boolean => sheetOf(id)?.kind === 'installation'

/** The strings that end in a unit. */
export const stringSubjects = (
  unit: UnitBuilt,
  context: Pick<JudgementContext, 'strings' | 'sheetOf'>,
): Subject[] => ownStrings(unit, context).map(asSubject)

export function ownStrings(
  unit: Pick<UnitBuilt, 'id'>,
  context: Pick<JudgementContext, 'strings' | 'sheetOf'>,
): StringInForce[] {
  const all = isHouse(unit, context)
  return context.strings().filter(({ unitId }) => all || unitId === unit.id)
}

/** The strings on whose modules the devices of a unit sit: how module electronics find theirs. */
export function electronicsStrings(unit: UnitBuilt, context: JudgementContext): Subject[] {
  const { array } = context.asBuilt
  const fed = new Set(array.devices.filter(({ unitId }) => unitId === unit.id).flatMap(({ feeds }) => feeds))
  return context
    .strings()
    .filter(({ path }) => path?.some((place) => fed.has(place)))
    .map(asSubject)
}

/** The strings that run over the modules that a unit stands for. */
function moduleStrings(unit: UnitBuilt, context: JudgementContext): Subject[] {
  const planes = context.asBuilt.array.planes
    .filter(({ unitId }) => unitId === unit.id)
    .map(({ id }) => `${id}.`)
  return context
    .strings()
    .filter(({ path }) => path?.some((place) => planes.some((plane) => place.startsWith(plane))))
    .map(asSubject)
}

const asSubject = (string: StringInForce): Subject => ({
  kind: 'string',
  id: string.id,
  label: string.label,
  string,
})

export const EACH = [
  'unit',
  'terminal',
  'string',
  'device',
  'branch',
  'plane',
  'bond',
  'conductor',
  'part',
] as const
export type Each = (typeof EACH)[number]
export const eachField = optional(oneOf(EACH, 'one check for each of these'), 'unit')

/** What the subjects of each are found in. */
export const READS_OF_EACH = {
  unit: [],
  terminal: [],
  string: ['array', 'units'],
  device: ['array'],
  branch: ['array'],
  plane: ['array'],
  bond: ['earthing', 'units'],
  conductor: ['network'],
  part: ['network'],
} satisfies Record<Each, readonly Reads[]>

/** What a requirement is asked of, once for each. */
export function subjectsOf(
  { each, where }: { each: Each; where: TerminalFilter },
  unit: UnitBuilt,
  sheet: Pick<SheetHead, 'terminals'>,
  context: JudgementContext,
): Subject[] {
  return BY_EACH[each](unit, context, sheet, where)
}

const BY_EACH = {
  unit: () => [wholeUnit],
  terminal: (_unit, _world, { terminals }, where) => matching(terminals, where).map(terminalSubject),
  string: (unit, context) => {
    const found = [
      stringSubjects(unit, context),
      electronicsStrings(unit, context),
      moduleStrings(unit, context),
    ]
    return found.find((some) => some.length > 0) ?? []
  },
  device: (unit, { asBuilt }) =>
    asBuilt.array.devices
      .filter(({ unitId }) => unitId === unit.id)
      .map((device) => ({
        kind: 'device',
        id: device.id,
        label: `${planeOf(asBuilt, device.at)}, ${placeWords(device.at)}`,
        device,
      })),
  branch: (unit, { asBuilt }) =>
    asBuilt.array.branches
      .filter(({ unitId }) => unitId === unit.id)
      .map((branch) => ({ kind: 'branch', id: branch.id, label: branch.label, branch })),
  plane: (unit, { asBuilt }) =>
    planesOf(unit, asBuilt).map((plane) => ({ kind: 'plane', id: plane.id, label: plane.label, plane })),
  bond: (unit, context) => {
    const { asBuilt } = context
    const parts = new Map(asBuilt.earth.parts.map((one) => [one.id, one]))
    const units = new Set(asBuilt.units.map(({ id }) => id))
    const unitOf = (id: EarthPartId) => {
      const of = parts.get(id)?.unitId
      return of !== undefined && units.has(of) ? of : undefined
    }
    const labelOf = (id: EarthPartId) => parts.get(id)?.label ?? id
    const all = isHouse(unit, context)
    return asBuilt.earth.bonds
      .filter(({ from, to }) => all || (unitOf(from) ?? unitOf(to) ?? keeperOfBonds(context)) === unit.id)
      .map((bond) => ({
        kind: 'bond',
        id: bond.id,
        label: `${labelOf(bond.from)} to ${labelOf(bond.to)}`,
        bond,
      }))
  },
  conductor: (unit, { asBuilt: { network }, labelOf, sheetOf }) => {
    const own = new Set(network.parts.filter(({ unitId }) => unitId === unit.id).map(({ id }) => id))
    const all = isHouse(unit, { sheetOf })
    return network.conductors
      .filter(({ from, to }) => all || own.has(from) || own.has(to))
      .map((conductor) => ({
        kind: 'conductor',
        id: conductor.id,
        label: `${labelOf(conductor.from)} to ${labelOf(conductor.to)}`,
        conductor,
      }))
  },
  part: (unit, { asBuilt: { network }, sheetOf }) => {
    const all = isHouse(unit, { sheetOf })
    return network.parts
      .filter(({ unitId }) => all || unitId === unit.id)
      .map((part) => ({ kind: 'part', id: part.id, label: part.label, part }))
  },
} satisfies Record<
  Each,
  (
    unit: UnitBuilt,
    context: JudgementContext,
    sheet: Pick<SheetHead, 'terminals'>,
    where: TerminalFilter,
  ) => Subject[]
>

/** Bonds between parts that belong to no unit, such as a bar, are looked at once: with the first unit whose sheet asks for bonds. */
function keeperOfBonds({ asBuilt, sheet }: JudgementContext): string | undefined {
  const asks = ({ sheetId }: UnitBuilt, ...kinds: string[]) =>
    kinds.every((kind) => sheet(sheetId)?.requirements.some((one) => one.kind === kind))
  const first = (...kinds: string[]) => asBuilt.units.find((unit) => asks(unit, ...kinds))?.id
  return first('earth-size', 'earth-continuity') ?? first('earth-continuity') ?? first('earth-size')
}

/** The planes of a unit: those whose modules it stands for, or on which its devices sit. */
function planesOf(unit: UnitBuilt, { array }: JudgementContext['asBuilt']) {
  const carrying = new Set(
    array.devices.filter(({ unitId }) => unitId === unit.id).map(({ at }) => planeOfPlace(at)),
  )
  return array.planes.filter(({ id, unitId }) => unitId === unit.id || carrying.has(id))
}

const planeOf = ({ array }: JudgementContext['asBuilt'], place: string) =>
  array.planes.find(({ id }) => id === planeOfPlace(place))?.label ?? 'array'
