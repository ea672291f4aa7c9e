import type { PrintedFigure } from '@plumb-mark/core'
import { factOf, innermost, nameOf, named, type Fact, type Spot } from './spot.js'

const NUMBERS = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
  'twenty',
]
const NUMBER = `(?:\\d{1,3}|${NUMBERS.slice(1).join('|')})`
const valueOf = (word: string) => (/^\d/.test(word) ? Number(word) : NUMBERS.indexOf(word.toLowerCase()))

const COUNTED =
  '(?:(?:[\\p{L}-]+ )?(?:modules?|panels?|units?|inverters?|batteries|battery|stacks?|devices?|meters?|loggers?|strings?|optimi[sz]ers?|[A-Z][\\p{Ll}]+s)\\b|(?:work|hang|run|may|can) )'
const MOST = '(?:up to|at most|not more than|no more than|max(?:\\.|imum)?(?: of)?|≤|a maximum of)'
const LEAST =
  '(?:at least|not fewer than|no fewer than|not less than|no less than|min(?:\\.|imum)?(?: of)?|≥)'

/** How many units go together: on a string, a branch, a bus, side by side. Taken from a sentence as a whole. */
export function count(spot: Spot): Fact[] {
  const { sentence } = spot
  if (/\b(?:people|persons|cartons?|years?|screws|holes|cycles|times)\b/i.test(sentence.slice(0, 0)))
    return []
  const range = new RegExp(
    `(?:between )?\\b(${NUMBER})\\s?(?:to|and|–|-|…)\\s?(${NUMBER}) (?:modules|panels|units|devices|batteries|inverters)\\b`,
    'iu',
  ).exec(sentence)
  if (range) return [of(spot, { min: valueOf(range[1]!), max: valueOf(range[2]!) }, range)]
  const most = new RegExp(`\\b${MOST} (${NUMBER}) ${COUNTED}`, 'iu').exec(sentence)
  const per = new RegExp(`\\b${MOST} (${NUMBER}) \\p{Lu}\\w+(?: \\d+)? (?:per|on one|on a) \\w+`, 'u').exec(
    sentence.charAt(0).toLowerCase() + sentence.slice(1),
  )
  if (per) return [of(spot, { max: valueOf(per[1]!) }, per)]
  const least = new RegExp(`\\b${LEAST} (${NUMBER})\\b(?: ${COUNTED})?`, 'iu').exec(sentence)
  if (
    !most ||
    !/\b(?:parallel|string|bus|trunk|line|stack|branch|joined|share|side|row|chain|one |joins?|carry|hang)/i.test(
      sentence,
    )
  )
    return []
  const both =
    least && !new RegExp(`^${LEAST} ${NUMBER}\\s?(?:mm|m|cm|V|A|kg|°)`, 'i').test(sentence.slice(least.index))
  return [of(spot, { ...(both && { min: valueOf(least[1]!) }), max: valueOf(most[1]!) }, most)]
}

const of = (spot: Spot, bounds: { min?: number; max: number }, match: RegExpExecArray): Fact => ({
  ...factOf({ ...spot, figure: figureOf(bounds) }, 'count', named(spot, nameOf(spot.sentence, '', 12)), ''),
  ...placed(spot, match),
})

/** Bounds alone, without the print they were read from. */
const figureOf = (bounds: { min?: number; max?: number; value?: number }): PrintedFigure => ({
  dimension: 'count',
  unit: '',
  at: 0,
  end: 0,
  text: '',
  ...bounds,
})

const placed = (spot: Spot, { index, 0: whole }: RegExpExecArray) => {
  const { page, box } = spot.placeAt(index, index + whole.length)
  return { page, box }
}

const FASTENERS = '(?:screws?|bolts?|anchors?|lags?|dowels?|fasteners?)'

/** How many screws of which thread hold a thing: “six anchors M10”. */
export function fasteners(spot: Spot): Fact[] {
  const { sentence } = spot
  const found = new RegExp(
    `(?<![/\\d.])\\(?\\b(${NUMBER})\\)? (?:\\d+/\\d+ in\\.? )?(?:(?!N·?m|mm|kg|in|lb|ft|V|A)[\\p{L}-]+ ){0,2}?${FASTENERS}\\b`,
    'iu',
  ).exec(sentence)
  const thread = new RegExp(
    `${FASTENERS}\\s+(?:of )?(?:size )?M(\\d{1,2})\\b|\\bM(\\d{1,2})\\b[^.;]{0,20}?${FASTENERS}`,
    'iu',
  ).exec(sentence)
  const facts: Fact[] = []
  const what = /\b(?:rail|wall|base|plate|bracket|cleat|floor|cabinet|studs?)\b/i.exec(sentence)?.[0] ?? ''
  const holds =
    thread !== null ||
    /\b(?:hold|holds|drill|drilled|corners|into|embedment|fix|fixed|in the wall)\b/i.test(sentence) ||
    new RegExp(`${FASTENERS},? of \\d`, 'i').test(sentence)
  const isClosing =
    /\b(?:turn|tighten|tightened|run|lid|cover|door|locking|safety)\b/i.test(sentence) && thread === null
  if (
    found &&
    holds &&
    !isClosing &&
    !/\b(?:terminal|lid|cover|door)\b/i.test(sentence.replace(/with its cover/i, ''))
  )
    facts.push(
      factOf(
        { ...spot, figure: figureOf({ value: valueOf(found[1]!) }), ...placed(spot, found) },
        'fixing',
        `${what} ${/\w+$/.exec(found[0])![0]} count (${innermost(spot)})`,
        '',
      ),
    )
  if (thread) {
    const size = Number(thread[1] ?? thread[2])
    const which = new RegExp(`[\\p{L}-]*\\s?${FASTENERS}`, 'iu').exec(thread[0])?.[0] ?? 'screw'
    facts.push(
      factOf(
        { ...spot, figure: figureOf({ value: size }), ...placed(spot, thread) },
        'fixing',
        `${what} ${which} diameter (${innermost(spot)})`,
        'mm',
      ),
    )
  }
  return facts
}

/** “in the order b – e – a”: which screw follows which. */
export function sequence(spot: Spot): Fact[] {
  const { sentence } = spot
  const found = /\b(?:in (?:the|this)|the) (?:following )?(?:order|pattern|sequence)\b:?\s*(.{3,120})/i.exec(
    sentence,
  )
  if (!found) return []
  const listed = found[1]!
  const signs = /^(?:[a-z]|\d{1,2}|[A-Z]\d?)(?:\s*(?:[–—,>→-]|then)\s*(?:[a-z]|\d{1,2}|[A-Z]\d?)\b){2,}/.test(
    listed,
  )
  const places =
    (listed.match(/\b(?:upper|lower|top|bottom|left|right|middle|centre|center)\b/gi)?.length ?? 0) >= 4
  if (!signs && !places) return []
  const screws =
    /\b(?:[\p{L}-]+ ){0,2}(?:screws?|bolts?|nuts?)(?: of the [\p{L}]+)?/iu.exec(sentence)?.[0] ?? ''
  return [
    {
      ...factOf(
        { ...spot, figure: figureOf({}), ...placed(spot, found) },
        'sequence',
        named(spot, `${nameOf(`${screws} ${sentence.slice(0, found.index)}`, '', 8)} screws`),
        '',
      ),
    },
  ]
}
