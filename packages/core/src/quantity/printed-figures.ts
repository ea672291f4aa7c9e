import { parseQuantity } from './parse.js'
import { beforeFigure, afterFigure, joinsRange, type Bound } from './printed-bounds.js'
import { awgToMm2, awgGauge, type Dimension } from './units.js'

/** A figure, or a range of two, as printed in running text or in a table: its unit, its bounds in the canonical unit, and where it stands. */
export interface PrintedFigure {
  dimension: Dimension
  unit: string
  min?: number
  max?: number
  /** A single figure without a word that makes it a bound. */
  value?: number
  /** “above 2500 m”: what lies beyond is spoken of; whether that is forbidden says the sentence. */
  beyond?: boolean
  /** Three figures multiplied: width, height and depth. */
  product?: readonly number[]
  /** First character and the one after the last, bounding words included. */
  at: number
  end: number
  text: string
}

export interface PrintHabits {
  decimal: 'point' | 'comma'
  /** The unit of a column whose cells are bare figures. */
  assume?: { dimension: Dimension; unit: string }
}

/**
 * Every figure with a unit in a printed text, with the bounds that words or signs give it: "2,2 … 2,8 Nm", "7 7/8 in min.", "12–10 AWG",
 * "not less than 350 mm", "230 V ± 10 %", "17 × 30 1/2 × 8 1/2 in". Print, unlike a person at a field, uses thousands separators. Never throws.
 */
export function printedFigures(text: string, habits: PrintHabits): PrintedFigure[] {
  const amounts = amountsOf(text, habits)
  const found: PrintedFigure[] = []
  for (let i = 0; i < amounts.length; i++) {
    const run = runFrom(text, amounts, i, habits)
    if (!run) continue
    i += run.length - 1
    // “8 in (203 mm)”: said again in the other units.
    const again = inBrackets(text, amounts, i + 1, run.figure, habits)
    found.push(
      again ? { ...run.figure, end: again.end, text: text.slice(run.figure.at, again.end) } : run.figure,
    )
    i += again?.length ?? 0
  }
  return found
}

/** Off by more than this it is another figure, not the same in other units. */
const ROUNDED = 0.04

function inBrackets(
  text: string,
  amounts: readonly Amount[],
  from: number,
  first: PrintedFigure,
  habits: PrintHabits,
): { end: number; length: number } | undefined {
  const next = amounts[from]
  if (
    !next?.unit ||
    next.unit.word === first.unit ||
    !/^\s*[([]\s*[−–-]?$/.test(text.slice(first.end, next.at))
  )
    return undefined
  const run = runFrom(text, amounts, from, habits)
  if (!run || run.figure.dimension !== first.dimension) return undefined
  const same = (a: number | undefined, b: number | undefined) =>
    a === undefined || b === undefined || Math.abs(a - b) <= ROUNDED * Math.max(Math.abs(a), Math.abs(b), 1)
  const one = (figure: PrintedFigure) => figure.value ?? figure.min ?? figure.max
  const isSame =
    first.min !== undefined && first.max !== undefined
      ? same(first.min, run.figure.min) && same(first.max, run.figure.max)
      : same(one(first), one(run.figure))
  const close = /^\s*[)\]]/.exec(text.slice(run.figure.end))
  return isSame && close ? { end: run.figure.end + close[0].length, length: run.length } : undefined
}

/** A figure as it stands, with its unit where one follows. */
interface Amount {
  figure: string
  unit?: UnitWord
  at: number
  end: number
}
export interface UnitWord {
  word: string
  dimension: Dimension
}

const SPACE = '[ \\u00a0\\u2009\\u202f]'
const FRACTION = `\\d{1,3}(?:${SPACE}|-)\\d{1,2}[/⁄]\\d{1,2}|\\d{1,2}[/⁄]\\d{1,2}|\\d{0,3}${SPACE}?[½¼¾⅛⅜⅝⅞⅓⅔]`
const FIGURE = {
  point: `(?:${FRACTION}|\\d{1,3}(?:[,\\u00a0\\u2009\\u202f ']\\d{3})+(?![\\d])(?:\\.\\d+)?|\\d+(?:\\.\\d+|,\\d{1,2}(?![\\d,]))?)`,
  comma: `(?:${FRACTION}|\\d{1,3}(?:[.\\u00a0\\u2009\\u202f ']\\d{3})+(?![\\d])(?:,\\d+)?|\\d+(?:,\\d+|\\.\\d{1,2}(?![\\d.]))?)`,
} as const

