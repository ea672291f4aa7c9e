import { Misread, isBlank, isDigit, type Cursor } from './cursor.js'
import { HYPHENS, startsFigure } from './read-figure.js'
import { UNITS, type Dimension, type UnitDefinition } from './units.js'

/** The unit that stands here. Another one than the dimension has is refused, and offered where case alone tells it from one. */
export function readUnit(cursor: Cursor, dimension: Dimension, assumed: UnitDefinition): UnitDefinition {
  const from = cursor.at
  const length = unitLength(cursor)
  const word = cursor.text.slice(from, from + length).trim()
  const found = lookUp(dimension, word, assumed)
  if (typeof found === 'object') {
    cursor.at = from + length
    return found
  }
  const offered = found
    ? `“${word}” is not ${found}, and case decides here: write ${found} if you mean that`
    : `“${word || cursor.text.slice(from)}” is not a unit of ${dimension.replace('-', ' ')}: use ${unitNames(dimension)}`
  throw new Misread('wrong-unit', from, offered)
}

/** Feet before inches, with or without blanks or a hyphen: "6' 2", "6ft2in", "6'-2". They are taken only where inches follow. */
export function takesFeet(cursor: Cursor): boolean {
  const from = cursor.at
  const found = FEET.exec(cursor.text.slice(from))
  if (!found) return false
  cursor.at += found[0].length
  cursor.blanks()
  if (HYPHENS.includes(cursor.text[cursor.at] ?? ' ')) cursor.at++
  cursor.blanks()
  if (!cursor.done() && startsFigure(cursor)) return true
  cursor.at = from
  return false
}

const FEET = /^(?:ft\.?|feet|foot|['′’](?!['′’]))/i

/** A unit runs up to the next figure or to the end; digits inside it (mm2) follow a letter or ^ directly. */
function unitLength(cursor: Cursor): number {
  const { text, at } = cursor
  let end = at
  while (end < text.length) {
    if (isDigit(text.charCodeAt(end)) && end > at && isBlank(text.charCodeAt(end - 1))) break
    end++
  }
  return end - at
}

export function unitNames(dimension: Dimension): string {
  const names = UNITS[dimension].map(({ name }) => name).filter(Boolean)
  return [...names, ...(dimension === 'conductor-size' ? ['AWG'] : [])].join(', ') || 'no unit'
}

/** Marks between the parts of a torque, and before what a voltage or a current is of: they say nothing. */
const SEPARATORS = /[\s.·⋅∙•*×-]/g
const WITHOUT_SEPARATORS: readonly Dimension[] = ['torque', 'voltage', 'current']

function folded(word: string, dimension: Dimension): string {
  const low = word.toLowerCase()
  return WITHOUT_SEPARATORS.includes(dimension) ? low.replace(SEPARATORS, '') : low
}

const BY_WORD = new Map(
  (Object.keys(UNITS) as Dimension[]).map((dimension) => {
    const exact = new Map<string, UnitDefinition>()
    const loose = new Map<string, UnitDefinition>()
    for (const definition of UNITS[dimension]) {
      for (const word of [definition.name, ...definition.aliases]) {
        exact.set(word, definition)
        loose.set(folded(word, dimension), definition)
      }
    }
    return [dimension, { exact, loose }] as const
  }),
)

/** Spellings whose first letter is a prefix: m is a thousandth and M a million, whatever the case of the rest. */
const MILLI_OR_MEGA = /^m(v|a|w|wh|var|va|ω|ohms?)?$/i
const PREFIXED: readonly Dimension[] = [
  'voltage',
  'current',
  'power',
  'reactive-power',
  'apparent-power',
  'resistance',
  'insulation',
  'energy',
]

/** The unit; or the name of the one that was surely meant, where only case tells them apart; or nothing. */
function lookUp(
  dimension: Dimension,
  word: string,
  assumed: UnitDefinition,
): UnitDefinition | string | undefined {
  const { exact, loose } = BY_WORD.get(dimension)!
  const found = exact.get(word)
  if (found) return found
  if (PREFIXED.includes(dimension) && MILLI_OR_MEGA.test(word)) return byPrefix(dimension, word)
  // Degrees without a letter are those that the field shows.
  if (dimension === 'temperature' && (word === '°' || word === 'º'))
    return assumed.name === '°F' ? assumed : UNITS.temperature[0]!
  return loose.get(folded(word, dimension))
}

function byPrefix(dimension: Dimension, word: string): UnitDefinition | string | undefined {
  const isUnit = ({ name }: UnitDefinition) =>
    [name, ...(UNITS[dimension].find((one) => one.name === name)?.aliases ?? [])].some(
      (spelt) => spelt.toLowerCase() === word.toLowerCase(),
    )
  const alike = UNITS[dimension].filter((one) => /^[mM]/.test(one.name) && isUnit(one))
  const shouted = word.length > 2 && word === word.toUpperCase() && word !== word.toLowerCase()
  if (alike.length > 1 && shouted && /ohm/i.test(word)) return alike.map(({ name }) => name).join(' or ')
  return alike.find(({ name }) => name[0] === word[0]) ?? alike[0]?.name
}
