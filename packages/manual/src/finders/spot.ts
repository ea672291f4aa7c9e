import type { PrintedFigure } from '@plumb-mark/core'
import type { Box } from '../page/page.js'

/** A figure in its surroundings, of running text or of a table: what a finder looks at. */
export interface Spot {
  figure: PrintedFigure
  /** From the figure before, or the beginning of the sentence, up to this one. In a table: part, label and head of the column. */
  lead: string
  /** Up to the next figure or the end of the part of the sentence. In a table: what stands in the field after the figure. */
  tail: string
  /** The part of the sentence, between semicolons, in which it stands; in a table label and head. */
  clausePart: string
  /** The whole sentence, or the whole row with its fields parted by bars. */
  sentence: string
  /** All of the paragraph, for what it is about. */
  paragraph: string
  /** The sentence before, since “it” is said of something there. */
  before: string
  /** What the first field of the row says. */
  label?: string
  head?: string
  caption: string
  /** The headings above, the highest first. */
  titles: readonly string[]
  clause: string
  page: number
  box: Box
  /** Page and box of a part of the sentence, for what is not the figure itself. */
  placeAt(at: number, end: number): { page: number; box: Box }
  marks?: readonly string[]
  model?: string
  fromPicture: boolean
  device: Device
}

export type Device = 'inverter' | 'battery' | 'meter' | 'other'

export const FACT_KINDS = [
  'clearance',
  'torque',
  'conductor',
  'strip',
  'gland',
  'mass',
  'size',
  'rating',
  'temperature',
  'humidity',
  'altitude',
  'tilt',
  'fixing',
  'wait',
  'length',
  'breaker',
  'earth',
  'count',
  'setting',
  'indicator',
  'alarm',
  'step',
  'sequence',
  /** A sentence that demands something without a figure. */
  'observation',
] as const
export type FactKind = (typeof FACT_KINDS)[number]

/** A single figure, or what it must be between. */
export interface Figures {
  min?: number
  max?: number
  value?: number
}

/** What a manual demands or tells, with the place where it says so. Numbers in the canonical unit. */
export interface Fact extends Figures {
  kind: FactKind
  subject: string
  unit: string
  page: number
  clause: string
  text: string
  box: Box
  /** The model that it is said of, where the manual tells several apart. */
  model?: string
  /** Read off a picture of the page, not from its letters. */
  fromPicture?: true
  /** Signs of notes that stand at it. */
  marks?: readonly string[]
  /** Another place demands something else of the same. */
  contradicts?: true
  /** What the manual itself corrects elsewhere: the figure as it was printed first, and where. */
  replaces?: Figures & Pick<Fact, 'page' | 'clause' | 'box'>
}

/** The figure of a spot as a fact. A single figure is a value unless words made it a bound. */
export function factOf(
  spot: Spot,
  kind: FactKind,
  subject: string,
  unit: string,
  change: { scale?: number; as?: 'min' | 'max' | 'value' } = {},
): Fact {
  const { figure } = spot
  const scale = change.scale ?? 1
  const scaled = (value: number | undefined) => (value === undefined ? undefined : tidy(value * scale))
  const { min, max, value } = figure
  const single = value ?? (min === undefined ? max : max === undefined ? min : undefined)
  const bounds =
    change.as && single !== undefined
      ? { [change.as]: scaled(single) }
      : figure.beyond
        ? { max: scaled(value) }
        : { min: scaled(min), max: scaled(max), value: scaled(value) }
  return {
    kind,
    subject: subject.replace(/\s+/g, ' ').trim(),
    ...Object.fromEntries(Object.entries(bounds).filter(([, bound]) => bound !== undefined)),
    unit,
    page: spot.page,
    clause: spot.clause,
    text: spot.sentence,
    box: spot.box,
    ...(spot.model !== undefined && { model: spot.model }),
    ...(spot.marks && spot.marks.length > 0 && { marks: spot.marks }),
    ...(spot.fromPicture && { fromPicture: true as const }),
  }
}

/** What a computer adds in the last digits is no figure of the print. */
const tidy = (value: number) => Number(value.toPrecision(9))

export const innermost = (spot: Pick<Spot, 'titles'>): string => spot.titles.at(-1) ?? ''

/** Words that say nothing at the beginning or the end of a name. */
const IDLE =
  /^(?:the|a|an|its|their|is|are|be|been|has|have|must|may|should|shall|can|with|by|of|to|in|on|at|and|or|for|from|that|which|it|they|there|this|not|than|up|will|do|does|so|as|when|where|if|then|also|only|each|least|most|more|less|between|over|under|within|about|takes?|measures?)$/i

/** A short name for what a part of a sentence speaks of: its own words around the figure, without what leads to it. */
export function nameOf(text: string, figure: string, most = 20): string {
  const words = text
    .replace(figure, ' ')
    .replace(
      /(?<![\w.])[−–-]?\d[\d.,/]*\s?(?:N·m|Nm|mm²|mm|cm|m|kg|V|A|W|s|min|°C|°F|%|in|ft|lb|AWG)?(?![\w])/g,
      ' ',
    )
    .replace(/[^\p{L}\p{N}+/' -]+/gu, ' ')
    .split(/\s+/)
    .filter((word) => word !== '')
    .slice(-most)
  while (words.length > 0 && IDLE.test(words[0]!)) words.shift()
  while (words.length > 0 && IDLE.test(words.at(-1)!)) words.pop()
  return words.join(' ')
}

/** The name with the heading it stands under, unless that is said already. */
export function named(spot: Spot, name: string): string {
  const title = innermost(spot)
  const missing = title !== '' && !name.toLowerCase().includes(title.toLowerCase())
  return missing ? (name === '' ? title : `${name} (${title})`) : name
}

/** The figures of a fact, and nothing else of it. */
export const figuresOf = ({ min, max, value }: Figures): Figures => ({
  ...(min !== undefined && { min }),
  ...(max !== undefined && { max }),
  ...(value !== undefined && { value }),
})
