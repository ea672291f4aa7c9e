import { byBadness, worst, type Verdict } from '../verdict/verdict.js'
import type { SheetRef } from '../sheet/ref.js'
import { sheetName } from '../sheet/ref.js'
import type { JudgedCheck } from './check.js'

export const LIST_ORDERS = ['requirement', 'place', 'worst'] as const
export type ListOrder = (typeof LIST_ORDERS)[number]

/** What several checks have in common, so that they are answered together. */
export type Together = 'observation' | 'reading' | 'other' | 'not-applicable'

/** Checks that stand together in the list as one row. */
export interface CheckGroup {
  /** The same for the same checks of a stage, however they were answered. */
  key: string
  together: Together
  title: string
  checks: readonly JudgedCheck[]
  verdict: Verdict
}

/** A row of the list of a stage: whose checks follow, several checks that stand together, or one check. */
export type ListItem =
  | { kind: 'heading'; key: string; label: string; sheet: string }
  | { kind: 'group'; key: string; group: CheckGroup }
  | { kind: 'check'; key: string; judged: JudgedCheck }

/**
 * The checks of a stage as they are listed. By requirement: sheet by sheet, equal units together, with the places of one requirement as
 * one row, and all readings of equal things as one table; what is not asked here stands last. By place: unit by unit, and what is done at
 * one thing stands together. Worst first: one by one.
 */
export function listed(checks: readonly JudgedCheck[], order: ListOrder): ListItem[] {
  return ORDERS[order](checks)
}

/** The checks of a list, in its order. */
export const checksOf = (items: readonly ListItem[]): JudgedCheck[] =>
  items.flatMap((item) =>
    item.kind === 'check' ? [item.judged] : item.kind === 'group' ? item.group.checks : [],
  )

const ORDERS = {
  requirement(checks: readonly JudgedCheck[]): ListItem[] {
    const asked = checks.filter(({ outcome }) => outcome.verdict !== 'not-applicable')
    const rest = checks.filter(({ outcome }) => outcome.verdict === 'not-applicable')
    const sections = [...by(asked, ({ check }) => check.unit.sheetId)].flatMap(([sheetId, ofSheet]) => [
      headingOf(`sheet ${sheetId}`, ofSheet),
      ...[...by(ofSheet, togetherKey)].map(([key, together]) => itemOf(key, together)),
    ])
    const last = rest.length > 0 ? [itemOf('not-applicable', rest)] : []
    return [...sections, ...last]
  },
  place: (checks: readonly JudgedCheck[]): ListItem[] =>
    [...by(checks, ({ check }) => check.unit.id)].flatMap(([unitId, ofUnit]) => [
      headingOf(`unit ${unitId}`, ofUnit),
      ...[...by(ofUnit, ({ check }) => check.subject.id).values()].flat().map(alone),
    ]),
  worst: (checks: readonly JudgedCheck[]): ListItem[] =>
    [...checks].sort((a, b) => byBadness(a.outcome.verdict, b.outcome.verdict)).map(alone),
} satisfies Record<ListOrder, (checks: readonly JudgedCheck[]) => ListItem[]>

/** The group in which a check stands by requirement: readings of equal things go together whatever is read there, all else by what is required. */
export function togetherKey({ check }: JudgedCheck): string {
  const { ask, unit, requirement, subject } = check
  return ask.kind === 'reading' && !requirement.photo
    ? `${unit.sheetId} readings ${subject.kind}`
    : `${unit.sheetId} ${requirement.id}`
}

function itemOf(key: string, checks: readonly JudgedCheck[]): ListItem {
  if (checks.length === 1) return alone(checks[0]!)
  const verdict = worst(checks.map(({ outcome }) => outcome.verdict))
  const { check } = checks[0]!
  const kind = check.ask.kind
  const together =
    key === 'not-applicable' || kind === 'reading' || kind === 'observation'
      ? ((key === 'not-applicable' ? key : kind) as Together)
      : 'other'
  const titles = [...new Set(checks.map((one) => one.check.requirement.title))]
  const title = together === 'not-applicable' ? 'Not asked here' : titles.join(', ')
  return { kind: 'group', key, group: { key, together, title, checks, verdict } }
}

const alone = (judged: JudgedCheck): ListItem => ({ kind: 'check', key: judged.check.id, judged })

function headingOf(key: string, checks: readonly JudgedCheck[]): ListItem {
  const units = [...new Set(checks.map(({ check }) => check.unit.label))]
  const sheet: SheetRef = checks[0]!.check.sheet
  return { kind: 'heading', key, label: units.join(', '), sheet: sheetName(sheet) }
}

function by<T>(all: readonly T[], keyOf: (one: T) => string): Map<string, T[]> {
  const found = new Map<string, T[]>()
  for (const one of all) {
    const key = keyOf(one)
    const there = found.get(key)
    if (there) there.push(one)
    else found.set(key, [one])
  }
  return found
}

/** What a place of a group is called: its thing, with the unit where there are several, else the unit. */
export function placeIn(group: Pick<CheckGroup, 'checks'>, { check }: JudgedCheck): string {
  const several = group.checks.some((one) => one.check.unit.id !== check.unit.id)
  if (check.subject.label === '') return check.unit.label
  return several ? `${check.unit.label}, ${check.subject.label}` : check.subject.label
}
