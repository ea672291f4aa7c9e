import { unknownFields } from '../quantity/unknown-fields.js'
import { attempt } from '../shape/attempt.js'
import type { BadInput } from '../shape/bad-input.js'
import { impossibleDemands } from './impossible.js'
import { readRequirement, readSheet, sheetSchema } from './sheet.js'

/**
 * What keeps the data of a sheet file from being read, as its author mends it: the first fault of the head, and the first of each
 * requirement read by itself; and where it can be read, what it demands that nothing could meet or show. A sheet that was taken in before
 * such a demand was known is still read by `readSheet`.
 */
export function sheetFaults(data: unknown): BadInput[] {
  const read = attempt(() => readSheet(data))
  if (read.ok) return impossibleDemands(read.value)
  const whole = read.problem
  const requirements = (data as { requirements?: unknown } | null)?.requirements
  if (!Array.isArray(requirements)) return [whole]
  const inHead = faultOf(() => readSheet({ ...(data as object), requirements: [] }))
  const found = [
    inHead,
    ...requirements.map((one, i) => faultOf(() => readRequirement(one, `requirements[${i}]`))),
  ].filter((fault) => fault !== undefined)
  // What only shows across requirements, such as one id given twice.
  return found.length > 0 ? found : [whole]
}

/**
 * Paths of the fields that the format has no place for and reading passes over: a condition with a misspelt name would be lost without a
 * word. Where data fit no shape at all nothing is said; that is a fault, and `sheetFaults` names it.
 */
export function unknownSheetFields(data: unknown): string[] {
  return unknownFields(sheetSchema(), data)
}

function faultOf(read: () => unknown): BadInput | undefined {
  const done = attempt(read)
  return done.ok ? undefined : done.problem
}
