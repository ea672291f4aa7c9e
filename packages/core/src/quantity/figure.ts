import { formatQuantity } from './format.js'
import type { Dimension } from './units.js'

export interface FigureOptions {
  /** The unit in which the sheet or the person gave it; the canonical one when nobody did. */
  unit?: string | undefined
  /** A difference of two values: 5 °C of it are 9 °F, where the value 5 °C is 41 °F. */
  difference?: boolean | undefined
  /** The value beside which a difference stands, whose decimals it shares. */
  beside?: number | undefined
}

/** A figure in a text, kept as a figure: what it says in which unit is decided where it is rendered. */
export class Figure {
  constructor(
    /** Canonical. */
    readonly value: number,
    readonly dimension: Dimension,
    readonly options: FigureOptions = {},
  ) {}

  toString(): string {
    return figureText(this)
  }
}

/** Digits that a reading of the trade has: more of them would claim what no instrument saw. */
const SIGNIFICANT = 4

/** A figure as it reads in one unit, its own when none is named: "2.5 N·m", "446.9 V". */
export function figureText({ value, dimension, options }: Figure, unit = options.unit): string {
  const difference = options.difference ?? false
  const { beside } = options
  return formatQuantity(value, dimension, {
    ...(unit && { unit }),
    ...(beside !== undefined && { beside }),
    significant: SIGNIFICANT,
    difference,
  })
}

const of = (dimension: Dimension) => (value: number) => new Figure(value, dimension)

export const mm = of('length')
export const volts = of('voltage')
export const amps = of('current')
export const ohms = of('resistance')
export const megohms = of('insulation')
export const mm2 = of('conductor-size')
export const metres = of('cable-length')
export const seconds = of('time')
export const watts = of('power')
export const kilonewtons = of('force')
export const kilograms = of('mass')
export const newtonMetres = of('torque')

/** A value in the unit that somebody gave it in. */
export const figure = (value: number, dimension: Dimension, unit?: string): Figure =>
  new Figure(value, dimension, { unit })

/** How far two values lie apart. */
export const apart = (value: number, dimension: Dimension, unit?: string): Figure =>
  new Figure(value, dimension, { unit, difference: true })
