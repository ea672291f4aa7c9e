import { parseQuantity, type TypingHabits } from '../quantity/parse.js'
import type { Dimension } from '../quantity/units.js'

/** A window as the file of a sheet writes it: its ends with their units, or a single figure with its tolerance. */
export interface WrittenWindow {
  min?: string
  max?: string
  nominal?: string
  tolerancePercent?: number
}

const RANGE = /^(.*[\w²"″′)])\s*(?:–|—|…|\.{2,3}|-|\s(?:to|till)\s)\s*(\S.*)$/i
const TOLERANCE = /^(.*?)\s*(?:±|\+\/-|\+-)\s*(\d+(?:[.,]\d+)?)\s*%$/
const AT_LEAST = /^(?:≥|⩾|>=|>|at least\s|min\.?\s)\s*(.+)$/i
const AT_MOST = /^(?:≤|⩽|<=|<|at most\s|up to\s|max\.?\s)\s*(.+)$/i
const BARE = /^[\d.,\s/]+$/

/**
 * Reads a window as it is typed into one cell: “2.2–2.8 N·m”, “2.5 N·m ± 6 %”, “at least 11 mm”, “≤ 10 AWG”; one unit at the end
 * counts for both ends. A single torque is a single figure, whose tolerance the format asks for; a single length or size is both ends.
 * Undefined where it cannot be read.
 */
export function typedWindow(
  typed: string,
  dimension: Dimension,
  habits: TypingHabits = {},
): WrittenWindow | undefined {
  const text = typed.trim()
  const one = (figure: string) => written(figure, dimension, habits)
  const [, nominal, tolerance] = TOLERANCE.exec(text) ?? []
  if (nominal !== undefined && tolerance !== undefined) {
    const figure = one(nominal)
    return figure === undefined
      ? undefined
      : { nominal: figure, tolerancePercent: Number(tolerance.replace(',', '.')) }
  }
  const least = AT_LEAST.exec(text)?.[1]
  if (least !== undefined) return only('min', one(least))
  const most = AT_MOST.exec(text)?.[1]
  if (most !== undefined) return only('max', one(most))
  const single = one(text)
  if (single !== undefined) return dimension === 'torque' ? { nominal: single } : { min: single, max: single }
  const [, from = '', to = ''] = RANGE.exec(text) ?? []
  const max = one(to)
  const min = one(max !== undefined && BARE.test(from) ? `${from} ${unitOf(to, dimension, habits)}` : from)
  return min === undefined || max === undefined ? undefined : { min, max }
}

const only = (end: 'min' | 'max', figure: string | undefined): WrittenWindow | undefined =>
  figure === undefined ? undefined : { [end]: figure }

/** A figure as a sheet writes it: with its unit, and the point for the decimal mark. */
function written(figure: string, dimension: Dimension, habits: TypingHabits): string | undefined {
  const parsed = parseQuantity(figure, dimension, { ...habits, unitRequired: true, magnitude: true })
  if (!parsed.ok || parsed.quantity.relation !== '=') return undefined
  return habits.decimal === 'comma' ? figure.trim().replace(',', '.') : figure.trim()
}

function unitOf(figure: string, dimension: Dimension, habits: TypingHabits): string {
  const parsed = parseQuantity(figure, dimension, habits)
  return parsed.ok ? parsed.quantity.unit : ''
}

/** A window of a sheet’s file as it is typed here, with the decimal mark of whoever types; what is none stands as it is written there. */
export function sayWritten(window: unknown, { decimal }: TypingHabits = {}): string {
  if (window === undefined || window === null) return ''
  if (typeof window !== 'object') return String(window)
  const said = windowWords(window)
  return decimal === 'comma' ? said.replaceAll(/(\d)\.(\d)/g, '$1,$2') : said
}

function windowWords(window: object): string {
  const { min, max, nominal, tolerancePercent } = window as Record<string, unknown>
  if (nominal !== undefined)
    return tolerancePercent === undefined
      ? String(nominal)
      : `${String(nominal)} ± ${String(tolerancePercent)} %`
  if (min === undefined) return max === undefined ? '' : `≤ ${String(max)}`
  if (max === undefined) return `≥ ${String(min)}`
  return min === max ? String(min) : range(String(min), String(max))
}

/** “2.2–2.8 N·m”: one unit at the end where both ends have the same. */
function range(min: string, max: string): string {
  const unit = /^\s*[\d.]+\s*(\D.*)$/.exec(max)?.[1]
  const figure = unit !== undefined && min.endsWith(unit) ? min.slice(0, -unit.length).trim() : undefined
  return figure !== undefined && /^[\d.]+$/.test(figure) ? `${figure}–${max}` : `${min} – ${max}`
}
