import { accuracyOf, measures, type Instrument } from '../instrument/instrument.js'
import { canonicalUnit, type Dimension } from '../quantity/units.js'
import { formatQuantity } from '../quantity/format.js'
import { BadInput } from '../shape/bad-input.js'
import { DRIVER_CLASS_PERCENT, TERMINAL_WINDOWS } from '../sheet/terminal.js'
import { WINDOW_DIMENSION, dimensionOf, limitsOf } from './general/limits.js'
import type { KindName, Requirement } from './kinds.js'
import type { Sheet } from './sheet.js'
import { wholeUnit } from './subjects.js'

/** Kinds that look at things of one unit alone: in house rules, which stand for no unit, they would stay not inspected for ever. */
const NOT_IN_HOUSE_RULES: readonly KindName[] = [
  'bonding',
  'branch-limits',
  'clearance',
  'companion',
  'fixings',
  'nameplate',
  'ports',
  'production',
  'rail-marks',
  'roll-call',
  'safe-voltage',
  'serial-map',
  'string-limits',
]

/** Sizes and resistances cannot lie below nothing; a temperature, a voltage or a power can. */
const NEVER_NEGATIVE: readonly Dimension[] = [
  'length',
  'cable-length',
  'conductor-size',
  'torque',
  'resistance',
  'insulation',
  'irradiance',
  'mass',
  'time',
  'count',
]

/** What is counted or named needs no width around it. */
const NOMINAL: readonly Dimension[] = ['count', 'conductor-size']

interface Limit {
  path: string
  dimension: Dimension
  min: number | undefined
  max: number | undefined
}

/**
 * Demands that nothing built could meet, or nobody could ever show to be met: a single figure without a tolerance, a length below nothing, a
 * window upside down, a kind that has nothing to look at in house rules. Sheets of before may hold them, and are read as ever; none is
 * taken in with one. Each with the path of its field.
 */
export function impossibleDemands(sheet: Sheet): BadInput[] {
  return [
    ...limitsIn(sheet).flatMap(faultOfLimit),
    ...sheet.requirements.flatMap((requirement, i) => [
      ...outOfPlace(sheet, requirement, `requirements[${i}]`),
      ...upsideDown(requirement, `requirements[${i}]`),
    ]),
  ]
}

function limitsIn({ terminals, requirements }: Sheet): Limit[] {
  const ofTerminals = terminals.flatMap((terminal, i) =>
    TERMINAL_WINDOWS.flatMap((name) => {
      const window = terminal[name]
      return window
        ? [
            {
              path: `terminals[${i}].${name}`,
              dimension: WINDOW_DIMENSION[name],
              min: window.min,
              max: window.max,
            },
          ]
        : []
    }),
  )
  const written = requirements.flatMap((one, i) =>
    one.kind === 'limits' && !one.window
      ? [{ path: `requirements[${i}]`, dimension: dimensionOf(one), ...endsOf(one) }]
      : [],
  )
  return [...ofTerminals, ...written]
}

function endsOf(one: Extract<Requirement, { kind: 'limits' }>): Pick<Limit, 'min' | 'max'> {
  const { min, max } = limitsOf(one, wholeUnit)
  return { min, max }
}

function faultOfLimit({ path, dimension, min, max }: Limit): BadInput[] {
  const below = [min, max].find((end) => end !== undefined && end < 0)
  if (below !== undefined && NEVER_NEGATIVE.includes(dimension))
    return [new BadInput('negative', path, `${formatQuantity(below, dimension)} is less than nothing`)]
  if (min === undefined || min !== max || NOMINAL.includes(dimension)) return []
  const hint =
    dimension === 'torque'
      ? `write { nominal: ${formatQuantity(min, dimension)}, tolerancePercent: ${DRIVER_CLASS_PERCENT} } at the terminal, or a min below the max`
      : 'write a min below the max'
  return [
    new BadInput(
      'no-tolerance',
      path,
      `a single figure can be shown by no instrument: say its tolerance (${hint})`,
    ),
  ]
}

const outOfPlace = (sheet: Sheet, { kind }: Requirement, path: string): BadInput[] =>
  sheet.kind === 'installation' && NOT_IN_HOUSE_RULES.includes(kind)
    ? [
        new BadInput(
          'out-of-place',
          `${path}.kind`,
          `${kind} looks at one unit: put it into the sheet of that unit`,
        ),
      ]
    : []

function upsideDown(one: Requirement, path: string): BadInput[] {
  const [low, high, name] =
    one.kind === 'tracker-window'
      ? [one.min, one.max, 'min']
      : one.kind === 'string-open-circuit'
        ? [one.start, one.max, 'start']
        : [undefined, undefined, '']
  return low !== undefined && high !== undefined && low > high
    ? [new BadInput('min-above-max', `${path}.${name}`, 'must not be above max')]
    : []
}

/** A limit that none of the instruments at hand could show to be kept. */
export interface Unprovable {
  path: string
  dimension: Dimension
  /** The least width that one of them needs, canonical; undefined where none measures it at all. */
  needs: number | undefined
}

/**
 * Windows that are narrower than twice what the finest instrument at hand is good to, or lie beyond its range: whatever is read there is
 * not proven. For whoever writes the sheet, while it can still be asked of the maker.
 */
export function unprovableLimits(sheet: Sheet, instruments: readonly Instrument[]): Unprovable[] {
  return limitsIn(sheet).flatMap(({ path, dimension, min, max }): Unprovable[] => {
    if (NOMINAL.includes(dimension) || canonicalUnit(dimension) === '') return []
    const able = instruments.filter((one) => measures(one, dimension))
    if (able.length === 0) return [{ path, dimension, needs: undefined }]
    const widths = able.flatMap((one) => neededWidth(one, dimension, min, max) ?? [])
    const width = min === undefined || max === undefined ? Infinity : max - min
    if (widths.some((needed) => needed <= width)) return []
    return [{ path, dimension, needs: widths.length > 0 ? Math.min(...widths) : undefined }]
  })
}

/** Twice the uncertainty in the middle of the window; undefined where its range ends before the window begins. */
function neededWidth(
  instrument: Instrument,
  dimension: Dimension,
  min: number | undefined,
  max: number | undefined,
): number | undefined {
  const { percent, plus, upTo = Infinity } = accuracyOf(instrument, dimension)!
  if ((min ?? 0) > upTo) return undefined
  const middle = min !== undefined && max !== undefined ? (min + max) / 2 : (min ?? max ?? 0)
  return 2 * ((percent / 100) * Math.abs(middle) + plus)
}
