import { capital, type Dimension, type Severity, type Stage } from '@plumb-mark/core'
import type { Fact, FactKind } from '../finders/spot.js'
import { clauseOf, figure, placeOf, range, titled, type Data } from './proposed.js'

interface Demand {
  stage: Stage
  severity: Severity
  remedy: string
}

/** How a demand of each kind stands in a sheet where it is a figure with limits. */
const LIMITS: Partial<
  Record<FactKind, Demand & { dimension: Dimension; unit: string; title: (fact: Fact) => string }>
> = {
  torque: {
    stage: 'ac',
    severity: 'major',
    dimension: 'torque',
    unit: 'N·m',
    title: (fact) => `Tightening torque: ${titled(fact)}`,
    remedy: 'Prove dead, loosen, look for damage, tighten to the figure with a calibrated driver.',
  },
  conductor: {
    stage: 'ac',
    severity: 'major',
    dimension: 'conductor-size',
    unit: 'mm²',
    title: (fact) => `Conductor size: ${titled(fact)}`,
    remedy: 'Fit a conductor whose size the sheet allows.',
  },
  strip: {
    stage: 'ac',
    severity: 'minor',
    dimension: 'length',
    unit: 'mm',
    title: (fact) => `Strip length: ${titled(fact)}`,
    remedy: 'Cut back and strip again to the length on the sheet.',
  },
  length: {
    stage: 'ac',
    severity: 'minor',
    dimension: 'cable-length',
    unit: 'm',
    title: (fact) => `Length: ${titled(fact)}`,
    remedy: 'Shorten the run, or ask the maker which section a longer one needs.',
  },
  temperature: {
    stage: 'place-and-mount',
    severity: 'minor',
    dimension: 'temperature',
    unit: '°C',
    title: (fact) => `Temperature of the place: ${fact.subject}`,
    remedy: 'Ventilate the room or choose another place.',
  },
  humidity: {
    stage: 'place-and-mount',
    severity: 'minor',
    dimension: 'percent',
    unit: '%',
    title: () => 'Relative humidity',
    remedy: 'Choose a drier place, or have the room ventilated.',
  },
  altitude: {
    stage: 'place-and-mount',
    severity: 'note',
    dimension: 'cable-length',
    unit: 'm',
    title: () => 'Height above sea level',
    remedy: 'Ask the maker before the unit is put into service at this height.',
  },
  tilt: {
    stage: 'place-and-mount',
    severity: 'minor',
    dimension: 'angle',
    unit: '°',
    title: (fact) => `Tilt: ${titled(fact)}`,
    remedy: 'Level the unit and fix it again.',
  },
}

const FRONT: Demand = {
  stage: 'place-and-mount',
  severity: 'minor',
  remedy: 'Clear the space in front of the unit.',
}

const dimensioned = (
  fact: Fact,
  demand: Demand & { dimension: Dimension; unit: string },
  title: string,
): Data => ({
  kind: 'limits',
  stage: demand.stage,
  clause: clauseOf(fact),
  title,
  severity: demand.severity,
  dimension: demand.dimension,
  ...range(fact, demand.unit),
  remedy: demand.remedy,
  printed: placeOf(fact),
})

/** One fact as a requirement of its own; undefined where several go together, or it belongs to the head. */
export function requirementOf(fact: Fact): Data | undefined {
  const limits = LIMITS[fact.kind]
  if (limits) return dimensioned(fact, limits, limits.title(fact))
  switch (fact.kind) {
    case 'clearance':
      return dimensioned(fact, { ...FRONT, dimension: 'length', unit: 'mm' }, `Free space: ${titled(fact)}`)
    case 'gland':
      return {
        kind: 'gland',
        stage: 'ac',
        clause: clauseOf(fact),
        title: `Gland and cable: ${titled(fact)}`,
        severity: 'minor',
        glands: [{ id: 'gland', label: titled(fact), without: range(fact) }],
        remedy: 'Fit a gland for this cable, or a cable for this gland.',
        printed: placeOf(fact),
      }
    case 'breaker':
      return {
        kind: 'protection',
        stage: 'ac',
        clause: clauseOf(fact),
        title: `What protects it: ${titled(fact)}`,
        severity: 'major',
        device: range(fact, 'A'),
        remedy: 'Fit a device in the range of the sheet.',
        printed: placeOf(fact),
      }
    case 'earth':
      return earthOf(fact)
    case 'count':
      return countOf(fact)
    case 'fixing':
      return fixingOf(fact)
    case 'observation':
      return observed(fact, 'place-and-mount', 'minor', titled(fact), fact.subject)
    case 'wait':
      return observed(fact, 'power-up', 'stop', `Waited: ${titled(fact)}`, `Was this kept: ${fact.text}`)
    case 'sequence':
      return observed(fact, 'close-up', 'minor', capital(titled(fact)), `Was this order kept: ${fact.text}`)
    default:
      return undefined
  }
}

/** Larger than this no table of a protective conductor goes: it is asked as a question. */
const LARGEST_EARTH = 150

function earthOf(fact: Fact): Data {
  const least = fact.min ?? fact.value ?? fact.max
  if (least === undefined || least > LARGEST_EARTH)
    return observed(fact, 'earthing', 'major', 'Size of the protective conductor', `Is this so: ${fact.text}`)
  return {
    kind: 'earth-size',
    stage: 'earthing',
    clause: clauseOf(fact),
    title: 'Size of the protective conductor',
    severity: 'major',
    minimum: figure(least, 'mm²'),
    remedy: 'Fit a conductor of at least the size asked for.',
    printed: placeOf(fact),
  }
}

function countOf(fact: Fact): Data {
  const common = { clause: clauseOf(fact), severity: 'major', printed: placeOf(fact) }
  if (/\b(?:modules?|panels?) per string|string/i.test(`${fact.subject} ${fact.text}`))
    return {
      kind: 'string-limits',
      stage: 'roof',
      title: 'Make-up of the string',
      ...common,
      ...(whole(fact.min ?? fact.value) && { minCount: whole(fact.min ?? fact.value) }),
      ...(whole(fact.max ?? fact.value) && { maxCount: whole(fact.max ?? fact.value) }),
      remedy: 'Regroup the modules until the string keeps the limits.',
    }
  return {
    kind: 'limits',
    stage: 'commission',
    title: `How many: ${titled(fact)}`,
    ...common,
    dimension: 'count',
    ...range(fact, ''),
    remedy: 'Take units off, or share them out, until the maker’s count is kept.',
  }
}

const whole = (count: number | undefined) =>
  count !== undefined && Number.isInteger(count) && count >= 1 ? count : undefined

function fixingOf(fact: Fact): Data {
  if (fact.unit === 'mm')
    return dimensioned(
      fact,
      {
        stage: 'place-and-mount',
        severity: 'major',
        dimension: 'length',
        unit: 'mm',
        remedy: 'Take fixings of the size that the maker names, set as deep as asked.',
      },
      `Fixings: ${titled(fact)}`,
    )
  return observed(fact, 'place-and-mount', 'major', `Fixings: ${titled(fact)}`, `Is this so: ${fact.text}`)
}

const observed = (fact: Fact, stage: Stage, severity: Severity, title: string, question: string): Data => ({
  kind: 'observation',
  stage,
  clause: clauseOf(fact),
  title: title.slice(0, 100),
  severity,
  question: /[?]$/.test(question) ? question : `${question.replace(/\.$/, '')}?`,
  remedy: 'Put it right as the maker’s manual says, and look again.',
  printed: placeOf(fact),
})
