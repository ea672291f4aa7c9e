import { isOpen } from '../job/defect-process.js'
import type { Role } from '../job/person.js'
import type { Severity } from '../sheet/terms.js'
import type { Defect } from './defect.js'

/** Is the day over by which an open defect was to be put right? `today` as 2026-06-01, at the site. */
export const isOverdue = (defect: Pick<Defect, 'state' | 'due'>, today: string): boolean =>
  isOpen(defect) && defect.due !== undefined && defect.due !== '' && defect.due < today

const RANK: Record<Severity, number> = { stop: 0, major: 1, minor: 2, note: 3 }

/** Defects as they are listed: what is owed before what is done, what is overdue first, then by severity and by the day. */
export const byUrgency =
  (today: string) =>
  (a: Defect, b: Defect): number =>
    Number(isOpen(b)) - Number(isOpen(a)) ||
    Number(isOverdue(b, today)) - Number(isOverdue(a, today)) ||
    RANK[a.severity] - RANK[b.severity] ||
    (a.due ?? LAST_DAY).localeCompare(b.due ?? LAST_DAY)

const LAST_DAY = '9999-12-31'

/** Does somebody in this role look at the defect as theirs to see to? What an installer reworked is with the inspector. */
export const isOwedBy = (role: Role | undefined, defect: Defect): boolean =>
  role === 'installer' ? defect.state === 'open' : isOpen(defect)
