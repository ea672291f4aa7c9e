import { apart, figure, type Figure } from '../../quantity/figure.js'
import { type Message, msg } from '../../quantity/message.js'
import { decision, widthUnit } from '../../verdict/decision.js'
import { BadInput } from '../../shape/bad-input.js'
import { DIMENSIONS, canonicalUnit, isGauge, type Dimension } from '../../quantity/units.js'
import { parseQuantity } from '../../quantity/parse.js'
import { nominalSize } from '../../quantity/nominal-size.js'
import { join, oneOf, optional, refine, text, type Read } from '../../shape/shape.js'
import { TERMINAL_WINDOWS } from '../../sheet/terminal.js'
import { READS_OF_EACH, eachField, subjectsOf, terminalFilterField } from '../subjects.js'
import { defineKind, requirementOf, withInstrument, type Judgement, type Subject } from '../kind.js'

const DEFAULT_INSTRUMENT = {
  length: 'tape',
  torque: 'torque-driver',
  voltage: 'multimeter',
  current: 'clamp-meter',
  resistance: 'continuity-tester',
  insulation: 'insulation-tester',
  temperature: 'thermometer',
  irradiance: 'light-meter',
  'conductor-size': 'caliper',
  angle: 'level',
} as const satisfies Partial<Record<Dimension, string>>

export const WINDOW_DIMENSION = {
  torque: 'torque',
  strip: 'length',
  conductor: 'conductor-size',
} satisfies Record<(typeof TERMINAL_WINDOWS)[number], Dimension>

/** Limits come from one place: written here with a dimension, or from a window of each terminal. */
const shape = refine(
  requirementOf({
    dimension: optional(oneOf(DIMENSIONS)),
    min: optional(text('with its unit')),
    max: optional(text('with its unit')),
    each: eachField,
    where: terminalFilterField,
    window: optional(oneOf(TERMINAL_WINDOWS, 'take the limits from each terminal')),
    unit: optional(text('unit in which the figure is shown')),
  }),
  ({ window, each, dimension, min, max }, path) => {
    if (window && each !== 'terminal')
      throw new BadInput('out-of-range', join(path, 'window'), 'goes with each: terminal')
    if (window) return
    if (!dimension)
      throw new BadInput('missing', join(path, 'dimension'), 'is required when the limits are written here')
    if (min === undefined && max === undefined)
      throw new BadInput('no-content', path, 'needs a min, a max or both')
    const low = min === undefined ? undefined : valueOf(min, dimension, join(path, 'min'))
    const high = max === undefined ? undefined : valueOf(max, dimension, join(path, 'max'))
    if (low !== undefined && high !== undefined && low > high)
      throw new BadInput('min-above-max', join(path, 'min'), 'must not be above max')
  },
)
type LimitsRequirement = Read<typeof shape>

/**
 * A reading inside limits: of the unit as a whole, or of each terminal, with limits written here or taken from the terminal's own
 * window. Both ends are allowed.
 */
export const limits = defineKind(shape, {
  minutes: 2,
  reads: ({ each }) => READS_OF_EACH[each],
  expand: (requirement, unit, sheet, context) =>
    subjectsOf(requirement, unit, sheet, context).filter(
      ({ terminal }) => !requirement.window || terminal?.[requirement.window],
    ),
  ask: (requirement, subject, context) => {
    const dimension = dimensionOf(requirement)
    const limits = limitsOf(requirement, subject)
    return {
      kind: 'reading',
      dimension,
      unit: requirement.unit ?? unitMeant(dimension, limits, context.header?.school),
      instrument: dimension === 'count' ? undefined : (requirement.instrument ?? instrumentFor(dimension)),
      conditions: [],
      signed: isSigned(dimension, limits),
    }
  },
  required: (requirement, subject) => {
    const limits = limitsOf(requirement, subject)
    const dimension = dimensionOf(requirement)
    return limitWords(limits, dimension, requirement.unit ?? unitShown(dimension, limits))
  },
  judge(requirement, subject, evidence, { rule }) {
    if (evidence?.kind !== 'reading') return undefined
    const { min, max } = limitsOf(requirement, subject)
    const dimension = dimensionOf(requirement)
    const about = { dimension, unit: requirement.unit ?? unitShown(dimension, { min, max }) }
    // A size that exists is read off the print, or is the one that a caliper must mean: it is compared by its name, not by its hundredths.
    const named = dimension === 'conductor-size' ? nominalSize(evidence.value) : undefined
    const nominal =
      dimension === 'count' || named !== undefined || (dimension === 'conductor-size' && !evidence.instrument)
    const value = named ?? evidence.value
    const uncertainty = nominal ? 0 : evidence.uncertainty
    const { relation } = evidence
    if (value < 0 && !isSigned(dimension, { min, max }))
      return lessThanNothing(figure(value, dimension, about.unit))
    const ends =
      dimension === 'conductor-size' ? { min: nominalEnd(min), max: nominalEnd(max) } : { min, max }
    const judged = decision({ value, relation, uncertainty, rule, ...ends }, about)
    const { verdict, margin } = judged
    const by = (width: number) => apart(width, about.dimension, widthUnit(about))
    // What is counted, or read off the print of a cable, needs no instrument.
    const sure = nominal ? { verdict, wanting: 'count again' } : withInstrument(verdict, evidence, by)
    return {
      verdict: sure.verdict,
      get working() {
        return judged.working
      },
      get notes() {
        return judged.notes
      },
      wanting: sure.wanting,
      // Sizes of conductors are steps, not a scale: how far one lies from another says nothing.
      finding:
        dimension === 'conductor-size'
          ? msg`${figure(value, dimension, about.unit)}, allowed ${limitWords({ min, max }, dimension, about.unit)}`
          : margin < 0
            ? msg`${figure(value, dimension, about.unit)}, must be ${limitWords({ min, max }, dimension, about.unit)}`
            : msg`inside by ${by(margin)}`,
    }
  },
})

