import { placeWords } from '../ids/place-id.js'
import { listed } from '../quantity/say.js'
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
 * says anything. A place belongs to one string: where two claim it, neither count is proven.
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
    const data = string.path ? dataAlong(string.path, lookup) : byName.get(string.module.name)
    const twice = (string.path ?? []).filter((place) => claims.get(place)! > 1)
    const { voc, vocTempCoeff, cellsInSeries, bypassDiodes } = data ?? string.module
    return {
      ...string,
      count: Math.max(1, count),
      module: { name: string.module.name, voc, vocTempCoeff, cellsInSeries, bypassDiodes },
      ...(twice.length > 0 && {
        doubt: `the module at ${listed([...new Set(twice)].map(placeWords))} is on another string too: correct the array map`,
      }),
    }
  })
}

/** The data of the modules on a path, where they are all of one sheet. */
function dataAlong(path: readonly string[], lookup: ArrayLookup): SheetHead['module'] {
  const found = path.map((place) => lookup.moduleAt(place))
  const sheets = new Set(found.map((module) => module?.sheetId))
  return sheets.size === 1 ? found[0]?.data : undefined
}
