import type { StringBuilt } from '../as-built/string.js'
import type { PlaceId } from '../ids/ids.js'
import type { JudgementContext } from '../requirements/judgement-context.js'
import type { SheetHead } from '../sheet/head.js'

/** What is said of a string, beside what follows from its modules. */
interface Said {
  id: string
  label: string
  unitId: string
  input: string
  coldMethod: 'coefficient' | 'table'
}
export type StringSaid = Said & { path: readonly PlaceId[] }

/**
 * A string as its entry has it: its count is that of the places walked, its module that of the first place whose sheet is known. Where
 * none is, the module of the string as it was before stays; undefined when there is none either, or nothing was walked.
 */
export function walkedString(
  said: StringSaid,
  before: StringBuilt | undefined,
  context: Pick<JudgementContext, 'array' | 'sheetOf'>,
): StringBuilt | undefined {
  const first = said.path.map((place) => context.array().moduleAt(place)).find((module) => module?.data)
  const sheet = first && context.sheetOf(first.plane.unitId)
  const module = (sheet && dataOf(sheet)) ?? before?.module
  return module && said.path.length > 0
    ? { ...said, path: [...said.path], label: said.label.trim(), count: said.path.length, module }
    : undefined
}

/** A string that nobody drew: so many modules of one sheet; undefined where that sheet is of no module. */
export function countedString(
  { count, ...said }: Said & { count: number },
  sheet: SheetHead | undefined,
): StringBuilt | undefined {
  const module = sheet && dataOf(sheet)
  return module && { ...said, label: said.label.trim(), count, module }
}

/** Are these the modules that a string was made of? */
export const isModuleOf = (string: StringBuilt, sheet: SheetHead | undefined): boolean =>
  sheet !== undefined && dataOf(sheet)?.name === string.module.name

/** What a string carries of its module, so that it can be judged when the sheet is gone. */
function dataOf({ maker, model, module }: SheetHead): StringBuilt['module'] | undefined {
  return (
    module && {
      name: `${maker} ${model}`,
      voc: module.voc,
      vocTempCoeff: module.vocTempCoeff,
      cellsInSeries: module.cellsInSeries,
      bypassDiodes: module.bypassDiodes,
    }
  )
}
