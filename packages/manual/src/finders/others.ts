import { subjectOf, PACKED } from './lengths.js'
import { factOf, innermost, named, nameOf, type Fact, type Spot } from './spot.js'

/** What a screw, nut or terminal is tightened with, N·m. */
export function torque(spot: Spot): Fact[] {
  return [factOf(spot, 'torque', spot.label === undefined ? torqueSubject(spot) : subjectOf(spot), 'N·m')]
}

const TIGHTENED =
  /\b(?:[\p{L}-]+ ){0,3}?(?:[\p{L}-]+ )?(?:screws?|bolts?|nuts?|terminals?|lugs?|anchors?|studs?|pins?|caps?|clips?|bars?|lags?|glands?|connectors?|clamps?|cover|lid|door)\b/giu

/** The last thing before the figure that can be tightened, in this sentence or the one before. */
function torqueSubject(spot: Spot): string {
  const own =
    [...spot.lead.matchAll(TIGHTENED)].at(-1)?.[0] ?? [...spot.clausePart.matchAll(TIGHTENED)].at(-1)?.[0]
  const rest = own
    ? nameOf(spot.clausePart, spot.figure.text)
    : `${nameOf(spot.before, '', 6)} ${nameOf(spot.sentence, spot.figure.text)}`
  const name = own ? nameOf(own, '') : ''
  return named(spot, name === '' || rest.includes(name) ? rest : `${name} – ${rest}`)
}

const EARTH =
  /\b(?:earth(?:ing|ed)?|ground(?:ing)?(?! fault)|bond(?:ed|ing)?|equipotential|protective conductor|PE)\b/i

/** Cross-section of a conductor, mm²; of one that earths or bonds, a kind of its own. */
export function conductor(spot: Spot): Fact[] {
  const words = `${spot.label ?? ''} ${spot.clausePart} ${spot.tail}`
  const isEarth =
    spot.label === undefined
      ? EARTH.test(`${words} ${spot.sentence}`) ||
        (EARTH.test(`${spot.before} ${innermost(spot)}`) &&
          /\b(?:copper|conductor|it)\b/i.test(spot.sentence))
      : EARTH.test(words)
  if (/\b(?:lose|loses|loss)\b/i.test(spot.sentence)) return []
  return [factOf(spot, isEarth ? 'earth' : 'conductor', subjectOf(spot), 'mm²')]
}

/** How heavy a thing is, or what a fixing must bear, kg. */
export function mass(spot: Spot): Fact[] {
  const { sentence, lead, tail, label } = spot
  if (PACKED.test(`${sentence} ${spot.caption}`) && label === undefined) return []
  if (label === undefined && /\b(?:carton|crate|pallet)\b/i.test(spot.before)) return []
  if (
    /\b(?:hold|holds|bear|bears|carry|carries|load|good for|capacity|support)\b(?!.*\b(?:mass|weigh|weight)\b)/i.test(
      `${lead} ${tail} ${label ?? ''}`,
    )
  ) {
    const fastener =
      /\b(?:rail|wall|base|plate|bracket|cleat)?\s*(?:screws?|bolts?|anchors?|lags?)\b/i.exec(
        `${sentence} ${spot.before}`,
      )?.[0] ?? 'fixing'
    return [
      factOf(
        spot,
        'fixing',
        `load on each ${fastener.trim()} (${innermost(spot)})`,
        'kg',
        spot.figure.value === undefined ? {} : { as: 'min' },
      ),
    ]
  }
  const isMass =
    label !== undefined
      ? /\b(?:mass|weight)\b/i.test(`${label} ${spot.head ?? ''} ${spot.caption}`)
      : /\b(?:weighs?|mass|weight|heavy)\b|\b(?:unit|inverter|battery|meter|box|module|stack|it) has\b/i.test(
          sentence,
        )
  if (!isMass) return []
  const plain = label !== undefined && /^(?:mass|weight|net weight)\b/i.test(label)
  const what =
    label === undefined || plain
      ? `${spot.device === 'other' ? 'unit' : spot.device}${label === undefined ? ` ${thingIn(spot)}` : ''}`
      : label
  return [factOf(spot, 'mass', what, 'kg')]
}
const thingIn = ({ sentence }: Spot) =>
  /\b(?:isolator|meter|module|base|head|stack|inverter|battery|unit)\b/i.exec(sentence)?.[0] ?? ''

