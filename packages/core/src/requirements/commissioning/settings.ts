import { answered } from '../given.js'
import { settings as compareSettings, settingRule, type SettingRule } from '../../commissioning/settings.js'
import { list, object, refine, requireUniqueIds, text, join } from '../../shape/shape.js'
import type { JudgedVerdict } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** Settings as they stand in the unit against what they must be; compared without case and outer blanks, numbers as numbers. */
export const settings = defineKind(
  refine(
    requirementOf({ settings: list(object({ id: text(), label: text(), rule: settingRule })) }),
    (requirement, path) => requireUniqueIds(requirement.settings, join(path, 'settings')),
  ),
  {
    minutes: 6,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: (requirement) => ({
      kind: 'record',
      form: 'fields',
      fields: requirement.settings.map(({ id, label, rule }) => ({
        id,
        label,
        required: words(rule as SettingRule),
      })),
    }),
    required: (requirement) =>
      requirement.settings.map(({ label, rule }) => `${label}: ${words(rule as SettingRule)}`).join(', '),
    judge(requirement, _subject, given) {
      const answer = answered(given, 'fields')
      if (!answer) return undefined
      const { items, verdict, working, notes } = compareSettings({
        expected: Object.fromEntries(
          requirement.settings.map((setting) => [
            setting.id,
            isVersion(setting) ? versionRule(setting.rule as SettingRule) : (setting.rule as SettingRule),
          ]),
        ),
        recorded: Object.fromEntries(
          requirement.settings.flatMap((setting) => {
            const typed = answer.values[setting.id]?.typed
            return typed === undefined ? [] : [[setting.id, isVersion(setting) ? asVersion(typed) : typed]]
          }),
        ),
      })
      const label = (key: string) => requirement.settings.find(({ id }) => id === key)!.label
      const of = (wanted: string) =>
        items.filter((item) => item.verdict === wanted).map(({ key }) => label(key))
      const wrong = of('does-not-conform')
      const open = of('not-inspected')
      return {
        verdict:
          verdict === 'not-inspected' || verdict === 'not-applicable'
            ? 'not-proven'
            : (verdict as JudgedVerdict),
        working,
        notes,
        finding:
          wrong.length > 0
            ? `${wrong.join(', ')} not as asked`
            : open.length > 0
              ? `${open.length} not read yet`
              : 'as asked',
        wanting: `read ${open.join(', ')}`,
      }
    },
  },
)

function words(rule: SettingRule): string {
  if ('equals' in rule && rule.equals !== undefined) return String(rule.equals)
  if ('oneOf' in rule && rule.oneOf) return rule.oneOf.join(' or ')
  const { min, max } = rule as { min?: number; max?: number }
  return [min === undefined ? '' : `from ${min}`, max === undefined ? '' : `up to ${max}`]
    .filter(Boolean)
    .join(' ')
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
