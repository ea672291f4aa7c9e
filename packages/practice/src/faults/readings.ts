import type { Check, Dimension, EntryBodies } from '@plumb-mark/core'
import { limitsWindow } from '../site/index.js'
import { besideFault, readingFault, reads, type AnswerFault } from './fault.js'

type Reading = EntryBodies['reading']
type Instrumented = Pick<Reading, 'instrument'>
const BRIGHTNESS = [{ dimension: 'irradiance' as const, percent: 1, plus: 0 }]
const ALL_OVER = '2026-05-31'

/** The instrument of an answer after its calibration was over. */
export const expired = ({ instrument }: Instrumented): Instrumented | undefined =>
  instrument && { instrument: { ...instrument, calibratedUntil: ALL_OVER } }

interface Figure {
  change: (body: Reading, window: ReturnType<typeof limitsWindow>) => Partial<Reading> | undefined
  slip?: boolean
}
const windowOf = ({ requirement, subject }: Check) =>
  requirement.kind === 'limits' ? limitsWindow({ requirement, subject }) : {}

/** What can be wrong with any figure that must lie inside limits. */
const FIGURES: Record<string, Figure> = {
  'below the window': {
    change: ({ unit }, { min }) =>
      min === undefined ? undefined : reads(min > 0 ? 0.7 * min : min - 20, unit),
  },
  'above the window': {
    change: ({ unit }, { max }) => (max === undefined ? undefined : reads(1.4 * max, unit)),
  },
  'without an instrument': {
    change: ({ instrument }) => instrument && { instrument: undefined },
    slip: true,
  },
  'with an instrument out of calibration': { change: expired, slip: true },
  'with an instrument for something else': {
    change: ({ instrument }) => instrument && { instrument: { ...instrument, accuracy: BRIGHTNESS } },
    slip: true,
  },
  'over range, where a greatest figure counts': {
    change: (_body, { max }) => (max === undefined ? undefined : { relation: '>' }),
    slip: true,
  },
  'less than nothing': {
    change: ({ value, unit }) => reads(-Math.abs(value) - 1, unit),
    slip: true,
  },
}

const DIMENSIONS = [
  'torque',
  'length',
  'angle',
  'voltage',
  'temperature',
  'conductor-size',
  'cable-length',
] as const satisfies readonly Dimension[]

/** Sizes are read off the print of a cable; a tilt has no least, a voltage and a temperature may have a sign. */
const NOT_OF: Partial<Record<Dimension, readonly string[]>> = {
  angle: ['below the window'],
  'cable-length': ['below the window'],
  voltage: ['less than nothing'],
  temperature: ['less than nothing'],
  'conductor-size': [
    'without an instrument',
    'with an instrument out of calibration',
    'with an instrument for something else',
    'less than nothing',
  ],
}

const figures = DIMENSIONS.flatMap((dimension) =>
  Object.entries(FIGURES)
    .filter(([name]) => !NOT_OF[dimension]?.includes(name))
    .map(([name, { change, slip = false }]) =>
      readingFault(
        `${dimension} ${name}`,
        'limits',
        (body, check) =>
          check.ask.kind === 'reading' && check.ask.dimension === dimension
            ? change(body, windowOf(check))
            : undefined,
        { slip },
      ),
    ),
)

/** What a string of n modules reads when something is wrong with it, as a share; `cause` is the story that must come first. */
const STRINGS: Record<string, { share: (n: number) => number; cause?: string }> = {
  'a module is missing': { share: (n) => (n - 1) / n, cause: 'missing-1' },
  'two modules are missing': { share: (n) => (n - 2) / n },
  'a module too many': { share: (n) => (n + 1) / n, cause: 'extra-1' },
  'the leads are exchanged': { share: () => -1, cause: 'reversed-leads' },
  'a module is backwards': { share: (n) => (n - 2) / n },
  'the string is open': { share: () => 0.0001, cause: 'open' },
}
const ofString =
  (share: (n: number) => number) =>
  (body: Reading, { subject }: Check) =>
    reads(body.value * share(subject.string!.count), body.unit)
const strings = Object.entries(STRINGS).map(([name, { share, cause }]) =>
  readingFault(name, 'string-open-circuit', ofString(share), cause === undefined ? {} : { cause }),
)

const without =
  (name: keyof NonNullable<Reading['conditions']>) =>
  ({ conditions }: Reading): Partial<Reading> => ({ conditions: { ...conditions, [name]: undefined } })
const at =
  (noted: NonNullable<Reading['conditions']>) =>
  ({ conditions }: Reading): Partial<Reading> => ({ conditions: { ...conditions, ...noted } })
const nothing = (): Partial<Reading> => ({ instrument: undefined })
const SLIP = { slip: true }

const others: AnswerFault[] = [
  readingFault(
    'voltage read without cell temperature',
    'string-open-circuit',
    without('cellTemperature'),
    SLIP,
  ),
  readingFault('voltage read without irradiance', 'string-open-circuit', without('irradiance'), SLIP),
  readingFault('voltage read with no instrument', 'string-open-circuit', nothing, SLIP),
  readingFault(
    'voltage noted at another temperature',
    'string-open-circuit',
    at({ cellTemperature: -30 }),
    SLIP,
  ),
  readingFault(
    'plus and minus of a string are exchanged',
    'polarity',
    ofString(() => -1),
  ),
  readingFault('insulation too low', 'insulation', ({ unit }) => ({ ...reads(0.4, unit), relation: '=' })),
  readingFault('insulation only known to be below', 'insulation', () => ({ relation: '<' }), SLIP),
  readingFault('insulation tested too low', 'insulation', at({ testVoltage: 250 }), SLIP),
  readingFault('insulation tested at a voltage nobody noted', 'insulation', without('testVoltage'), SLIP),
  readingFault('insulation with no instrument', 'insulation', nothing, SLIP),
  readingFault('insulation of next to nothing', 'insulation', ({ unit }) => ({
    ...reads(3e-7, unit),
    relation: '=',
  })),
  readingFault('short-circuit current too low', 'string-short-circuit', ({ value, unit }) =>
    reads(0.7 * value, unit),
  ),
  readingFault('short-circuit current too high', 'string-short-circuit', ({ value, unit }) =>
    reads(1.4 * value, unit),
  ),
  readingFault(
    'short-circuit current without irradiance',
    'string-short-circuit',
    without('irradiance'),
    SLIP,
  ),
  readingFault('bond of high resistance', 'earth-continuity', ({ unit }) => reads(2, unit)),
  readingFault('bond read with no instrument', 'earth-continuity', nothing, SLIP),
  readingFault('bond over range', 'earth-continuity', () => ({ relation: '>' }), SLIP),
  {
    name: 'answered no',
    kind: 'observation',
    slip: false,
    spoilt: (body) => ('seen' in body ? { ...body, seen: false } : undefined),
  },
  ...(['gland', 'fixings', 'rail-marks'] as const).map((kind) =>
    besideFault(`measured for ${kind} with an instrument out of calibration`, kind, (body) =>
      expired(body as Instrumented),
    ),
  ),
]

export const READING_FAULTS: readonly AnswerFault[] = [...figures, ...strings, ...others]
