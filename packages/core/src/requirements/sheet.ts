import { BadInput } from '../shape/bad-input.js'
import {
  list,
  object,
  refine,
  requireUniqueIds,
  variants,
  type JsonSchema,
  type Shape,
} from '../shape/shape.js'
import { sheetHead, type SheetHead } from '../sheet/head.js'
import { KINDS, type Requirement } from './kinds.js'

const shapes = Object.fromEntries(Object.entries(KINDS).map(([name, { shape }]) => [name, shape]))

// Each kind's own file knows the type of its shape; put together they are the union that `Requirement` names.
const requirement: Shape<Requirement> = variants('kind', shapes as never)
const sheetFields = object({ ...sheetHead.fields, requirements: list(requirement, { mayBeEmpty: true }) })

export interface Sheet extends SheetHead {
  requirements: Requirement[]
}

const sheetShape = refine(sheetFields, (sheet) => {
  requireUniqueIds(sheet.terminals, 'terminals')
  requireUniqueIds(sheet.requirements, 'requirements')
  if (sheet.kind === 'module' && !sheet.module)
    throw new BadInput('missing', 'module', 'is required in a sheet of a module')
})

/**
 * Reads the data of a sheet file, `plumb-mark-sheet` version 1. Figures with units become canonical. Bad input: whatever does not fit,
 * with its path (`requirements[3].clear.left`).
 */
export function readSheet(data: unknown): Sheet {
  return sheetShape.read(data, '')
}

/** Reads one requirement by itself, as the `path` of a sheet file. Bad input: as `readSheet`. */
export const readRequirement = (data: unknown, path: string): Requirement => requirement.read(data, path)

/** The published description of the format. */
export function sheetSchema(): JsonSchema & Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: 'plumb-mark-sheet-1',
    title: 'plumb-mark-sheet, version 1',
    ...sheetFields.schema,
  }
}
