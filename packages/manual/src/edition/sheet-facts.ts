import {
  canonicalUnit,
  parseQuantity,
  printedFigures,
  printedUnit,
  type Dimension,
  type Requirement,
  type Sheet,
  type Terminal,
} from '@plumb-mark/core'
import { dimensionOf, unitOfKind } from '../finders/dimensions.js'
import { figuresOf, type Fact, type FactKind, type Figures } from '../finders/spot.js'

/** What a sheet demands, as facts: so that it can be laid beside what a manual says. */
export interface SheetFact {
  fact: Fact
  /** The way to it in the data of the sheet: names of members and numbers of items. */
  at: readonly (string | number)[]
  /** What goes from the sheet when it is not demanded any more: the item or member that it stands in; itself where this is left out. */
  within?: readonly (string | number)[]
  /** The unit in which a display shows a setting; its rule is written in it. */
  shownIn?: string
  /** How the figure is written there: with its bounds, as one least figure, as a plain count, as a rule of a setting, or as words. */
  form: 'bounds' | 'least' | 'count' | 'whole-bounds' | 'rule' | 'words'
}

type Found = Omit<SheetFact, 'fact'> & {
  kind: FactKind
  subject: string
  figures?: Figures
  text?: string
  /** Of the figures; that of their kind where it is left out. */
  unit?: string
}

/** Every figure of a sheet that a manual could say, in the sheet's order. Without a place on paper the page is 0. */
export function factsOfSheet(sheet: Sheet): SheetFact[] {
  return [
    ...headFacts(sheet),
    ...sheet.terminals.flatMap((terminal, i) => asFacts(terminalFacts(terminal, i), terminal)),
    ...sheet.requirements.flatMap((requirement, i) =>
      asFacts(requirementFacts(requirement, ['requirements', i]), requirement),
    ),
  ]
}

function asFacts(
  found: readonly Found[],
  { clause = '', printed }: { clause?: string; printed?: Terminal['printed'] | undefined },
): SheetFact[] {
  const [x0 = 0, top = 0, x1 = 0, bottom = 0] = printed?.box ?? []
  return found.map(
    ({ at, within, form, shownIn, kind, subject, figures = {}, text = '', unit = unitOfKind(kind) }) => ({
      at,
      ...(within && { within }),
      form,
      ...(shownIn !== undefined && { shownIn }),
      fact: {
        kind,
        subject,
        ...stated(figures),
        unit,
        page: printed?.page ?? 0,
        clause,
        text,
        box: { x0, top, x1, bottom },
      },
    }),
  )
}

/** Bounds that are one figure are that figure. */
const stated = (figures: Figures): Figures =>
  figures.value === undefined && figures.min !== undefined && figures.min === figures.max
    ? { value: figures.min }
    : figuresOf(figures)

function headFacts({ mass, size, ratings }: Sheet): SheetFact[] {
  const plain = asFacts(
    [
      ...(mass === undefined
        ? []
        : [
            { at: ['mass'], form: 'least', kind: 'mass', subject: 'mass', figures: { value: mass } } as const,
          ]),
      ...Object.entries(size ?? {}).map(([edge, value]): Found => ({
        at: ['size', edge],
        form: 'least',
        kind: 'size',
        subject: edge,
        figures: { value },
      })),
    ],
    {},
  )
  const rated = ratings.flatMap(({ name, value }, i): SheetFact[] => {
    const [figure] = printedFigures(value, { decimal: 'point' })
    // A figure within other words is not what the rating is.
    if (!figure || figure.dimension === 'count' || figure.at > 0) return []
    const [one] = asFacts(
      [
        {
          at: ['ratings', i, 'value'],
          within: ['ratings', i],
          form: 'words',
          kind: 'rating',
          subject: name,
          figures: figure,
        },
      ],
      {},
    )
    return [{ ...one!, fact: { ...one!.fact, unit: unitOf(figure.dimension) } }]
  })
  return [...plain, ...rated]
}

const unitOf = (dimension: string): string => RATED_UNITS[dimension as Dimension] ?? ''
const RATED_UNITS: Partial<Record<Dimension, string>> = {
  voltage: 'V',
  current: 'A',
  power: 'W',
  'apparent-power': 'VA',
  frequency: 'Hz',
  energy: 'kWh',
  percent: '%',
  temperature: '°C',
}

