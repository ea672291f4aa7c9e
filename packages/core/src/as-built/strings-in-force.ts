import { placeWords } from '../ids/place-id.js'
import type { PlaceId } from '../ids/ids.js'
import { joinAnd } from '../quantity/phrases.js'
import type { SheetHead } from '../sheet/head.js'
import { stringMakeUp, type ArrayLookup } from './module-lookup.js'
import type { StringBuilt } from './string.js'

/** A string as it is judged: its module by the sheet in force, its count by its path. */
export interface StringInForce extends StringBuilt {
  /** Why nothing about it can be proven. */
  doubt?: string | undefined
}

/**
 * The strings with what follows from elsewhere. Along a path the modules are those of the planes it runs over; a string that was entered by
 * its count follows the sheet whose name its module has. What was written down when the string was entered counts only where no sheet
 * says anything. A place belongs to one string: where two claim it, neither count is proven. Nor is a string of several kinds of module
 * while the sheet of one of them does not say what it is.
 */
export function stringsInForce(
  strings: readonly StringBuilt[],
  lookup: ArrayLookup,
  modules: readonly SheetHead[],
): StringInForce[] {
  const claims = new Map<string, number>()
  for (const { path = [] } of strings)
    for (const place of path) claims.set(place, (claims.get(place) ?? 0) + 1)
  const byName = new Map(modules.map((sheet) => [`${sheet.maker} ${sheet.model}`, sheet.module!]))
  return strings.map((string) => {
    const { count } = stringMakeUp(string, lookup)
    const { data = string.module, unknownAt } = string.path
      ? dataAlong(string.path, lookup)
      : { data: byName.get(string.module.name), unknownAt: undefined }
    const twice = (string.path ?? []).filter((place) => claims.get(place)! > 1)
    const { voc, vocTempCoeff, cellsInSeries, bypassDiodes } = data
    const doubt =
      twice.length > 0
        ? `the module at ${joinAnd([...new Set(twice)].map(placeWords))} is on another string too: correct the array map`
        : unknownAt &&
          `the sheet of the module at ${placeWords(unknownAt)} does not say its voltage: complete it`
    return {
      ...string,
      count: Math.max(1, count),
      module: { name: string.module.name, voc, vocTempCoeff, cellsInSeries, bypassDiodes },
      ...(doubt !== undefined && { doubt }),
    }
  })
}

type Module = NonNullable<SheetHead['module']>
type ModuleFigures = Pick<Module, 'voc' | 'vocTempCoeff' | 'cellsInSeries' | 'bypassDiodes'>

/** The data of the modules on a path: of one where they are alike, else of their mean; and where one is that nobody knows, among others that are known. */
function dataAlong(
  path: readonly PlaceId[],
  lookup: ArrayLookup,
): { data?: ModuleFigures | undefined; unknownAt?: PlaceId | undefined } {
  const found = path.map((place) => lookup.moduleAt(place))
  const known = found.flatMap((module) => module?.data ?? [])
  if (known.length === 0) return {}
  const unknownAt = path[found.findIndex((module) => module && !module.data)]
  return { data: known.every((one) => one === known[0]) ? known[0] : meanOf(known), unknownAt }
}

/**
 * A module of which as many give the same voltage as the mixed ones together, at every temperature: the mean of their voltages, with the
 * mean of their coefficients weighed by voltage, since Σ Uᵢ·(1 + βᵢ·ΔT) = n·U·(1 + β·ΔT) holds for these.
 */
function meanOf(modules: readonly Module[]): ModuleFigures {
  const sum = (of: (module: Module) => number) => modules.reduce((so, module) => so + of(module), 0)
  const voltage = sum(({ voc }) => voc)
  return {
    voc: voltage / modules.length,
    vocTempCoeff: sum(({ voc, vocTempCoeff }) => voc * vocTempCoeff) / voltage,
    cellsInSeries: Math.round(sum(({ cellsInSeries }) => cellsInSeries) / modules.length),
    bypassDiodes: Math.max(1, Math.round(sum(({ bypassDiodes }) => bypassDiodes) / modules.length)),
  }
}
