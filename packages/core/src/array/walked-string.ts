import type { PlaceId } from '../as-built/array.js'
import type { StringBuilt } from '../as-built/as-built.js'
import type { World } from '../sheet/kinds/kind.js'

/** What is said of a string that was walked over the array map, beside what follows from its modules. */
export interface StringSaid {
  id: string
  label: string
  unitId: string
  input: string
  path: readonly PlaceId[]
  coldMethod: 'coefficient' | 'table'
}

/**
 * A string as its entry has it: its count is that of the places walked, its module that of the first place whose sheet is known. Where
 * none is, the module of the string as it was before stays; undefined when there is none either, or nothing was walked.
 */
export function walkedString(said: StringSaid, before: StringBuilt | undefined, world: Pick<World, 'array' | 'sheetOf'>): StringBuilt | undefined {
  const first = said.path.map((place) => world.array().moduleAt(place)).find((module) => module?.data)
  const sheet = first && world.sheetOf(first.plane.unitId)
  const module = sheet?.module ? { name: `${sheet.maker} ${sheet.model}`, voc: sheet.module.voc, vocTempCoeff: sheet.module.vocTempCoeff, cellsInSeries: sheet.module.cellsInSeries, bypassDiodes: sheet.module.bypassDiodes } : before?.module
  return module && said.path.length > 0 ? { ...said, path: [...said.path], label: said.label.trim(), count: said.path.length, module } : undefined
}