const NUMBER_WORDS: Record<string, number> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
  sixty: 60,
}
const WORDS = `(?:${Object.keys(NUMBER_WORDS).join('|')})(?![a-z])`

/** Units as they are printed. The longer comes first; what is no unit of ours (kWh, dB, MB) is listed so that it is not read as a shorter one. */
const PRINTED_UNITS: readonly (readonly [pattern: string, dimension: Dimension | undefined, word: string])[] =
  [
    [
      'kWh|MWh|Wh|dB(?:\\(A\\))?|kVA|VA|kvar|var|Mbit/s|kbit/s|baud|ppm|kPa|bar|rpm|lm|kHz|MHz|GHz|°/mm|W/m(?:²|2)|m/s|Ah|mAh|K',
      undefined,
      '',
    ],
    ['N[·⋅∙•.\\u00a0 ]?m(?![m²])|Newton(?:-|\\s)?met(?:re|er)s?', 'torque', 'N·m'],
    ['N[·⋅∙•.\\u00a0 ]?cm', 'torque', 'N·cm'],
    [
      '(?:in|inch)[·⋅∙•.\\u00a0 -]?(?:lbf|lbs|lb)\\.?|(?:lbf|lbs|lb)[·⋅∙•.\\u00a0 -]?(?:inches|inch|in)\\.?(?![a-z])',
      'torque',
      'in·lb',
    ],
    [
      '(?:ft|foot)[·⋅∙•.\\u00a0 -]?(?:lbf|lbs|lb)\\.?|(?:lbf|lbs|lb)[·⋅∙•.\\u00a0 -]?(?:feet|foot|ft)\\.?(?![a-z])',
      'torque',
      'ft·lb',
    ],
    ['mm²|mm2|mm\\^2|sq\\.?\\s?mm', 'conductor-size', 'mm²'],
    ['kcmil|MCM', 'conductor-size', 'kcmil'],
    ['AWG', 'conductor-size', 'AWG'],
    ['mm|millimet(?:re|er)s?', 'length', 'mm'],
    ['cm(?![²2])|centimet(?:re|er)s?', 'length', 'cm'],
    ['km', undefined, ''],
    ['m(?![²2³3/\\w])|met(?:re|er)s?(?![a-z])', 'length', 'm'],
    ['inches|inch|in(?![a-z])|″|”|"', 'length', 'in'],
    ['feet|foot|ft(?![a-z])|′', 'length', 'ft'],
    ['kV(?![a-zA-Z])', 'voltage', 'kV'],
    ['mV(?![a-zA-Z])', 'voltage', 'mV'],
    ['V(?:\\s?(?:DC|AC|dc|ac))?(?![a-zA-Z])|volts?', 'voltage', 'V'],
    ['kA(?![a-zA-Z])', 'current', 'kA'],
    ['mA(?![a-zA-Z])', 'current', 'mA'],
    ['A(?:\\s?(?:DC|AC|dc|ac))?(?![a-zA-Z])|amperes?|amps?', 'current', 'A'],
    ['kW(?:p)?(?![a-zA-Z])', 'power', 'kW'],
    ['MW(?![a-zA-Z])', 'power', 'MW'],
    ['W(?![a-zA-Z])|watts?', 'power', 'W'],
    ['°\\s?C|℃|º\\s?C|degrees? Celsius|degC', 'temperature', '°C'],
    ['°\\s?F|℉|º\\s?F|degrees? Fahrenheit|degF', 'temperature', '°F'],
    ['°|º|degrees?(?![a-z])|deg(?![a-z])', 'angle', '°'],
    ['Hz', 'frequency', 'Hz'],
    ['%|percent|per cent', 'percent', '%'],
    ['kg(?![a-z])|kilograms?', 'mass', 'kg'],
    ['lbs?(?![a-z·⋅])|pounds?', 'mass', 'lb'],
    ['g(?![a-zA-Z/·])|grams?', 'mass', 'g'],
    ['ms(?![a-z])', 'time', 'ms'],
    ['minutes?|mins?(?![a-z])', 'time', 'min'],
    ['hours?|hrs?(?![a-z])|h(?![a-zA-Z])', 'time', 'h'],
    ['seconds?|secs?(?![a-z])|s(?![a-zA-Z])', 'time', 's'],
    ['kN(?![·⋅.]?c?m)|N(?![·⋅.]?c?m)(?![a-zA-Z])', undefined, ''],
    ['(?:MΩ|kΩ|mΩ|Ω|ohms?)', undefined, ''],
  ]
const UNIT_AT = PRINTED_UNITS.map(
  ([pattern, dimension, word]) => [new RegExp(`^(?:${pattern})`, 'u'), dimension, word] as const,
)