/** The air around a unit, °C. */
export function temperature(spot: Spot): Fact[] {
  const { figure, label } = spot
  const words = `${label ?? ''} ${spot.clausePart} ${spot.titles.at(-1) ?? ''}`
  if (figure.beyond || (label === undefined && figure.value !== undefined)) return []
  if (!/\b(?:ambient|air|temperature|surround|operat|charg|environment|climate|place|works?)/i.test(words))
    return []
  if (
    /\b(?:storage|stored|store|coldest|data sheet|columns?)\b/i.test(
      `${words} ${label === undefined ? spot.sentence : ''}`,
    )
  )
    return []
  const near = label ?? `${spot.lead} ${spot.tail}`
  const what = /\b(?:discharg|gives|giving)/i.test(near)
    ? 'discharging'
    : /\bcharg/i.test(near)
      ? 'charging'
      : 'ambient'
  const part = /\b(isolator|meter)\b/i.exec(spot.titles.slice(-2).join(' '))?.[1]
  return [factOf(spot, 'temperature', part ? `${part.toLowerCase()} ${what}` : what, '°C')]
}

/** Humidity of the air, %. */
export function humidity(spot: Spot): Fact[] {
  const words = `${spot.label ?? ''} ${spot.clausePart} ${spot.lead}`
  if (!/\b(?:humid|moist|damp)/i.test(words)) return []
  return [
    factOf(spot, 'humidity', 'relative humidity', '%', spot.figure.value === undefined ? {} : { as: 'max' }),
  ]
}

/** How far a unit may lean, or a roof slope, °. */
export function tilt(spot: Spot): Fact[] {
  if (
    !/\b(?:lean|tilt|inclin|deviat|plumb|vertical|level|slop|angle|upright|posture|attitude|lever|rake)/i.test(
      `${spot.sentence} ${spot.label ?? ''} ${innermost(spot)}`,
    )
  )
    return []
  const single = spot.figure.value !== undefined
  return [factOf(spot, 'tilt', subjectOf(spot), '°', single ? { as: 'max' } : {})]
}

/** What protects a circuit, A. */
export function breaker(spot: Spot): Fact[] {
  const words = spot.label === undefined ? `${spot.sentence}` : `${spot.label} ${spot.head ?? ''}`
  if (!/\b(?:breakers?|fuses?|disconnect|MCB|overcurrent|circuit protection)\b/i.test(words)) return []
  return [
    factOf(
      spot,
      'breaker',
      named(spot, spot.label ?? `${nameOf(spot.clausePart, spot.figure.text)} breaker`),
      'A',
    ),
  ]
}

/** How long is waited, held or tested, s. */
export function wait(spot: Spot): Fact[] {
  const { sentence, figure } = spot
  if (
    /\b(?:years?|months?|guarantee|warrant|desk|phone|telephone|o’clock|service hours|weekdays|month|noon|ahead)\b/i.test(
      sentence,
    )
  )
    return []
  if (
    /\b(?:every|per) $/i.test(spot.lead) ||
    /\bflash|blink/i.test(`${spot.lead.slice(-30)} ${spot.tail.slice(0, 20)}`)
  )
    return []
  if (
    spot.label !== undefined &&
    !/\b(?:wait|delay|discharg|after|until|time to|rest|hold|press|capacitor)/i.test(
      `${spot.label} ${spot.head}`,
    )
  )
    return []
  if (figure.unit === 'h' && !/\bwait|leave|rest|let\b/i.test(sentence)) return []
  return [factOf(spot, 'wait', nameOf(sentence, figure.text, 24), 's')]
}
