import { answered } from '../evidence-input.js'
import type { AnswerOf } from '../../answer/forms.js'
import type { EvidenceInput } from '../evidence-input.js'
import {
  asNumber,
  settings as compareSettings,
  settingRule,
  type SettingRule,
} from '../../commissioning/settings.js'
import { pointShape } from '../../device/point.js'
import { list, object, optional, refine, requireUniqueIds, text, join, type Read } from '../../shape/shape.js'
import { worst, type JudgedVerdict, type Verdict } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'
import { judgeTogether, requireKnownSettings, togetherField } from './settings-together.js'

const settingShape = object({
  id: text(),
  label: text(),
  rule: optional(settingRule),
  unit: optional(text('as the display shows it')),
  from: optional(pointShape),
  says: optional(
    object(
      { positive: optional(text()), zero: optional(text()), negative: optional(text()) },
      'what a figure does, in words; {} stands for its size',
    ),
  ),
})
export type SettingAsked = Read<typeof settingShape>

const shape = refine(
  requirementOf({
    settings: list(settingShape),
    together: togetherField,
  }),
  ({ settings: all, together }, path) => {
    requireUniqueIds(all, join(path, 'settings'))
    requireKnownSettings(together, all, join(path, 'together'))
  },
)

/**
 * Settings as they stand in the unit against what they must be, typed or read off the device; compared without case and outer blanks,
 * numbers as numbers. One without a rule must be written down. Some only make sense together, and are judged so.
 */
export const settings = defineKind(shape, {
  minutes: 6,
  reads: ({ together = [] }) => (together.some(({ rule }) => rule === 'as-fitted') ? ['units'] : []),
  expand: () => [wholeUnit],
  ask: (requirement) => ({
    kind: 'record',
    form: 'fields',
    fields: requirement.settings.map((setting) => ({
      id: setting.id,
      label: setting.unit ? `${setting.label}, ${setting.unit}` : setting.label,
      required: ruleWords(setting),
      ...optionsOf(setting),
    })),
  }),
  required: (requirement) =>
    requirement.settings.map((setting) => `${setting.label}: ${ruleWords(setting)}`).join(', '),
  judge(requirement, _subject, evidence, context) {
    const answer = answered(evidence, 'fields')
    if (!answer) return undefined
    const { items, verdict, working, notes } = compared(requirement.settings, answer.values)
    const label = (key: string) => requirement.settings.find(({ id }) => id === key)!.label
    const of = (wanted: string) =>
      items.filter((item) => item.verdict === wanted).map(({ key }) => label(key))
    const wrong = of('does-not-conform')
    const [first] = items.filter((item) => item.verdict === 'does-not-conform')
    const does =
      first &&
      whatItDoes(
        requirement.settings.find(({ id }) => id === first.key)!,
        answer.values[first.key]?.typed,
      )
    const blank = requirement.settings.filter(({ id, rule }) => !rule && !answer.values[id]?.typed.trim())
    const open = [...of('not-inspected'), ...blank.map(({ id }) => label(id))]
    const together = judgeTogether(requirement.together ?? [], answer.values, requirement.settings, context)
    const said = (verdict: JudgedVerdict) => together.find((one) => one.verdict === verdict)?.finding
    return {
      verdict: worst<JudgedVerdict>([
        verdict === 'does-not-conform' ? verdict : 'conforms',
        ...(open.length > 0 ? ['not-proven' as const] : []),
        ...together.map((one) => one.verdict),
      ]) as JudgedVerdict,
      working: [...working, ...together.map((one) => one.working)],
      notes: [...notes, ...whatTheyDo(requirement.settings, evidence)],
      finding:
        wrong.length > 0
          ? `${wrong.join(', ')} not as asked${does ? `: ${does}` : ''}`
          : (said('does-not-conform') ??
            (open.length > 0 ? `${open.length} not read yet` : (said('not-proven') ?? 'as asked'))),
      wanting: open.length > 0 ? `read ${open.join(', ')}` : (said('not-proven') ?? 'read them again'),
    }
  },
})

type Values = AnswerOf<'fields'>['values']

/** Those with a rule, each against it. */
function compared(all: readonly SettingAsked[], values: Values) {
  const ruled = all.filter(({ rule }) => rule)
  return compareSettings({
    expected: Object.fromEntries(ruled.map((setting) => [setting.id, ruleOf(setting)])),
    recorded: Object.fromEntries(
      ruled.map((setting) => [setting.id, recordedOf(setting, values[setting.id]?.typed)]),
    ),
  })
}

