import type { PrintedFigure } from '@plumb-mark/core'
import { figuresOf, type Fact } from '../finders/spot.js'

export const tidy = (value: number) => Number(value.toPrecision(9))

/** Lengths of cables and heights are told in m, and printed figures are mm. */
const scaleOf = ({ unit }: Fact) => (unit === 'm' ? 0.001 : 1)

const one = (figure: { min?: number; max?: number; value?: number }) =>
  figure.value ?? figure.min ?? figure.max

/** Is it the figure of this fact that is spoken of? */
export function hasFigure(fact: Fact, figure: PrintedFigure): boolean {
  const [own, other] = [one(fact), one(figure)]
  if (own === undefined || other === undefined) return false
  return Math.abs(own - other * scaleOf(fact)) <= 1e-4 * Math.max(Math.abs(own), 1e-9)
}

/** A fact with the figure that takes the place of its own, where that is printed. What was a bound stays one. */
export function corrected(
  fact: Fact,
  figure: PrintedFigure,
  place: Pick<Fact, 'page' | 'clause' | 'text' | 'box'>,
): Fact {
  const scale = scaleOf(fact)
  const rest = { ...fact }
  delete rest.min
  delete rest.max
  delete rest.value
  const single = one(figure)! * scale
  const bounds =
    figure.min !== undefined && figure.max !== undefined
      ? { min: figure.min * scale, max: figure.max * scale }
      : fact.min !== undefined && fact.max === undefined
        ? { min: single }
        : fact.max !== undefined && fact.min === undefined
          ? { max: single }
          : { value: single }
  return {
    ...rest,
    ...Object.fromEntries(Object.entries(bounds).map(([end, value]) => [end, tidy(value)])),
    ...place,
    replaces: { ...figuresOf(fact), page: fact.page, clause: fact.clause, box: fact.box },
  }
}

/** How many words two texts share: which of several facts is meant. */
export const shared = (subject: string, words: string): number =>
  subject.split(/\W+/).filter((word) => word.length > 2 && words.toLowerCase().includes(word.toLowerCase()))
    .length
