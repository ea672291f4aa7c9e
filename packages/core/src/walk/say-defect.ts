import type { Remark } from '../job/state.js'
import type { Check } from './check.js'
import type { Defect } from './defect.js'
import type { Inspection } from './inspect.js'

const NAMES = {
  severity: 'severity',
  due: 'due',
  responsible: 'for',
  title: 'title:',
  place: 'place:',
  finding: 'found:',
  remedy: 'remedy:',
} as const

/** What was said otherwise of a defect: “severity minor, due 2026-06-08, for Roof crew”. */
export const sayAmendment = ({ body }: Pick<Defect['amended'][number], 'body'>): string =>
  (Object.keys(NAMES) as (keyof typeof NAMES)[])
    .flatMap((name) => (body[name] === undefined ? [] : [`${NAMES[name]} ${body[name]}`]))
    .join(', ')

/** The check or the defect that a remark is about, as it stands now; neither where it is about the job. */
export function remarkedOn(
  { checkId, defectId }: Pick<Remark, 'checkId' | 'defectId'>,
  { checks, defects, at }: Pick<Inspection, 'checks' | 'defects' | 'at'>,
): { check?: Check; defect?: Defect } {
  const check = checkId === undefined ? undefined : checks[at.byId.get(checkId) ?? -1]?.check
  const defect = defects.find(({ id }) => id === defectId)
  return { ...(check && { check }), ...(defect && { defect }) }
}
