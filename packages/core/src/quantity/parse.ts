import { COMMA, Cursor, Misread, POINT, isDigit, type TypingCode, type TypingProblem } from './cursor.js'
import { readFigure } from './read-figure.js'
import { readGauge } from './read-gauge.js'
import { readUnit, takesFeet, unitNames } from './read-unit.js'
import type { Relation } from './relation.js'
import { UNITS, canonicalUnit, isCustomary, type Dimension, type UnitDefinition } from './units.js'

export type { TypingCode, TypingProblem } from './cursor.js'

/** A reading as a person gave it: the canonical value, the unit that was typed, and the text itself. */
export interface Quantity {
  value: number
  relation: Relation
  unit: string
  typed: string
}

export type Parsed = { ok: true; quantity: Quantity } | { ok: false; problem: TypingProblem }

export interface TypingHabits {
  /** The decimal mark; the other one is refused, since it might be a thousands separator. */
  decimal?: 'point' | 'comma'
  /** Taken when no unit is typed; by default the canonical unit. A bare number is a gauge where this is AWG. */
  assume?: string
  /** True where a bare number must be refused. */
  unitRequired?: boolean
  /** True where less than nothing cannot be measured: lengths, torques, a tilt. */
  magnitude?: boolean
  /** Where the range of the instrument in hand ends, canonical: what “OL” on its display says. */
  overRange?: number | undefined
}

/**
 * Turns what a person types into a quantity: "4 1/4 in", "6 ft 2 1/2 in", "85 in·lb", "2/0 AWG", "> 999 MΩ", "OL", "1,85 m" where the
 * comma is the decimal mark. Refused or understood, never guessed: thousands separators, an improper fraction, a prefix in the wrong case,
 * a fraction of an inch in a field of millimetres. Never throws; a problem points at its character.
 */
export function parseQuantity(text: string, dimension: Dimension, habits: TypingHabits = {}): Parsed {
  const cursor = new Cursor(text.replaceAll(OHM_SIGN, 'Ω'), habits.decimal === 'comma' ? COMMA : POINT)
  try {
    cursor.blanks()
    if (cursor.done())
      return refused(
        'empty',
        0,
        `type a figure, such as ${EXAMPLES[dimension] ?? `12 ${UNITS[dimension][0]!.name}`}`,
      )
    const typed = text.trim()
    if (OVER_RANGE.test(typed)) return overRange(typed, dimension, habits)
    const relation = readRelation(cursor)
    const gauge = dimension === 'conductor-size' ? readGauge(cursor, habits.assume === GAUGE_UNIT) : undefined
    if (gauge) return { ok: true, quantity: { ...gauge, relation, typed } }
    const { value, unit } = readAmount(cursor, dimension, habits)
    if (!Number.isFinite(value) || Math.abs(value) > 1e15)
      return refused('too-large', 0, 'too large to be a measured value')
    if (habits.magnitude && value < 0)
      return refused('negative', 0, 'this cannot be less than nothing: type it without a sign')
    return { ok: true, quantity: { value, relation, unit, typed } }
  } catch (problem) {
    if (problem instanceof Misread)
      return { ok: false, problem: { code: problem.code, at: problem.at, message: problem.message } }
    throw problem
  }
}

const GAUGE_UNIT = 'AWG'
/** The sign of the unit looks like the letter, and is another character. */
const OHM_SIGN = '\u2126'
const EXAMPLES: Partial<Record<Dimension, string>> = {
  length: '1.85 m or 72 7/8 in',
  'conductor-size': '6 mm² or 10 AWG',
  torque: '2.4 N·m or 21 in·lb',
  insulation: '> 999 MΩ',
}

const refused = (code: TypingCode, at: number, message: string): Parsed => ({
  ok: false,
  problem: { code, at, message },
})

const OVER_RANGE = /^>?\s*[o0]\.?\s?l\.?$/i

function overRange(typed: string, dimension: Dimension, { overRange: end }: TypingHabits): Parsed {
  return end === undefined
    ? refused(
        'over-range',
        0,
        'over range: choose an instrument whose range is known, or type where its range ends, such as > 999',
      )
    : { ok: true, quantity: { value: end, relation: '>', unit: canonicalUnit(dimension), typed } }
}

const RELATION_SIGNS = [
  ['>=', '>'],
  ['=>', '>'],
  ['≥', '>'],
  ['⩾', '>'],
  ['<=', '<'],
  ['=<', '<'],
  ['≤', '<'],
  ['⩽', '<'],
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

const LENGTHS: readonly Dimension[] = ['length', 'cable-length']

/** One figure with its unit, or, for lengths, feet followed by inches. */
function readAmount(
  cursor: Cursor,
  dimension: Dimension,
  habits: TypingHabits,
): { value: number; unit: string } {
  const negative = readSign(cursor)
  const figure = readFigure(cursor)
  cursor.blanks()
  if (LENGTHS.includes(dimension) && takesFeet(cursor))
    return feetAndInches(figure, negative, cursor, dimension)
  const definition = unitHere(cursor, dimension, habits)
  cursor.blanks()
  requireEnd(cursor)
  return { value: toCanonical(negative ? -figure : figure, definition), unit: definition.name }
}

function feetAndInches(feet: number, negative: boolean, cursor: Cursor, dimension: Dimension) {
  const named = (name: string) => UNITS[dimension].find((one) => one.name === name)!
  const inches = readFigure(cursor)
  cursor.blanks()
  const unit = cursor.done() ? named('in') : readUnit(cursor, dimension, named('in'))
  if (unit.name !== 'in') throw new Misread('wrong-unit', cursor.at, 'feet are followed by inches only')
  cursor.blanks()
  requireEnd(cursor)
  const value = feet * named('ft').factor + inches * unit.factor
  return { value: negative ? -value : value, unit: 'ft' }
}

function requireEnd(cursor: Cursor): void {
  if (!cursor.done())
    throw new Misread('out-of-place', cursor.at, `“${cursor.text.slice(cursor.at)}” is not understood here`)
}

function readSign(cursor: Cursor): boolean {
  const negative = cursor.takes('-') || cursor.takes('−') || cursor.takes('–')
  if (!negative) cursor.takes('+')
  cursor.blanks()
  return negative
}

/** The unit that was typed, or the one that is meant where none was. */
function unitHere(
  cursor: Cursor,
  dimension: Dimension,
  { assume, unitRequired }: TypingHabits,
): UnitDefinition {
  const units: readonly UnitDefinition[] = UNITS[dimension]
  const assumed = units.find(({ name }) => name === assume) ?? units[0]!
  if (!cursor.done()) return readUnit(cursor, dimension, assumed)
  if (unitRequired || (assume === GAUGE_UNIT && dimension === 'conductor-size'))
    throw new Misread('no-unit', cursor.at, `a unit is needed: ${unitNames(dimension)}`)
  const inches = units.find(isCustomary)
  if (cursor.hasFraction && inches && !isCustomary(assumed))
    throw new Misread(
      'no-unit',
      cursor.at,
      `a fraction of ${assumed.name}? Write the unit: ${cursor.text.trim()} ${inches.name}`,
    )
  return assumed
}

function toCanonical(figure: number, { factor, offset = 0 }: UnitDefinition): number {
  return figure * factor + offset
}