/** The unit that a cell or a head of a column names: "mm²", "Torque in Nm", "(A)"; undefined where none of ours does. */
export function printedUnit(text: string): UnitWord | undefined {
  const read = unitAt(text.trim(), 0)
  return read && read.length === text.trim().length && read.unit ? read.unit : undefined
}

const ANY_UNIT = 'a unit that is none of ours'
function unitAt(text: string, at: number): { unit: UnitWord | undefined; length: number } | undefined {
  const rest = text.slice(at, at + 24)
  for (const [pattern, dimension, word] of UNIT_AT) {
    const found = pattern.exec(rest)
    if (!found) continue
    return { unit: dimension && { word, dimension }, length: found[0].length }
  }
  return undefined
}

/** All figures of a text, each with the unit that directly follows it. Part of a word, a name or a date is none. */
function amountsOf(text: string, { decimal }: PrintHabits): Amount[] {
  const found: Amount[] = []
  for (const match of text.matchAll(FIGURES[decimal])) {
    const amount = amountAt(text, match.index, match[0], found.at(-1))
    if (amount) found.push(amount)
  }
  return found
}
const FIGURES = {
  point: new RegExp(`(?<![\\w.,/])(?:${FIGURE.point}|${WORDS})`, 'giu'),
  comma: new RegExp(`(?<![\\w.,/])(?:${FIGURE.comma}|${WORDS})`, 'giu'),
}

function amountAt(
  text: string,
  from: number,
  printed: string,
  before: Amount | undefined,
): Amount | undefined {
  const lead = /^\s+/.exec(printed)?.[0].length ?? 0
  const figure = printed.slice(lead)
  let at = from + lead
  let end = from + printed.length
  const word = NUMBER_WORDS[figure.toLowerCase()]
  if (/[A-Za-z][-–]$/.test(text.slice(0, at))) return undefined
  const aught = /^\/0(?:\s?AWG)?/.exec(text.slice(end))
  if (aught && /^[1-4]$/.test(figure))
    return { figure: `${figure}/0`, unit: GAUGE, at, end: end + aught[0].length }
  const named = /(?:AWG|#)\s?$/.exec(text.slice(0, at))
  if (named) return { figure, unit: GAUGE, at: at - named[0].length, end }
  const gap = /^(?:\s|-(?=[a-z]))?/.exec(text.slice(end))![0].length
  const read = unitAt(text, end + gap)
  if (word !== undefined && !read?.unit) return undefined
  if (!read && /^[A-Za-z\d]/.test(text.slice(end))) return undefined
  if (read) end += gap + read.length
  const sign = signBefore(text, at, before)
  at -= sign.length
  return {
    figure: `${sign.negative ? '-' : ''}${word ?? figure}`,
    at,
    end,
    ...(read && { unit: read.unit ?? { word: ANY_UNIT, dimension: 'count' } }),
  }
}
const GAUGE: UnitWord = { word: 'AWG', dimension: 'conductor-size' }

/** The dash of "4–6 mm²" joins two figures and is no sign; the one of "−25 °C" is. */
function signBefore(
  text: string,
  at: number,
  before: Amount | undefined,
): { negative: boolean; length: number } {
  const sign = /[-−–+](\s?)$/.exec(text.slice(0, at))
  if (!sign) return { negative: false, length: 0 }
  const ahead = text.slice(0, at - sign[0].length)
  const joins = before !== undefined && /^\s*$/.test(ahead.slice(before.end)) && ahead.length >= before.end
  const loose = sign[1] !== '' && sign[0][0] === '–'
  if (joins || loose || /[\w)]$/.test(ahead)) return { negative: false, length: 0 }
  return { negative: sign[0][0] !== '+', length: sign[0].length }
}

