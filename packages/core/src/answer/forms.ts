import { formatNumber } from '../quantity/phrases.js'
import type { Message } from '../quantity/message.js'
import { photoRefShape } from './photo-ref.js'
import { traceAnswerShape } from './trace-ref.js'
import type { Instrument } from '../instrument/instrument.js'
import { parseQuantity } from '../quantity/parse.js'
import { habitsFor, type FigureAsked } from './typing.js'
import type { Dimension } from '../quantity/units.js'
import { BadInput } from '../shape/bad-input.js'
import {
  dictionary,
  flag,
  list,
  num,
  object,
  oneOf,
  optional,
  text,
  type Read,
  type Shape,
} from '../shape/shape.js'
import { seenTime } from '../shape/time.js'

/** A named thing that can be chosen, touched or ticked. */
export interface Choice {
  id: string
  label: string
  hint?: string | undefined
}

/** One of several fields that are filled in together. Without a dimension it is text. */
export interface FormField {
  id: string
  label: string
  required: Message
  dimension?: Dimension | undefined
  unit?: string | undefined
  /** True where a figure may well lie below zero. */
  signed?: boolean | undefined
  options?: readonly string[] | undefined
  /** May be read from a barcode on the label. */
  scan?: boolean | undefined
  /** Stands on the nameplate, and may be read off a photo of it. */
  onPlate?: boolean | undefined
}

/** A test of the interface to the grid, and the ids of the fields that hold what was found: a unit's own file names its rows so. */
export interface TripRow extends Choice {
  dimension: 'voltage' | 'frequency'
  threshold: string
  time: string
}

/** How an answer is put together that is more than one figure or a yes. A new form has a row here, in `ANSWERS` and in the interface. */
export type Form =
  | {
      form: 'choice'
      question: string
      options: readonly Choice[]
      /** What is not on the list may be typed: the code of an alarm that the table lacks. */
      typed?: boolean
    }
  | { form: 'fields'; fields: readonly FormField[]; trips?: readonly TripRow[] | undefined }
  | {
      form: 'series'
      dimension: Dimension
      unit: string
      signed?: boolean | undefined
      labels: readonly string[]
    }
  | {
      form: 'order'
      items: readonly (Choice & { x?: number | undefined; y?: number | undefined })[]
      passes: number
    }
  | {
      form: 'steps'
      steps: readonly (Choice & { after: readonly string[]; waitSeconds?: number | undefined })[]
    }
  | { form: 'switches'; switches: readonly Choice[] }
  | { form: 'photos'; wanted: readonly Choice[] }
  | { form: 'statement'; text: string }
  | { form: 'chain'; ports: readonly Choice[]; leads: readonly string[] }
  | { form: 'bus'; suggested: readonly string[] }
  | { form: 'trace'; channel: string; event: string }
export type FormName = Form['form']

const typed = object({ typed: text(), value: optional(num()) })

/** Why a step was taken although a stop stood, and who allowed it. */
const allowedShape = object({ reason: text('why it had to be'), by: text('who allowed it') })

export const ANSWERS = {
  choice: object({ chosen: text() }),
  fields: object({ values: dictionary(typed) }),
  series: object({ values: list(object({ typed: text(), value: num() }), { max: 500 }) }),
  order: object({ done: list(text(), { mayBeEmpty: true, max: 500 }) }),
  steps: object({
    done: list(object({ id: text(), at: seenTime, allowed: optional(allowedShape) }), {
      mayBeEmpty: true,
      max: 200,
    }),
  }),
  switches: object({ positions: dictionary(oneOf(['on', 'off'] as const)) }),
  photos: object({ taken: dictionary(photoRefShape) }),
  statement: object({ agreed: flag() }),
  chain: object({
    leads: list(object({ from: text(), to: text(), lead: text() }), { mayBeEmpty: true, max: 100 }),
    terminators: list(text(), { mayBeEmpty: true, max: 20 }),
  }),
  bus: object({
    devices: list(
      object({ name: text(), address: optional(num({ min: 0, max: 65535 })), terminated: flag() }),
      { about: 'in the order in which the cable runs', max: 260 },
    ),
    cable: oneOf(['twisted-pair', 'single-wires', 'other'] as const),
    polarity: oneOf(['a-to-a', 'crossed'] as const),
    shield: oneOf(['one-end', 'both-ends', 'not-earthed', 'no-shield'] as const),
  }),
  trace: traceAnswerShape,
} satisfies Record<FormName, Shape<unknown>>

export type AnswerOf<F extends FormName> = Read<(typeof ANSWERS)[F]>
export type Answer = { [F in FormName]: AnswerOf<F> }[FormName]

/**
 * Reads an answer against its form. Figures must follow from what was typed, by one decimal mark or the other. Bad input: what does not
 * fit the form, names something that it does not offer, or carries a figure that was not typed.
 */
export function readAnswer(form: Form, answer: unknown): Answer {
  const read = fitAnswer(form, answer)
  TYPED[form.form]?.(form as never, read as never)
  return read
}

/** As `readAnswer`, for an answer that was read before: its figures are taken as they stand. */
export function fitAnswer(form: Form, answer: unknown): Answer {
  const read = ANSWERS[form.form].read(answer, 'answer') as Answer
  CHECKS[form.form]?.(form as never, read as never)
  return read
}

