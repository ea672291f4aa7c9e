import { BadInput } from '../shape/bad-input.js'
import { list, object, refine, requireUniqueIds, variants, type JsonSchema } from '../shape/shape.js'
import { sheetHead, type SheetHead } from '../sheet/head.js'
import { KINDS, type Requirement } from './kinds.js'

const REQUIREMENT_SHAPES = Object.fromEntries(
  Object.entries(KINDS).map(([name, { shape }]) => [name, shape]),
) as unknown as { [K in keyof typeof KINDS]: (typeof KINDS)[K]['shape'] }

const requirement = variants('kind', REQUIREMENT_SHAPES as never)
const sheetFields = object({ ...sheetHead.fields, requirements: list(requirement, { mayBeEmpty: true }) })

export interface Sheet extends SheetHead {
  requirements: Requirement[]
}

const sheetShape = refine(sheetFields, (sheet) => {
  requireUniqueIds(sheet.terminals, 'terminals')
  requireUniqueIds(sheet.requirements as Requirement[], 'requirements')
  if (sheet.kind === 'module' && !sheet.module)
    throw new BadInput('missing', 'module', 'is required in a sheet of a module')
})

/**
 * Reads the data of a sheet file, `plumb-mark-sheet` version 1. Figures with units become canonical. Bad input: whatever does not fit,
 * with its path (`requirements[3].clear.left`).
 */
export function readSheet(data: unknown): Sheet {
  return sheetShape.read(data, '') as unknown as Sheet
}

/** Reads one requirement by itself, as the `path` of a sheet file. Bad input: as `readSheet`. */
export const readRequirement = (data: unknown, path: string): Requirement =>
  requirement.read(data, path) as unknown as Requirement

/** The published description of the format. */
export function sheetSchema(): JsonSchema & Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'plumb-mark-sheet-1',
    title: 'plumb-mark-sheet, version 1',
    ...sheetFields.schema,
  }
}
