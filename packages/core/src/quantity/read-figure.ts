import { COMMA, Misread, POINT, isDigit, type Cursor } from './cursor.js'

export const startsFigure = (cursor: Cursor) =>
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

/** "12", "1.85", "4 1/4", "4-1/4", "1/4", "4¼", "1.2e3". */
export function readFigure(cursor: Cursor): number {
  const from = cursor.at
  const whole = cursor.digits()
  const vulgar = takeVulgar(cursor)
  if (vulgar !== undefined) return Number(whole || '0') + vulgar
  refuseOtherMark(cursor)
  if (cursor.code() === cursor.decimal) return readDecimal(cursor, from, whole)
  if (whole === '') throw new Misread('not-a-number', cursor.at, 'a figure is expected here')
  if (cursor.takes('/')) return divided(Number(whole), from, cursor)
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

/** A fraction after a whole number, across a blank or a hyphen: " 1/4", "-1/4". Two numbers side by side without one are a separator in disguise. */
function readFraction(cursor: Cursor): number {
  const before = cursor.at
  if (HYPHENS.includes(cursor.text[before] ?? ' ') && isDigit(cursor.code(1))) cursor.at++
  else cursor.blanks()
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
  return divided(Number(top), at, cursor)
}

export const HYPHENS = '-‐‑–'

/** A fraction as on a tape. One that is no less than a whole says something else: 12/2 is a cable of two cores. */
function divided(top: number, from: number, cursor: Cursor): number {
  const at = cursor.at
  const bottom = cursor.digits()
  if (bottom === '') throw new Misread('not-a-number', at, 'a figure is expected under the fraction bar')
  if (Number(bottom) === 0)
    throw new Misread('zero-division', at, 'a fraction cannot have zero below the bar')
  if (top >= Number(bottom))
    throw new Misread('not-a-number', from, 'a fraction is less than a whole: write 4 1/4, not 17/4')
  cursor.hasFraction = true
  return top / Number(bottom)
}

function takeVulgar(cursor: Cursor): number | undefined {
  const found = VULGAR[cursor.text[cursor.at] ?? '']
  if (found === undefined) return undefined
  cursor.at++
  cursor.hasFraction = true
  return found
}
