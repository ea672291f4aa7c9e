import type { Dimension } from '@plumb-mark/core'
import { PACKED } from './lengths.js'
import { factOf, type Fact, type Spot } from './spot.js'

type Naming = readonly [words: RegExp, name: string]

/** Names of ratings by the words of their label, the more special first. */
const NAMINGS: Partial<Record<Dimension, readonly Naming[]>> = {
  voltage: [
    [/\bstart/i, 'start voltage'],
    [/\b(?:mpp|mppt|tracking|tracker (?:window|range)|maximum power point)\b/i, 'MPPT window'],
    [/\bbetween (?:the )?phases|line[- ]to[- ]line|phase[- ]to[- ]phase|L-L\b/i, 'AC voltage between phases'],
    [/\bbatter|stack|from empty to full/i, 'battery voltage window'],
    [/\b(?:dc|pv|array|open[- ]circuit|module|solar|input)\b/i, 'maximum DC voltage'],
    [/\b(?:ac|grid|mains|nominal|output|utility|line|phase)\b/i, 'AC voltage'],
  ],
  current: [
    [/\bshort.*batter|batter.*short/i, 'battery short-circuit current'],
    [/\bshort[- ](?:circuit|time)/i, 'maximum short-circuit current'],
    [/\b(?:dc|pv|input|tracker|string|module|solar|mppt?)\b/i, 'maximum input current'],
    [/\bbatter|charg|discharg|stack/i, 'maximum battery current'],
    [/\b(?:ac|grid|mains|output|nominal|phase|utility|primary|rated|largest|maximum|max)\b/i, 'AC current'],
    [/\bcurrent\b/i, 'current'],
  ],
  power: [
    [/\bbatter|stack|charg/i, 'battery power'],
    [/\b(?:dc|pv|array|module|input|solar|generator)\b/i, 'maximum PV power'],
    [/\b(?:ac|rated|nominal|output|grid|feed|power)\b/i, 'AC power'],
  ],
  frequency: [[/./, 'frequency']],
}

const NOT_RATED =
  /\b(?:consumption|stand-?by|own use|efficienc|noise|sound|night|usable energy|cycles|losses?|fuse|breaker|torque|reactive|lightning|surge|withstand|insulation test)\b/i

/** What a unit is made for: voltages, currents, powers and the frequency of its table of data. */
export function rating(spot: Spot): Fact[] {
  const { figure, label, head = '' } = spot
  if (label === undefined && !isListed(spot)) return []
  const words = `${label ?? spot.lead} ${head}`
  if (NOT_RATED.test(words) || PACKED.test(words)) return []
  const own = nameIn(figure.dimension, words)
  const part = /^(?:AC|DC|PV|battery|grid|mains|array)/i.test(spot.lead) ? spot.lead : ''
  const name = named(spot, own, nameIn(figure.dimension, `${words} ${part} ${spot.tail}`), words)
  if (!name) return []
  const isTracker = /\b(?:per|each|every) (?:tracker|mppt?|input|string)\b|^\s*\d\s*×/i.test(
    `${words} ${figure.text}`,
  )
  const bounded =
    figure.value !== undefined && /^maximum|current$|power$/.test(name) ? { as: 'max' as const } : {}
  return [
    factOf(
      spot,
      'rating',
      withDevice(isTracker && /^maximum/.test(name) ? `${name} per tracker` : name, spot),
      UNIT[figure.dimension] ?? '',
      bounded,
    ),
  ]
}

const UNIT: Partial<Record<Dimension, string>> = { voltage: 'V', current: 'A', power: 'W', frequency: 'Hz' }

const nameIn = (dimension: Dimension, words: string) =>
  NAMINGS[dimension]?.find(([pattern]) => pattern.test(words))?.[1]

/** Of a battery the plain words mean the battery. */
function named(
  { device, figure }: Spot,
  own: string | undefined,
  withPart: string | undefined,
  words: string,
): string | undefined {
  if (device === 'battery') {
    if (figure.dimension === 'voltage' && !/\bac|grid|mains\b/i.test(words)) return 'battery voltage window'
    if (figure.dimension === 'power') return 'battery power'
    if (figure.dimension === 'current')
      return /\bshort/i.test(words) ? 'battery short-circuit current' : 'maximum battery current'
  }
  const general = own === 'AC current' || own === 'AC power' || own === 'current' || own === undefined
  return general
    ? (withPart ?? own ?? (figure.dimension === 'voltage' ? 'maximum DC voltage' : undefined))
    : own
}

/** In a manual of two devices each rating says whose it is. */
function withDevice(name: string, { titles, caption }: Spot): string {
  const part = /\b(isolator)\b/i.exec(`${titles.at(-1) ?? ''} ${titles.at(-2) ?? ''} ${caption}`)?.[1]
  return part ? `${part.toLowerCase()} ${name}` : name
}

/** “Frequency: 50 Hz”: a list without a table. */
const isListed = ({ lead, titles }: Spot) =>
  /[:=]\s*$/.test(lead) && /\b(?:data|ratings?|figures?|specification)/i.test(titles.join(' '))