const nominalEnd = (size: number | undefined): number | undefined => size && (nominalSize(size) ?? size)

interface Ends {
  min?: number | undefined
  max?: number | undefined
}

/** Only a temperature, or what the sheet itself allows below zero, can be negative; a tilt is a size whichever way it leans. */
const isSigned = (dimension: Dimension, { min, max }: Ends): boolean =>
  dimension === 'temperature' || (min ?? 0) < 0 || (max ?? 0) < 0

const lessThanNothing = (read: Figure): Judgement => ({
  verdict: 'not-proven',
  working: [msg`read ${read}`],
  notes: [],
  finding: msg`${read} is less than nothing`,
  wanting: 'this cannot be negative: read it again, without a sign',
})

/** Gauges where the limits are gauges, to be shown as they were written. */
const unitShown = (dimension: Dimension, limits: Ends): string | undefined =>
  dimension === 'conductor-size' && writtenAs(limits) === 'AWG' ? 'AWG' : undefined

/**
 * What a bare figure means. A size of conductor is a gauge where the limits are gauges and an area where they are areas. Where one end is
 * this and one that, or areas stand in a job whose cables run by gauge, nobody can tell, and the unit is asked for.
 */
function unitMeant(dimension: Dimension, limits: Ends, school: 'iec' | 'nec' = 'iec'): string | undefined {
  if (dimension !== 'conductor-size') return canonicalUnit(dimension)
  const written = writtenAs(limits)
  return written === 'mm²' && school === 'nec' ? undefined : written
}

function writtenAs({ min, max }: Ends): 'AWG' | 'mm²' | undefined {
  const gauges = [min, max].filter((end) => end !== undefined).map(isGauge)
  return gauges.every(Boolean) ? 'AWG' : gauges.some(Boolean) ? undefined : 'mm²'
}

/** What is limited: as it is written, or what the window of a terminal is of. */
export function dimensionOf({ dimension, window }: LimitsRequirement): Dimension {
  return window ? WINDOW_DIMENSION[window] : dimension!
}

function instrumentFor(dimension: Dimension) {
  return (
    (
      DEFAULT_INSTRUMENT as Partial<
        Record<Dimension, (typeof DEFAULT_INSTRUMENT)[keyof typeof DEFAULT_INSTRUMENT]>
      >
    )[dimension] ?? 'multimeter'
  )
}

/** The limits of one subject, canonical: both ends are allowed. */
export function limitsOf(
  { window, min, max, dimension }: LimitsRequirement,
  subject: Subject,
): { min?: number | undefined; max?: number | undefined } {
  if (window) return subject.terminal?.[window] ?? {}
  return {
    min: min === undefined ? undefined : valueOf(min, dimension!, 'min'),
    max: max === undefined ? undefined : valueOf(max, dimension!, 'max'),
  }
}

function valueOf(typed: string, dimension: Dimension, path: string): number {
  const parsed = parseQuantity(typed, dimension, { unitRequired: canonicalUnit(dimension) !== '' })
  if (!parsed.ok) throw new BadInput('not-a-quantity', path, `"${typed}": ${parsed.problem.message}`)
  if (parsed.quantity.relation !== '=')
    throw new BadInput('not-a-quantity', path, `"${typed}": a figure without < or > is needed`)
  return parsed.quantity.value
}

export function limitWords(
  { min, max }: { min?: number | undefined; max?: number | undefined },
  dimension: Dimension,
  unit?: string,
): Message {
  const of = (value: number) => figure(value, dimension, unit)
  if (min !== undefined && max !== undefined) return msg`${of(min)} to ${of(max)}`
  return min !== undefined ? msg`at least ${of(min)}` : max !== undefined ? msg`at most ${of(max)}` : ''
}