/** What begins at an amount: a product of three, a range of two, a figure with its tolerance, or a single one. */
function runFrom(
  text: string,
  amounts: readonly Amount[],
  from: number,
  habits: PrintHabits,
): { figure: PrintedFigure; length: number } | undefined {
  const [first, second, third] = amounts.slice(from, from + 3) as [Amount, Amount?, Amount?]
  const between = (a: Amount, b: Amount) => text.slice(a.end, b.at)
  const times = (a: Amount, b?: Amount) => b !== undefined && /^\s*[×x✕]\s*$|^\s\/\s$/.test(between(a, b))
  if (second && third && times(first, second) && times(second, third))
    return built(
      text,
      [first, second, third],
      third.unit ?? first.unit ?? assumed(habits),
      habits,
      (values) => ({
        product: values,
        value: values[0]!,
      }),
    )
  if (second && times(first, second) && second.unit && /^\d$/.test(first.figure))
    // "2 × 16 A": as many times the same figure.
    return single(text, second, habits, 2, first.at)
  if (
    second?.unit?.dimension === 'percent' &&
    first.unit &&
    /^\s*±\s*$|^\s*\+\/[-−]\s*$/.test(between(first, second))
  )
    return built(text, [first, second], first.unit, habits, ([middle, share]) => ({
      min: middle! * (1 - share! / 100),
      max: middle! * (1 + share! / 100),
    }))
  const tolerance = second?.unit && /^\s*(?:±|\+\/[-−])\s*$/.test(between(first, second))
  if (second?.unit && tolerance && (first.unit?.dimension ?? second.unit.dimension) === second.unit.dimension)
    return built(text, [first, second], second.unit, habits, ([middle, off]) => ({
      min: middle! - off!,
      max: middle! + off!,
    }))
  if (second && isRange(text, first, second, habits)) {
    const unit = second.unit ?? first.unit ?? assumed(habits)
    return built(text, [first, second], unit, habits, ([low, high]) => ({
      min: Math.min(low!, high!),
      max: Math.max(low!, high!),
    }))
  }
  return single(text, first, habits, 1, first.at)
}

function isRange(text: string, first: Amount, second: Amount, habits: PrintHabits): boolean {
  const unit = second.unit ?? assumed(habits)
  if (!unit || unit.word === ANY_UNIT || (first.unit && first.unit.dimension !== unit.dimension)) return false
  return joinsRange(text.slice(0, first.at), text.slice(first.end, second.at))
}

const assumed = ({ assume }: PrintHabits): UnitWord | undefined =>
  assume && { word: assume.unit, dimension: assume.dimension }

function single(
  text: string,
  amount: Amount,
  habits: PrintHabits,
  length: number,
  from: number,
): { figure: PrintedFigure; length: number } | undefined {
  const unit = amount.unit ?? assumed(habits)
  const before: Bound | undefined = beforeFigure(text.slice(0, from))
  const after: Bound | undefined = afterFigure(text.slice(amount.end))
  const bound = before ?? after
  const read = built(text, [amount], unit, habits, ([value]) =>
    !bound || bound.kind === 'beyond' ? { value: value! } : { [bound.kind]: value! },
  )
  if (!read) return undefined
  const { figure } = read
  const at = before ? from - before.length : from
  const end = !before && after ? amount.end + after.length : amount.end
  return {
    length,
    figure: {
      ...figure,
      at,
      end,
      text: text.slice(at, end),
      ...(bound?.kind === 'beyond' && { beyond: true }),
    },
  }
}

function built(
  text: string,
  amounts: readonly Amount[],
  unit: UnitWord | undefined,
  { decimal }: PrintHabits,
  bounds: (values: number[]) => Partial<PrintedFigure>,
): { figure: PrintedFigure; length: number } | undefined {
  const whole: UnitWord = unit ?? { word: '', dimension: 'count' }
  if (whole.word === ANY_UNIT) return undefined
  const values = amounts.map((amount) => canonical(amount.figure, amount.unit ?? whole, whole, decimal))
  if (values.some((value) => value === undefined)) return undefined
  const at = amounts[0]!.at
  const end = amounts.at(-1)!.end
  return {
    length: amounts.length,
    figure: {
      dimension: whole.dimension,
      unit: whole.word,
      ...bounds(values as number[]),
      at,
      end,
      text: text.slice(at, end),
    },
  }
}

/** Core’s one parser reads it, once the separators of thousands are out. */
function canonical(
  figure: string,
  own: UnitWord,
  whole: UnitWord,
  decimal: 'point' | 'comma',
): number | undefined {
  const unit = own.dimension === whole.dimension ? own : whole
  const plain = figure
    .replace(/⁄/g, '/')
    .replace(/(?<=\d)[\u00a0\u2009\u202f '](?=\d{3}(?!\d|\/))/g, '')
    .replace(decimal === 'point' ? /,(?=\d{3})/g : /\.(?=\d{3})/g, '')
    // With one or two figures after it the other mark cannot part thousands.
    .replace(decimal === 'point' ? ',' : '.', decimal === 'point' ? '.' : ',')
  if (unit.word === 'AWG') {
    const gauge = awgGauge(plain)
    return gauge === undefined ? undefined : awgToMm2(gauge)
  }
  const parsed = parseQuantity(`${plain} ${unit.word}`, unit.dimension, { decimal })
  return parsed.ok ? parsed.quantity.value : undefined
}
