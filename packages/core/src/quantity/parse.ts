import type { Relation } from './relation.js'
import { UNITS, awgGauge, awgToMm2, type Dimension, type UnitDefinition } from './units.js'

/** A reading as a person gave it: the canonical value, the unit that was typed, and the text itself. */
export interface Quantity {
  value: number
  relation: Relation
  unit: string
  typed: string
}

export type TypingCode =
  | 'empty'
  | 'not-a-number'
  | 'thousands-separator'
  | 'wrong-unit'
  | 'no-unit'
  | 'out-of-place'
  | 'zero-division'
  | 'too-large'

/** What is wrong and at which character (from 0), to be shown beside the field. */
export interface TypingProblem {
  code: TypingCode
  at: number
  message: string
}

export type Parsed = { ok: true; quantity: Quantity } | { ok: false; problem: TypingProblem }

export interface TypingHabits {
  /** The decimal mark; the other one is refused, since it might be a thousands separator. */
  decimal?: 'point' | 'comma'
  /** Taken when no unit is typed; by default the canonical unit. */
  assume?: string
  /** True where a bare number must be refused. */
  unitRequired?: boolean
}

/**
 * Turns what a person types into a quantity: "4 1/4 in", "6 ft 2 1/2 in", "85 in·lb", "2/0 AWG", "> 999 MΩ", "1,85 m" where the
 * comma is the decimal mark. Thousands separators are refused rather than guessed. Never throws; a problem points at its character.
 */
export function parseQuantity(text: string, dimension: Dimension, habits: TypingHabits = {}): Parsed {
  const cursor = new Cursor(text, habits.decimal === 'comma' ? COMMA : POINT)
  try {
    cursor.blanks()
    if (cursor.done())
      return refused(
        'empty',
        0,
        `type a figure, such as ${EXAMPLES[dimension] ?? `12 ${UNITS[dimension][0]!.name}`}`,
      )
    const relation = readRelation(cursor)
    const gauge = dimension === 'conductor-size' ? readGauge(cursor) : undefined
    if (gauge) return { ok: true, quantity: { ...gauge, relation, typed: text.trim() } }
    const { value, unit } = readAmount(cursor, dimension, habits)
    if (!Number.isFinite(value) || Math.abs(value) > 1e15)
      return refused('too-large', 0, 'too large to be a measured value')
    return { ok: true, quantity: { value, relation, unit, typed: text.trim() } }
  } catch (problem) {
    if (problem instanceof Misread)
      return { ok: false, problem: { code: problem.code, at: problem.at, message: problem.message } }
    throw problem
  }
}

const POINT = 46
const COMMA = 44
const EXAMPLES: Partial<Record<Dimension, string>> = {
  length: '1.85 m or 72 7/8 in',
  'conductor-size': '6 mm² or 10 AWG',
  torque: '2.4 N·m or 21 in·lb',
  insulation: '> 999 MΩ',
}

class Misread extends Error {
  constructor(
    readonly code: TypingCode,
    readonly at: number,
    message: string,
  ) {
    super(message)
  }
}

const refused = (code: TypingCode, at: number, message: string): Parsed => ({
  ok: false,
  problem: { code, at, message },
})

const isDigit = (code: number) => code >= 48 && code <= 57
const isBlank = (code: number) =>
  code === 32 || code === 160 || code === 9 || code === 0x202f || code === 0x2009

/** A place in the text. Works on character codes, since a whole import is parsed with it. */
class Cursor {
  at = 0
  constructor(
    readonly text: string,
    readonly decimal: number,
  ) {}
  code(ahead = 0): number {
    return this.text.charCodeAt(this.at + ahead)
  }
  done(): boolean {
    return this.at >= this.text.length
  }
  blanks(): void {
    while (!this.done() && isBlank(this.code())) this.at++
  }
  digits(): string {
    const from = this.at
    while (!this.done() && isDigit(this.code())) this.at++
    return this.text.slice(from, this.at)
  }
  /** Takes `char` when it stands here. */
  takes(char: string): boolean {
    if (!this.text.startsWith(char, this.at)) return false
    this.at += char.length
    return true
  }
}

const RELATION_SIGNS = [
  ['>', '>'],
  ['<', '<'],
  ['＞', '>'],
  ['＜', '<'],
  ['=', '='],
] as const

function readRelation(cursor: Cursor): Relation {
  // Most readings begin with their figure.
  if (isDigit(cursor.code())) return '='
  const found = RELATION_SIGNS.find(([sign]) => cursor.takes(sign))
  cursor.blanks()
  return found?.[1] ?? '='
}

