import { asNumber } from '../../commissioning/settings.js'
import type { JudgementContext } from '../judgement-context.js'
import { BadInput } from '../../shape/bad-input.js'
import { list, object, oneOf, optional, refine, text, type Read } from '../../shape/shape.js'
import { UNIT_KINDS, UNIT_KIND_WORDS } from '../../sheet/terms.js'
import { atLeast } from '../../verdict/compare.js'
import { judged, type JudgedVerdict } from '../../verdict/verdict.js'

const RULES = ['below', 'goes-with', 'as-fitted'] as const

const togetherShape = refine(
  object({
    rule: oneOf(
      RULES,
      'a below b · where a is one of these, b is one of those · a is the count of fitted units of a kind',
    ),
    a: text('id of a setting'),
    b: optional(text('id of the other setting')),
    is: optional(list(text(), { about: 'goes-with: what a is' })),
    with: optional(list(text(), { about: 'goes-with: what b must be then' })),
    kind: optional(oneOf(UNIT_KINDS, 'as-fitted: which units are counted')),
    because: text('why, in plain words'),
  }),
  ({ rule, b, is, with: those, kind }, path) => {
    const missing = {
      below: b ? undefined : 'b',
      'goes-with': !b ? 'b' : !is ? 'is' : !those ? 'with' : undefined,
      'as-fitted': kind ? undefined : 'kind',
    }[rule]
    if (missing) throw new BadInput('missing', `${path}.${missing}`, `is required by the rule ${rule}`)
  },
)
export type Together = Read<typeof togetherShape>

/** Rules that a sheet states over several settings of one unit. */
export const togetherField = optional(list(togetherShape, { mayBeEmpty: true }))

export function requireKnownSettings(
  together: readonly Together[] | undefined,
  settings: readonly { id: string }[],
  path: string,
): void {
  together?.forEach(({ a, b }, i) => {
    for (const [name, id] of Object.entries({ a, b }))
      if (id !== undefined && !settings.some((one) => one.id === id))
        throw new BadInput('not-listed', `${path}[${i}].${name}`, `"${id}" is no setting of this requirement`)
  })
}

interface Found {
  verdict: JudgedVerdict
  working: string
  finding: string
}
type Values = Readonly<Record<string, { typed: string } | undefined>>

/** Each rule by what was found; where one of its settings was not read, nothing is proven by it. */
export function judgeTogether(
  rules: readonly Together[],
  values: Values,
  settings: readonly { id: string; label: string }[],
  context: Pick<JudgementContext, 'asBuilt' | 'sheetOf'>,
): Found[] {
  const label = (id: string) => settings.find((one) => one.id === id)!.label
  return rules.map((rule) => {
    const a = said(values, rule.a)
    const b = rule.b === undefined ? '' : said(values, rule.b)
    const names = rule.b === undefined ? label(rule.a) : `${label(rule.a)} and ${label(rule.b)}`
    if (a === undefined || b === undefined)
      return { verdict: 'not-proven', working: `${names}: not both read`, finding: `read ${names}` }
    const { fits, working } = BY_RULE[rule.rule](rule, a, b, context, label)
    if (fits === undefined)
      return { verdict: 'not-proven', working: `${working}: no figure`, finding: `read ${names} as figures` }
    return { verdict: judged(fits), working, finding: `${names} do not belong together: ${rule.because}` }
  })
}

const said = (values: Values, id: string): string | undefined => values[id]?.typed.trim() || undefined

type Judge = (
  rule: Together,
  a: string,
  b: string,
  context: Pick<JudgementContext, 'asBuilt' | 'sheetOf'>,
  label: (id: string) => string,
) => { fits: boolean | undefined; working: string }

const BY_RULE: Record<(typeof RULES)[number], Judge> = {
  below: (rule, a, b, _around, label) => ({
    fits: compared(asNumber(a), asNumber(b), (one, other) => !atLeast(one, other)),
    working: `${label(rule.a)} ${a} must be below ${label(rule.b!)} ${b}`,
  }),
  'goes-with': ({ is = [], with: those = [], a: first, b: second }, a, b, _around, label) => {
    const concerned = is.some((one) => same(one, a))
    return {
      fits: !concerned || those.some((one) => same(one, b)),
      working: `${label(first)} ${a} goes with ${label(second!)} ${those.join(' or ')}: found ${b}`,
    }
  },
  'as-fitted': ({ kind, a: first }, a, _b, { asBuilt, sheetOf }, label) => {
    const fitted = asBuilt.units.filter(({ id }) => sheetOf(id)?.kind === kind).length
    return {
      fits: compared(asNumber(a), fitted, (one, other) => one === other),
      working: `${label(first)} ${a}: ${fitted} fitted (${UNIT_KIND_WORDS[kind!]})`,
    }
  },
}

/** What is no figure is neither below nor equal: it cannot be told. */
const compared = (
  one: number | undefined,
  other: number | undefined,
  fits: (one: number, other: number) => boolean,
): boolean | undefined => (one === undefined || other === undefined ? undefined : fits(one, other))

const same = (one: string, other: string): boolean => one.trim().toLowerCase() === other.trim().toLowerCase()
