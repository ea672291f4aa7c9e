import { BadInput } from '../shape/bad-input.js'
import { atLeast, atMost } from '../verdict/compare.js'
import { dictionary, join, list, num, object, optional, refine, type Shape } from '../shape/shape.js'
import { judged, worst, type Explained, type Verdict } from '../verdict/verdict.js'

export type Setting = string | number | boolean

const setting: Shape<Setting> = {
  schema: { oneOf: [{ type: 'string' }, { type: 'number' }, { type: 'boolean' }] },
  read(value, path) {
    if (typeof value === 'number' && !Number.isFinite(value))
      throw new BadInput('not-finite', path, 'must be a finite number')
    if (typeof value !== 'string' && typeof value !== 'number' && typeof value !== 'boolean')
      throw new BadInput(
        value === undefined || value === null ? 'missing' : 'wrong-type',
        path,
        'must be text, a number, or true or false',
      )
    return value
  },
}

export const settingRule = refine(
  object({
    equals: optional(setting),
    oneOf: optional(list(setting)),
    min: optional(num()),
    max: optional(num()),
  }),
  ({ equals, oneOf, min, max }, path) => {
    const kinds = [equals !== undefined, oneOf !== undefined, min !== undefined || max !== undefined].filter(
      Boolean,
    ).length
    if (kinds === 0) throw new BadInput('no-content', path, 'needs equals, oneOf, or min and max')
    if (kinds > 1) throw new BadInput('out-of-range', path, 'takes one of equals, oneOf, or min and max')
    if (min !== undefined && max !== undefined && min > max)
      throw new BadInput('min-above-max', join(path, 'min'), 'must not be above max')
  },
)

const recordedValue: Shape<Setting | undefined> = {
  schema: setting.schema,
  read: (value, path) => (value === undefined || value === null ? undefined : setting.read(value, path)),
}

export const settingsInput = object({
  expected: dictionary(settingRule),
  recorded: dictionary(recordedValue),
})

export type SettingRule = { equals: Setting } | { oneOf: Setting[] } | { min?: number; max?: number }
export interface SettingsInput {
  expected: Record<string, SettingRule>
  recorded: Record<string, Setting | null | undefined>
}
export interface SettingsResult extends Explained {
  items: { key: string; verdict: Verdict }[]
  extra: string[]
  verdict: Verdict
}

/**
 * Are the settings as they must be? Text is compared without outer blanks and case, numbers as numbers, text that reads as a number as
 * that number; ends of a range are inside. What was not written down is not inspected; what nobody asked for is listed.
 * Bad input: a rule without content or with two kinds of it. Source: plain comparison.
 */
export function settings(input: SettingsInput): SettingsResult {
  const { expected, recorded } = settingsInput.read(input, '')
  const items = Object.entries(expected).map(([key, wanted]) => ({
    key,
    verdict: judgeOne(wanted, Object.hasOwn(recorded, key) ? recorded[key] : undefined),
  }))
  const extra = Object.keys(recorded).filter((key) => !Object.hasOwn(expected, key))
  return {
    items,
    extra,
    verdict: worst(items.map(({ verdict }) => verdict)),
    working: items.map(
      ({ key, verdict }) =>
        `${key}: ${String(recorded[key] ?? 'not written down')}, wanted ${said(expected[key]!)}: ${verdict}`,
    ),
    notes: extra.length > 0 ? [`also recorded, nothing asked: ${extra.join(', ')}`] : [],
  }
}

type Rule = ReturnType<typeof settingRule.read>

function judgeOne(wanted: Rule, found: Setting | undefined): Verdict {
  if (found === undefined || (typeof found === 'string' && found.trim() === '')) return 'not-inspected'
  if (wanted.equals !== undefined) return judged(same(wanted.equals, found))
  if (wanted.oneOf) return judged(wanted.oneOf.some((one) => same(one, found)))
  const figure = asNumber(found)
  if (figure === undefined) return 'does-not-conform'
  return judged(
    (wanted.min === undefined || atLeast(figure, wanted.min)) &&
      (wanted.max === undefined || atMost(figure, wanted.max)),
  )
}

function same(a: Setting, b: Setting): boolean {
  const [x, y] = [asNumber(a), asNumber(b)]
  if (x !== undefined && y !== undefined) return atLeast(x, y) && atMost(x, y)
  return folded(a) === folded(b)
}

const folded = (value: Setting) => String(value).trim().toLowerCase()
const NUMBER = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i

/** A setting as a figure, where it reads as one. */
export function asNumber(value: Setting): number | undefined {
  if (typeof value === 'number') return value
  if (typeof value !== 'string' || !NUMBER.test(value.trim())) return undefined
  const figure = Number(value.trim())
  return Number.isFinite(figure) ? figure : undefined
}

function said({ equals, oneOf, min, max }: Rule): string {
  if (equals !== undefined) return String(equals)
  if (oneOf) return oneOf.join(' or ')
  return [min === undefined ? '' : `at least ${min}`, max === undefined ? '' : `at most ${max}`]
    .filter(Boolean)
    .join(', ')
}