const GAUGE = /^(?:(?:awg|#)\s*([1-4]\/0|\d{1,2})|([1-4]\/0|\d{1,2})\s*awg|([1-4]\/0))\s*$/i

/** "10 AWG", "AWG 10", "#10", "2/0": sizes that run by number and not by area. */
function readGauge(cursor: Cursor): { value: number; unit: string } | undefined {
  const found = GAUGE.exec(cursor.text.slice(cursor.at))
  const gauge = found && awgGauge(found[1] ?? found[2] ?? found[3] ?? '')
  return gauge === undefined || gauge === null ? undefined : { value: awgToMm2(gauge), unit: 'AWG' }
}

/** One figure with its unit, or, for lengths, feet followed by inches. */
function readAmount(
  cursor: Cursor,
  dimension: Dimension,
  habits: TypingHabits,
): { value: number; unit: string } {
  const negative = readSign(cursor)
  const figure = readFigure(cursor)
  const definition = readUnit(cursor, dimension, habits)
  let value = toCanonical(negative ? -figure : figure, definition)
  cursor.blanks()
  if (!cursor.done() && definition.name === 'ft' && startsFigure(cursor)) {
    const inches = readFigure(cursor)
    cursor.blanks()
    const second = cursor.done()
      ? UNITS[dimension].find(({ name }) => name === 'in')!
      : readUnit(cursor, dimension, habits)
    if (second.name !== 'in') throw new Misread('wrong-unit', cursor.at, 'feet are followed by inches only')
    value += (negative ? -1 : 1) * inches * second.factor
    cursor.blanks()
  }
  if (!cursor.done())
    throw new Misread('out-of-place', cursor.at, `“${cursor.text.slice(cursor.at)}” is not understood here`)
  return { value, unit: definition.name }
}

function readSign(cursor: Cursor): boolean {
  const negative = cursor.takes('-') || cursor.takes('−') || cursor.takes('–')
  if (!negative) cursor.takes('+')
  cursor.blanks()
  return negative
}

const startsFigure = (cursor: Cursor) =>
  isDigit(cursor.code()) || cursor.code() === cursor.decimal || VULGAR[cursor.text[cursor.at]!] !== undefined
const VULGAR: Record<string, number> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
}

/** "12", "1.85", "4 1/4", "1/4", "4¼", "1.2e3". */
function readFigure(cursor: Cursor): number {
  const from = cursor.at
  const whole = cursor.digits()
  const vulgar = takeVulgar(cursor)
  if (vulgar !== undefined) return Number(whole || '0') + vulgar
  refuseOtherMark(cursor)
  if (cursor.code() === cursor.decimal) return readDecimal(cursor, from, whole)
  if (whole === '') throw new Misread('not-a-number', cursor.at, 'a figure is expected here')
  if (cursor.takes('/')) return divided(Number(whole), cursor)
  const exponent = readExponent(cursor)
  return exponent === 0 ? Number(whole) + readFraction(cursor) : Number(`${whole}e${exponent}`)
}

function readDecimal(cursor: Cursor, from: number, whole: string): number {
  cursor.at++
  const part = cursor.digits()
  if (whole === '' && part === '') throw new Misread('not-a-number', from, 'a figure is expected here')
  if (cursor.code() === cursor.decimal)
    throw new Misread(
      'thousands-separator',
      cursor.at,
      'one decimal mark only: write thousands without separators',
    )
  refuseOtherMark(cursor)
  return Number(`${whole || '0'}.${part || '0'}e${readExponent(cursor)}`)
}

/** The other mark could be a decimal or a thousands separator: a factor of a thousand is not guessed at. */
function refuseOtherMark(cursor: Cursor): void {
  const other = cursor.decimal === POINT ? COMMA : POINT
  const isMark =
    cursor.code() === other ||
    (cursor.code() === 39 && isDigit(cursor.code(1)) && isDigit(cursor.code(2)) && isDigit(cursor.code(3)))
  if (isMark && isDigit(cursor.code(1))) {
    const mark = cursor.decimal === POINT ? 'point' : 'comma'
    throw new Misread(
      'thousands-separator',
      cursor.at,
      `the decimal mark here is the ${mark}; write thousands without separators`,
    )
  }
}

function readExponent(cursor: Cursor): number {
  const isE = cursor.code() === 101 || cursor.code() === 69
  const signed = cursor.code(1) === 45 || cursor.code(1) === 43
  if (!isE || !isDigit(cursor.code(signed ? 2 : 1))) return 0
  cursor.at++
  const negative = cursor.takes('-')
  if (!negative) cursor.takes('+')
  return (negative ? -1 : 1) * Number(cursor.digits())
}

/** A fraction after a whole number, across a blank: " 1/4". Two numbers side by side without one are a separator in disguise. */
function readFraction(cursor: Cursor): number {
  const before = cursor.at
  cursor.blanks()
  const vulgar = takeVulgar(cursor)
  if (vulgar !== undefined) return vulgar
  if (cursor.at === before || !isDigit(cursor.code())) {
    cursor.at = before
    return 0
  }
  const at = cursor.at
  const top = cursor.digits()
  if (!cursor.takes('/'))
    throw new Misread(
      'thousands-separator',
      at,
      'two figures side by side: write thousands without separators, fractions as 4 1/4',
    )
  return divided(Number(top), cursor)
}

function divided(top: number, cursor: Cursor): number {
  const at = cursor.at
  const bottom = cursor.digits()
  if (bottom === '') throw new Misread('not-a-number', at, 'a figure is expected under the fraction bar')
  if (Number(bottom) === 0)
    throw new Misread('zero-division', at, 'a fraction cannot have zero below the bar')
  return top / Number(bottom)
}

function takeVulgar(cursor: Cursor): number | undefined {
  const found = VULGAR[cursor.text[cursor.at] ?? '']
  if (found !== undefined) cursor.at++
  return found
}

function readUnit(
  cursor: Cursor,
  dimension: Dimension,
  { assume, unitRequired }: TypingHabits,
): UnitDefinition {
  cursor.blanks()
  const from = cursor.at
  if (cursor.done()) {
    if (unitRequired) throw new Misread('no-unit', from, `a unit is needed: ${unitNames(dimension)}`)
    return (assume && UNITS[dimension].find(({ name }) => name === assume)) || UNITS[dimension][0]!
  }
  const length = unitLength(cursor)
  const word = cursor.text.slice(from, from + length).trim()
  const definition = lookUp(dimension, word)
  if (!definition)
    throw new Misread(
      'wrong-unit',
      from,
      `“${word || cursor.text.slice(from)}” is not a unit of ${dimension.replace('-', ' ')}: use ${unitNames(dimension)}`,
    )
  cursor.at = from + length
  return definition
}

/** A unit runs up to the next figure (feet before inches) or to the end; digits inside it (mm2) follow a letter or ^ directly. */
function unitLength(cursor: Cursor): number {
  const { text, at } = cursor
  let end = at
  while (end < text.length) {
    const code = text.charCodeAt(end)
    const previous = text.charCodeAt(end - 1)
    if (
      (isDigit(code) || VULGAR[text[end]!] !== undefined) &&
      end > at &&
      (isBlank(previous) || QUOTES.includes(text[end - 1]!))
    )
      break
    end++
  }
  return end - at
}

const QUOTES = `'′’`

function unitNames(dimension: Dimension): string {
  const names = UNITS[dimension].map(({ name }) => name).filter(Boolean)
  return [...names, ...(dimension === 'conductor-size' ? ['AWG'] : [])].join(', ') || 'no unit'
}

/** Spelled exactly first, since mΩ and MΩ, mW and MW differ by case alone; then without regard to case where that is unambiguous. */
const BY_WORD = new Map(
  (Object.keys(UNITS) as Dimension[]).map((dimension) => {
    const exact = new Map<string, UnitDefinition>()
    const folded = new Map<string, UnitDefinition | 'ambiguous'>()
    for (const definition of UNITS[dimension]) {
      for (const word of [definition.name, ...definition.aliases]) {
        exact.set(word, definition)
        const low = word.toLowerCase()
        const other = folded.get(low)
        folded.set(low, other === undefined || other === definition ? definition : 'ambiguous')
      }
    }
    return [dimension, { exact, folded }] as const
  }),
)

function lookUp(dimension: Dimension, word: string): UnitDefinition | undefined {
  const { exact, folded } = BY_WORD.get(dimension)!
  const found = exact.get(word) ?? folded.get(word.toLowerCase())
  return found === 'ambiguous' ? undefined : found
}

function toCanonical(figure: number, { factor, offset = 0 }: UnitDefinition): number {
  return figure * factor + offset
}