const terminalFacts = ({ label, torque, strip, conductor }: Terminal, i: number): Found[] =>
  Object.entries({ conductor, strip, torque }).flatMap(([window, figures]): Found[] =>
    figures
      ? [
          {
            at: ['terminals', i, window],
            form: 'bounds',
            kind: window as FactKind,
            subject: label,
            figures:
              'nominal' in figures && figures.nominal !== undefined ? { value: figures.nominal } : figures,
          },
        ]
      : [],
  )

const SUBJECT_OF_SIDE = { left: 'left', right: 'right', top: 'above', bottom: 'below' } as const

function requirementFacts(requirement: Requirement, at: readonly (string | number)[]): Found[] {
  const words = { form: 'words' } as const
  switch (requirement.kind) {
    case 'limits':
      return limitsFacts(requirement, at)
    case 'clearance':
      return clearanceFacts(requirement, at)
    case 'fixings':
      return [
        ...(['diameter', 'depth'] as const).map((what): Found => ({
          at: [...at, what],
          form: 'bounds',
          kind: 'fixing',
          subject: what,
          figures: requirement[what],
        })),
        {
          at: [...at, 'count'],
          form: 'count',
          kind: 'fixing',
          subject: 'count',
          figures: { value: requirement.count },
          unit: '',
        },
      ]
    case 'gland':
      return requirement.glands.map(({ label, without }, i): Found => ({
        at: [...at, 'glands', i, 'without'],
        within: [...at, 'glands', i],
        form: 'bounds',
        kind: 'gland',
        subject: label,
        figures: without,
      }))
    case 'protection':
      return requirement.device
        ? [
            {
              at: [...at, 'device'],
              form: 'bounds',
              kind: 'breaker',
              subject: bare(requirement.title),
              figures: requirement.device,
            },
          ]
        : []
    case 'earth-size':
      return requirement.minimum > 0
        ? [
            {
              at: [...at, 'minimum'],
              form: 'least',
              kind: 'earth',
              subject: 'protective conductor',
              figures: { min: requirement.minimum },
            },
          ]
        : []
    case 'string-limits':
      return requirement.minCount === undefined && requirement.maxCount === undefined
        ? []
        : [
            {
              at,
              form: 'whole-bounds',
              kind: 'count',
              subject: 'modules per string',
              figures: stated({
                ...(requirement.minCount !== undefined && { min: requirement.minCount }),
                ...(requirement.maxCount !== undefined && { max: requirement.maxCount }),
              }),
            },
          ]
    case 'ordered-steps':
      return requirement.steps.flatMap(({ label, wait }, i): Found[] => [
        {
          at: [...at, 'steps', i, 'label'],
          within: [...at, 'steps', i],
          ...words,
          kind: 'step',
          subject: String(i + 1),
          text: label,
        },
        ...(wait === undefined
          ? []
          : [
              {
                at: [...at, 'steps', i, 'wait'],
                form: 'least',
                kind: 'wait',
                subject: label,
                figures: { min: wait },
              } as const,
            ]),
      ])
    case 'settings':
      return requirement.settings.flatMap(({ label, rule, unit }, i): Found[] => {
        const shown = rule && figuresOfRule(rule)
        if (!shown) return []
        const measured = canonicalOf(shown, unit)
        return [
          {
            at: [...at, 'settings', i, 'rule'],
            within: [...at, 'settings', i],
            form: 'rule',
            kind: 'setting',
            subject: label,
            ...measured,
          },
        ]
      })
    case 'indicator':
      return requirement.patterns.map(({ colour, rhythm, means }, i): Found => ({
        at: [...at, 'patterns', i, 'means'],
        within: [...at, 'patterns', i],
        ...words,
        kind: 'indicator',
        subject: `${colour}, ${rhythm}`,
        text: means,
      }))
    case 'alarm-codes':
      return requirement.codes.map(({ id, means }, i): Found => ({
        at: [...at, 'codes', i, 'means'],
        within: [...at, 'codes', i],
        ...words,
        kind: 'alarm',
        subject: id,
        text: means,
      }))
    default:
      return []
  }
}

