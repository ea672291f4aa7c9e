import { apart, figure } from '../../quantity/figure.js'
import { type Said, say } from '../../quantity/words.js'
import { decision, widthUnit } from '../../verdict/decision.js'
import { BadInput } from '../../shape/bad-input.js'
import { DIMENSIONS, canonicalUnit, type Dimension } from '../../quantity/units.js'
import { parseQuantity } from '../../quantity/parse.js'
import { join, oneOf, optional, refine, text, type Read } from '../../shape/shape.js'
import { TERMINAL_WINDOWS } from '../../sheet/terminal.js'
import { READS_OF_EACH, eachField, subjectsOf, terminalFilterField } from '../subjects.js'
import { defineKind, requirementOf, withInstrument, type Subject } from '../kind.js'

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

const WINDOW_DIMENSION = { torque: 'torque', strip: 'length', conductor: 'conductor-size' } satisfies Record<
  (typeof TERMINAL_WINDOWS)[number],
  Dimension
>

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
  expand: (requirement, unit, sheet, around) =>
    subjectsOf(requirement, unit, sheet, around).filter(
      ({ terminal }) => !requirement.window || terminal?.[requirement.window],
    ),
  ask: (requirement) => {
    const dimension = dimensionOf(requirement)
    return {
      kind: 'reading',
      dimension,
      unit: requirement.unit ?? canonicalUnit(dimension),
      instrument: dimension === 'count' ? undefined : (requirement.instrument ?? instrumentFor(dimension)),
      conditions: [],
      signed: false,
    }
  },
  required: (requirement, subject) =>
    limitWords(limitsOf(requirement, subject), dimensionOf(requirement), requirement.unit),
  judge(requirement, subject, given, { rule }) {
    if (given?.kind !== 'reading') return undefined
    const { min, max } = limitsOf(requirement, subject)
    const about = { dimension: dimensionOf(requirement), unit: requirement.unit }
    const { value, relation, uncertainty } = given
    const judged = decision({ value, relation, uncertainty, rule, min, max }, about)
    const { verdict, margin } = judged
    const by = (width: number) => apart(width, about.dimension, widthUnit(about))
    // What is counted, or read off the print of a cable, needs no instrument.
    const nominal = about.dimension === 'count' || (about.dimension === 'conductor-size' && !given.instrument)
    const sure = nominal ? { verdict, wanting: 'count again' } : withInstrument(verdict, given, by)
    return {
      verdict: sure.verdict,
      get working() {
        return judged.working
      },
      get notes() {
        return judged.notes
      },
      wanting: sure.wanting,
      finding: margin < 0 ? say`outside by ${by(-margin)}` : say`inside by ${by(margin)}`,
    }
  },
})

function dimensionOf({ dimension, window }: LimitsRequirement): Dimension {
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
  return parsed.quantity.value
}

export function limitWords(
  { min, max }: { min?: number | undefined; max?: number | undefined },
  dimension: Dimension,
  unit?: string,
): Said {
  const of = (value: number) => figure(value, dimension, unit)
  if (min !== undefined && max !== undefined) return say`${of(min)} to ${of(max)}`
  return min !== undefined ? say`at least ${of(min)}` : max !== undefined ? say`at most ${of(max)}` : ''
}
