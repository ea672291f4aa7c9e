import { canonicalUnit, parseQuantity, type Check, type EntryBodies } from '@plumb-mark/core'
import { instrumentFor, shown } from './instruments.js'
import type { Site } from './site.js'

type Reading = Omit<EntryBodies['reading'], 'point'>
type ReadingAsk = Extract<Check['ask'], { kind: 'reading' }>
type StringBuilt = EntryBodies['string-built']

interface Conditions {
  cellTemperature: number
  irradiance: number
  testVoltage: number
}

/** What an instrument reads where everything is as it should be. */
export function rightReading(check: Check, ask: ReadingAsk, site: Site): Reading {
  const { chance } = site
  const conditions: Conditions = {
    cellTemperature: chance.whole(5, 45),
    irradiance: chance.whole(500, 950),
    testVoltage: 1500,
  }
  const { dimension } = ask
  const unit = canonicalUnit(dimension)
  const { value, relation = '=' } = trueFigure(check, conditions, site)
  // A size is read off the print of the cable.
  const printed = dimension === 'conductor-size'
  const figure = relation === '=' && !printed ? shown(value, dimension, chance) : value
  const noted = Object.fromEntries(ask.conditions.map((one) => [one, conditions[one]]))
  const instrument = printed ? undefined : instrumentFor(dimension, ask.instrument)
  return {
    typed: `${relation === '=' ? '' : `${relation} `}${figure}${unit ? ` ${unit}` : ''}`,
    value: figure,
    unit,
    relation,
    ...(instrument && { instrument }),
    ...(ask.conditions.length > 0 && { conditions: noted }),
  }
}

function trueFigure(
  { requirement, subject, unit }: Check,
  conditions: Conditions,
  site: Site,
): { value: number; relation?: '>' } {
  switch (requirement.kind) {
    case 'limits': {
      const { min, max } = limitsWindow({ requirement, subject })
      if (min !== undefined && max !== undefined)
        return {
          value:
            requirement.window === 'conductor'
              ? (drawnSize(unit.id, subject.terminal?.side, site) ?? min)
              : (min + max) / 2,
        }
      return { value: min === undefined ? 0.4 * max! : 1.4 * min + 0.1 }
    }
    case 'string-open-circuit':
    case 'polarity':
      return { value: stringVoltage(subject.string!, conditions) }
    case 'string-short-circuit':
      return { value: (14.1 * conditions.irradiance) / 1000 }
    case 'insulation':
      return { value: 500, relation: '>' }
    case 'earth-continuity':
      return { value: 0.01 }
    default:
      throw new Error(`no figure for ${requirement.kind}`)
  }
}

/** At an AC terminal lies the cable that the one-line has there, mm². */
function drawnSize(unitId: string, side: string | undefined, site: Site): number | undefined {
  if (side !== 'ac') return undefined
  const parts = site.find('part-placed', (part) => part.unitId === unitId).map(({ body }) => body.id)
  const [cable] = site.find(
    'conductor-run',
    ({ from, to, phases }) => phases !== 'dc' && (parts.includes(from) || parts.includes(to)),
  )
  return cable?.body.size
}

type Limits = Extract<Check['requirement'], { kind: 'limits' }>

/** The window of a check of a reading inside limits, canonical. */
export function limitsWindow({
  requirement: { window, min, max, dimension },
  subject,
}: {
  requirement: Limits
  subject: Check['subject']
}): { min?: number | undefined; max?: number | undefined } {
  if (window) return subject.terminal![window]!
  const value = (text: string | undefined) => {
    const parsed = text === undefined ? undefined : parseQuantity(text, dimension!)
    return parsed?.ok ? parsed.quantity.value : undefined
  }
  return { min: value(min), max: value(max) }
}

const BOLTZMANN_PER_CHARGE = 8.617333e-5
const KELVIN = 273.15

/** What a right string reads, V. The reference is worked out here, not asked of the calculator that judges it. */
export function stringVoltage(
  { count, module }: Pick<StringBuilt, 'count' | 'module'>,
  { cellTemperature, irradiance }: Pick<Conditions, 'cellTemperature' | 'irradiance'>,
): number {
  const { voc, vocTempCoeff, cellsInSeries } = module!
  const thermal = 1.2 * BOLTZMANN_PER_CHARGE * (cellTemperature + KELVIN)
  const light = cellsInSeries * thermal * Math.log(irradiance / 1000)
  return count * (voc * (1 + (vocTempCoeff / 100) * (cellTemperature - 25)) + light)
}