/** The kinds whose figures stand as plain limits, by what they measure and what the title says first. */
function limitsFacts(
  { title, dimension, min, max, window, stage }: Extract<Requirement, { kind: 'limits' }>,
  at: readonly (string | number)[],
): Found[] {
  if (window || !dimension) return []
  const kind = kindOfLimits(dimension, title, stage)
  if (!kind) return []
  const [low, high] = [min, max].map((text) => (text === undefined ? undefined : figureIn(text, kind)))
  return [
    {
      at,
      form: 'bounds',
      kind,
      subject: bare(title),
      figures: { ...(low !== undefined && { min: low }), ...(high !== undefined && { max: high }) },
    },
  ]
}

/** A title without the words that the kind says anyway. */
const bare = (title: string): string => title.replace(/^[^:]*:\s*/, '')

function kindOfLimits(dimension: Dimension, title: string, stage: string): FactKind | undefined {
  switch (dimension) {
    case 'torque':
    case 'temperature':
      return dimension
    case 'conductor-size':
      return stage === 'earthing' ? 'earth' : 'conductor'
    case 'length':
      if (/^fixing/i.test(title)) return 'fixing'
      return stage === 'place-and-mount' ? 'clearance' : 'strip'
    case 'cable-length':
      return /height|altitude/i.test(title) ? 'altitude' : 'length'
    case 'percent':
      return 'humidity'
    case 'angle':
      return 'tilt'
    case 'count':
      return 'count'
    case 'mass':
      return 'mass'
    default:
      return undefined
  }
}

function clearanceFacts(
  { clear, neighbour, keepOut, base }: Extract<Requirement, { kind: 'clearance' }>,
  at: readonly (string | number)[],
): Found[] {
  const least = (to: readonly (string | number)[], subject: string, min: number, within = to): Found => ({
    at: [...at, ...to],
    within: [...at, ...within],
    form: 'least',
    kind: 'clearance',
    subject,
    figures: { min },
  })
  return [
    ...Object.entries(SUBJECT_OF_SIDE).map(([side, subject]) =>
      least(['clear', side], subject, clear[side as keyof typeof SUBJECT_OF_SIDE]),
    ),
    ...(neighbour?.distance === undefined
      ? []
      : [least(['neighbour', 'distance'], 'between units', neighbour.distance, ['neighbour'])]),
    ...(base
      ? [
          {
            at: [...at, 'base'],
            form: 'bounds',
            kind: 'clearance',
            subject: 'height above the floor',
            figures: base,
          } as const,
        ]
      : []),
    ...keepOut.map(({ from, distance }, i) =>
      least(['keepOut', i, 'distance'], `from an opening, ${from}`, distance, ['keepOut', i]),
    ),
  ]
}

function figuresOfRule(rule: object): Figures | undefined {
  const { equals, min, max } = rule as { equals?: unknown; min?: unknown; max?: unknown }
  if (typeof equals === 'number') return { value: equals }
  if (typeof min !== 'number' && typeof max !== 'number') return undefined
  return { ...(typeof min === 'number' && { min }), ...(typeof max === 'number' && { max }) }
}

/** A display shows kW and min; facts are in W and s. In a unit that is none of ours the figures stay as they are. */
function canonicalOf(shown: Figures, unit = ''): Pick<Found, 'figures' | 'unit' | 'shownIn'> {
  const dimension = unit === '' ? undefined : printedUnit(unit)?.dimension
  if (!dimension) return { figures: shown, unit }
  const canonical = (value: number) => {
    const read = parseQuantity(`${value} ${unit}`, dimension)
    return read.ok ? read.quantity.value : value
  }
  const figures = Object.fromEntries(Object.entries(shown).map(([end, value]) => [end, canonical(value)]))
  return { figures, unit: canonicalUnit(dimension), shownIn: unit }
}

/** A limit as the sheet writes it, with its unit. */
function figureIn(text: string, kind: FactKind): number | undefined {
  const dimension = dimensionOf({ kind, unit: unitOfKind(kind) })
  const read = parseQuantity(text, dimension)
  return read.ok ? read.quantity.value : undefined
}