type ChecksByForm = { [F in FormName]?: (form: Extract<Form, { form: F }>, answer: AnswerOf<F>) => void }

const TYPED: ChecksByForm = {
  fields({ fields }, { values }) {
    for (const field of fields) {
      const given = values[field.id]
      if (given && field.dimension)
        requireAsTyped(given, { ...field, dimension: field.dimension }, `answer.values.${field.id}`)
    }
  },
  series: (asked, { values }) =>
    values.forEach((one, i) => requireAsTyped(one, asked, `answer.values[${i}]`)),
}

const CHECKS: ChecksByForm = {
  choice({ options, typed: mayBeTyped }, { chosen }) {
    if (!mayBeTyped) requireOffered(options, [chosen], 'answer.chosen')
  },
  fields: ({ fields }, { values }) => requireOffered(fields, Object.keys(values), 'answer.values'),
  series({ labels }, { values }) {
    if (values.length > labels.length)
      throw new BadInput('wrong-length', 'answer.values', `must have at most ${labels.length} entries`)
  },
  order: ({ items }, { done }) => requireOffered(items, done, 'answer.done'),
  steps: ({ steps }, { done }) =>
    requireOffered(
      steps,
      done.map(({ id }) => id),
      'answer.done',
    ),
  switches: ({ switches }, { positions }) =>
    requireOffered(switches, Object.keys(positions), 'answer.positions'),
  photos: ({ wanted }, { taken }) => requireOffered(wanted, Object.keys(taken), 'answer.taken'),
  chain: ({ ports }, { leads, terminators }) =>
    requireOffered(ports, [...leads.flatMap(({ from, to }) => [from, to]), ...terminators], 'answer.leads'),
}

function requireOffered(offered: readonly { id: string }[], named: readonly string[], path: string): void {
  const stranger = named.find((name) => !offered.some(({ id }) => id === name))
  if (stranger !== undefined) throw new BadInput('not-listed', path, `"${stranger}" is not offered here`)
}

function requireAsTyped(
  given: { typed: string; value?: number | undefined },
  asked: FigureAsked,
  path: string,
): void {
  if (!readsAs(given.typed, given.value, asked))
    throw new BadInput('not-a-quantity', path, `"${given.typed}" does not read as the value that was sent`)
}

/** What was typed must read as the value that goes with it, by one decimal mark or the other: neither can be changed alone. */
export function readsAs(
  typedText: string,
  value: number | undefined,
  asked: FigureAsked,
  { relation = '=', instrument }: { relation?: string; instrument?: Instrument | undefined } = {},
): boolean {
  return (['point', 'comma'] as const).some((decimal) => {
    const parsed = parseQuantity(typedText, asked.dimension, { ...habitsFor(asked, instrument), decimal })
    return (
      parsed.ok &&
      parsed.quantity.relation === relation &&
      value !== undefined &&
      Math.abs(parsed.quantity.value - value) <= 1e-9 * Math.max(1, Math.abs(value))
    )
  })
}

/** What an answer says, in one line: for the history of a check and for the report. */
export function sayAnswer(form: Form, answer: Answer): string {
  return (SAY[form.form] as (form: Form, answer: Answer) => string)(form, answer)
}

const labelIn = (all: readonly Choice[], id: string): string => all.find((one) => one.id === id)?.label ?? id

const SAY: { [F in FormName]: (form: Extract<Form, { form: F }>, answer: AnswerOf<F>) => string } = {
  choice: ({ options }, { chosen }) => labelIn(options, chosen),
  fields: ({ fields }, { values }) =>
    fields.flatMap(({ id, label }) => (values[id] ? [`${label} ${values[id].typed}`] : [])).join(', '),
  series: (_form, { values }) => values.map(({ typed: said }) => said).join(' · '),
  order: ({ items }, { done }) => done.map((id) => labelIn(items, id)).join(' · ') || 'nothing yet',
  steps: ({ steps }, { done }) =>
    done
      .map(({ id, at, allowed }) => {
        const despite = allowed ? ` (while a stop stood, allowed by ${allowed.by}: ${allowed.reason})` : ''
        return `${labelIn(steps, id)} ${at.slice(11, 19)}${despite}`
      })
      .join(', ') || 'nothing yet',
  switches: ({ switches }, { positions }) =>
    switches.map(({ id, label }) => `${label} ${positions[id] ?? '?'}`).join(', '),
  photos: ({ wanted }, { taken }) =>
    `${wanted.filter(({ id }) => taken[id]).length} of ${wanted.length} taken`,
  statement: (_form, { agreed }) => (agreed ? 'stated' : 'could not be stated'),
  chain: ({ ports }, { leads, terminators }) =>
    [
      ...leads.map(({ from, to, lead }) => `${labelIn(ports, from)} to ${labelIn(ports, to)} (${lead})`),
      ...terminators.map((id) => `terminator in ${labelIn(ports, id)}`),
    ].join(', '),
  trace: ({ event }, { channel, found, eventAt }) =>
    `${channel} traced; ${found.settledAt === undefined ? 'not settled' : `settled ${formatNumber(found.settledAt - eventAt)} s`} after ${event}`,
  bus: (_form, { devices }) =>
    devices
      .map(
        ({ name, address, terminated }) =>
          `${name}${address === undefined ? '' : ` ${address}`}${terminated ? ' (terminator)' : ''}`,
      )
      .join(' – '),
}