/** As it is compared. A version between two others is not a number: it stands for the end that it keeps, or for a word, which keeps none. */
function recordedOf(setting: SettingAsked, typed: string | undefined): string | number | undefined {
  if (typed === undefined || !typed.trim() || !isVersion(setting)) return typed
  const { min, max } = setting.rule as { min?: number; max?: number }
  if (min === undefined && max === undefined) return asVersion(typed)
  return inVersions(typed, { min, max } as { min?: number; max?: number }) ? (min ?? max)! : asVersion(typed)
}

/** One row for each setting: what it must be, how it stands by itself, and what the figure does. */
export function settingRows(
  all: readonly SettingAsked[],
  values: Values,
): { setting: SettingAsked; required: string; verdict: Verdict; does: string | undefined }[] {
  const { items } = compared(all, values)
  return all.map((setting) => {
    const typed = values[setting.id]?.typed
    const own = items.find(({ key }) => key === setting.id)?.verdict
    return {
      setting,
      required: ruleWords(setting),
      verdict: own ?? (typed?.trim() ? 'conforms' : 'not-inspected'),
      does: whatItDoes(setting, typed),
    }
  })
}

function ruleOf(setting: SettingAsked): SettingRule {
  const rule = setting.rule as SettingRule
  return isVersion(setting) ? versionRule(rule) : rule
}

function ruleWords({ rule: asked }: SettingAsked): string {
  if (!asked) return 'written down'
  const rule = asked as SettingRule
  if ('equals' in rule && rule.equals !== undefined) return String(rule.equals)
  if ('oneOf' in rule && rule.oneOf) return rule.oneOf.join(' or ')
  const { min, max } = rule as { min?: number; max?: number }
  return [min === undefined ? '' : `from ${min}`, max === undefined ? '' : `up to ${max}`]
    .filter(Boolean)
    .join(' ')
}

/** Where the device knows a list, its words are offered; others may still be typed. */
function optionsOf({ from, rule }: SettingAsked): { options?: readonly string[] } {
  const listed = [...((rule as { oneOf?: unknown[] } | undefined)?.oneOf ?? [])].map(String)
  const words = from?.words ? Object.values(from.words) : []
  const all = [...new Set([...words, ...listed])]
  return all.length > 1 ? { options: all } : {}
}

/** What a figure does, in the sheet's words: the sign alone tells nobody which way the power may flow. */
export function whatItDoes({ says, unit }: SettingAsked, typed: string | undefined): string | undefined {
  const value = typed === undefined ? undefined : asNumber(typed)
  if (!says || value === undefined) return undefined
  const words = value > 0 ? says.positive : value < 0 ? says.negative : says.zero
  return words?.replace('{}', `${Math.abs(value)}${unit ? ` ${unit}` : ''}`)
}

function whatTheyDo(all: readonly SettingAsked[], evidence: EvidenceInput | undefined): string[] {
  const values = answered(evidence, 'fields')?.values ?? {}
  return all.flatMap((setting) => {
    const typed = values[setting.id]?.typed
    const does = whatItDoes(setting, typed)
    return does ? [`${setting.label} ${typed}: ${does}`] : []
  })
}

/** A version is a name made of numbers: 1.10 comes long after 1.1. */
const isVersion = ({ id, label }: { id: string; label: string }): boolean =>
  /firmware|version|software/i.test(`${id} ${label}`)

const asVersion = (said: unknown): string =>
  `version ${String(said)
    .trim()
    .replace(/^v(?=\d)/i, '')}`

function versionRule(rule: SettingRule): SettingRule {
  if ('equals' in rule && rule.equals !== undefined) return { equals: asVersion(rule.equals) }
  return 'oneOf' in rule && rule.oneOf ? { oneOf: rule.oneOf.map(asVersion) } : rule
}

/**
 * A version against a least or greatest one: 1 where it comes after, −1 before, 0 where they are one, and undefined
 * where it is no version. Part by part, as numbers: "2.1" comes after "2", "1.10" after "1.9".
 */
function versionOrder(found: string, limit: number): -1 | 0 | 1 | undefined {
  const version = /^v?(\d+(?:\.\d+)*)/i.exec(found.trim())?.[1]
  if (version === undefined) return undefined
  const [is, end] = [version, String(limit)].map((one) => one.split('.').map(Number)) as [number[], number[]]
  for (let i = 0; i < Math.max(is.length, end.length); i++)
    if ((is[i] ?? 0) !== (end[i] ?? 0)) return (is[i] ?? 0) > (end[i] ?? 0) ? 1 : -1
  return 0
}

/** Within which versions one must lie, judged by its parts; what is no version does not conform. */
function inVersions(found: string, { min, max }: { min?: number; max?: number }): boolean {
  const least = min === undefined ? 1 : versionOrder(found, min)
  const most = max === undefined ? -1 : versionOrder(found, max)
  return least !== undefined && least >= 0 && most !== undefined && most <= 0
}
