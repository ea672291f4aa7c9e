import { clearance, heightAboveFloor } from './clearance.js'
import { factOf, innermost, named, nameOf, type Fact, type Spot } from './spot.js'

const near = ({ lead, tail, head, label }: Spot) =>
  `${label ?? ''} ${head ?? ''} ${lead.slice(-70)} ${tail.slice(0, 45)}`

/** Bared length of a conductor or removed sheath, mm. */
export function strip(spot: Spot): Fact[] {
  // “Strip the sheath 45 mm and the cores 9 mm.”
  const goesOn =
    /\bstrip\b/i.test(spot.clausePart) && /\b(?:cores?|conductors?|wires?|sheath|ends?)\s*$/i.test(spot.lead)
  const words = `${near(spot)}${goesOn ? ' strip' : ''}`
  if (
    !/\b(?:strip|stripp?ed|stripping|bare[ds]?|bared|skinn?ed|sheath removed|insulation (?:off|removed|length)|remove[sd]?\b[^,;.]{0,24}\b(?:insulation|sheath|jacket)|(?:insulation|sheath|jacket)\b[^,;.]{0,24}\b(?:removed|taken off|peeled)|expose)\b/i.test(
      words,
    )
  )
    return []
  if (isTall(spot) || /\bbare conductor\b/i.test(spot.lead.slice(-30))) return []
  // “Over 15 mm” is how far, and not a bound.
  const far = { ...spot, figure: { ...spot.figure, beyond: false } }
  return [factOf(far, 'strip', subjectOf(spot), 'mm')]
}
const isTall = ({ figure }: Spot) => (figure.max ?? figure.min ?? figure.value ?? 0) > 400

/** Outer diameters that a gland closes on, mm. */
export function gland(spot: Spot): Fact[] {
  const words = near(spot)
  const isGland =
    /\b(?:gland|glands|cord grips?|grips?|clamping range|jacket|outer diameters?|outside diameters?|cable diameters?|seals? on|sealing range)\b/i.test(
      words,
    )
  if (!isGland || isTall(spot) || /\b(?:trade size|conduit)\b/i.test(words)) return []
  return [factOf(spot, 'gland', subjectOf(spot), 'mm')]
}

/** Bolts and anchors: diameter, depth of the hole, mm. */
export function fixing(spot: Spot): Fact[] {
  const { lead, tail, sentence } = spot
  if (isTall(spot)) return []
  if (!FASTENERS.test(`${spot.before} ${sentence}`) && !/\b(?:drill|hole|embed)/i.test(sentence)) return []
  const what =
    /\b(?:rail|wall|base|plate|bracket|cleat|floor|cabinet|foot|feet)\b/i.exec(
      `${sentence} ${innermost(spot)}`,
    )?.[0] ?? ''
  const fastener = FASTENERS.exec(sentence)?.[0] ?? FASTENERS.exec(spot.before)?.[0] ?? 'hole'
  const name = `${what} ${fastener}`
  const deep =
    /^\s*(?:or )?(?:deep|deeper|penetration|embedment|into|in (?:the )?(?:wall|depth|masonry|concrete|brick|stone)|of (?:depth|embedment))/i.test(
      tail,
    ) ||
    /deeper/i.test(spot.figure.text) ||
    /\b(?:depth|embedment|embedded|penetration|drilled|deep|into (?:masonry|concrete|the wall))\b[^,;]{0,18}$/i.test(
      lead,
    )
  if (deep) return [factOf(spot, 'fixing', `${name} drilling depth embedment (${innermost(spot)})`, 'mm')]
  const wide =
    /(?:\b(?:diameter|Ø|drill(?: a| holes?)?)\b|⌀)[^,;]{0,14}$/i.test(lead) ||
    new RegExp(`(?:${FASTENER})s?,? (?:of|with|measuring)\\s*$`, 'i').test(lead) ||
    new RegExp(`^-?\\s*(?:${FASTENER})`, 'i').test(tail)
  return wide ? [factOf(spot, 'fixing', `${name} diameter (${innermost(spot)})`, 'mm')] : []
}
const FASTENER = 'screw|bolt|anchor|lag|dowel|plug|stud bolt|nail|fastener'
const FASTENERS = /\b(?:screws?|bolts?|anchors?|lags?|dowels?|plugs?|fasteners?)\b/i

const LINES =
  /\b(?:cables?|leads?|wires?|line|run|runs|trunk|bus|cords?|conductors?|bond|lengthened|extended|extension|long|longer|length|way from)\b/i

/** How high a site may lie, m. */
export function altitude(spot: Spot): Fact[] {
  const words = `${spot.label ?? ''} ${spot.lead.slice(-60)} ${spot.tail.slice(0, 50)} ${spot.figure.text}`
  const bare =
    (spot.figure.max ?? spot.figure.value ?? 0) >= 1_000_000 &&
    spot.figure.unit !== 'mm' &&
    !LINES.test(spot.sentence)
  if (!bare && !/\b(?:sea(?: level)?|altitude|elevation|a\.?s\.?l|amsl)\b/i.test(words)) return []
  const single = spot.figure.value !== undefined && spot.figure.max === undefined
  return [
    factOf(spot, 'altitude', 'above sea level', 'm', { scale: 0.001, ...(single && { as: 'max' as const }) }),
  ]
}

/** How long a cable may be, m. */
export function cableLength(spot: Spot): Fact[] {
  const { figure, lead, tail, sentence } = spot
  const words = `${spot.label ?? ''} ${spot.head ?? ''} ${lead} ${tail.slice(0, 40)}`
  const metres = ['m', 'ft', 'cm'].includes(figure.unit) || /\blong|run\b/i.test(spot.head ?? '')
  const isLine =
    LINES.test(words) ||
    (/\bit(?:s|)\b/i.test(lead) && LINES.test(spot.before) && /\b(?:long|far|further)\b/i.test(sentence))
  const isNear =
    /\b(?:breaker|fuse)\b/i.test(`${spot.before} ${sentence}`) &&
    /\b(?:near|close|further|farther)\b/i.test(sentence)
  if (!metres || !(isLine || isNear)) return []
  if (
    /\b(?:every|spaced|apart|noise|distance of|window|door|free|clear)\b/i.test(
      `${lead.slice(-30)} ${tail.slice(0, 20)}`,
    )
  )
    return []
  if (/^,? (?:from the (?:factory|works)|as (?:delivered|supplied))/i.test(tail)) return []
  if (
    figure.value !== undefined &&
    spot.label === undefined &&
    !/\b(?:long|length|extend|lengthen|run|good for|reach|permitted|allowed|limit)/i.test(words)
  )
    return []
  const as = figure.value !== undefined ? { as: 'max' as const } : {}
  const name = spot.label
    ? subjectOf(spot)
    : named(spot, nameOf(isLine ? spot.clausePart : `${spot.before} ${sentence}`, figure.text))
  return [factOf(spot, 'length', name, 'm', { scale: 0.001, ...as })]
}

/** Width, height and depth, mm; three at once where they are multiplied. */
export function size(spot: Spot): Fact[] {
  const { figure, lead, label = '', head = '' } = spot
  if (PACKED.test(`${label} ${head} ${spot.sentence} ${spot.caption}`)) return []
  if (figure.product) {
    const order = /\b(?:h|height)\b.{0,12}[×x].{0,12}\b(?:w|width)\b.{0,12}[×x]/i.test(
      `${label} ${head} ${lead}`,
    )
      ? ['height', 'width', 'depth']
      : ['width', 'height', 'depth']
    if (!/\b(?:w|width|size|dimensions?|height|housing|cover)\b/i.test(`${label} ${head} ${lead}`)) return []
    return figure.product.map((value, i) =>
      factOf({ ...spot, figure: { ...bare(figure), value } }, 'size', thing(spot, order[i]!), 'mm'),
    )
  }
  const words = label !== '' ? `${label} ${head}` : lead.slice(-24)
  const dimension = /\b(width|height|depth|wide|high|deep)\b(?!.*\b(?:width|height|depth)\b)/i
    .exec(words)?.[1]
    ?.toLowerCase()
  const isData = label !== '' || /\b(?:width|height|depth)\s*[:=]?\s*$/i.test(lead)
  if (!dimension || !isData || /\b(?:edge|floor|above|hole|drill|display)\b/i.test(words)) return []
  return [
    factOf(
      spot,
      'size',
      thing(spot, NAMES[dimension] ?? dimension),
      'mm',
      figure.value === undefined ? {} : { as: 'value' },
    ),
  ]
}
const bare = ({ product: _product, ...rest }: Spot['figure']) => rest
const NAMES: Record<string, string> = { wide: 'width', high: 'height', deep: 'depth' }
export const PACKED = /\b(?:carton|crate|pallet|pack(?:ed|ing|age)?|gross|shipping|parcel|box of)\b/i

/** "width", or "isolator width" where the heading or sentence names a part of its own. */
function thing(spot: Spot, dimension: string): string {
  const part = /\b(isolator|meter|inverter|battery|module|base|head|cover|housing|rail|plate)\b/i.exec(
    `${spot.before} ${spot.titles.slice(-2).join(' ')}`,
  )?.[1]
  return part ? `${part.toLowerCase()} ${dimension}` : dimension
}

export function subjectOf(spot: Spot): string {
  if (spot.label !== undefined)
    return named(spot, [spot.label, spot.head && !/^value|figure$/i.test(spot.head) ? '' : ''].join(' '))
  const own = nameOf(spot.clausePart, spot.figure.text)
  const it = /\b(?:its?|they|them|their|the end|each)\b/i.test(spot.clausePart) || own.split(' ').length < 3
  return named(spot, it ? `${nameOf(spot.before, '', 5)} ${own}` : own)
}

/** What a length says, by its neighbourhood: the more special first. */
export function length(spot: Spot): Fact[] {
  for (const finder of [strip, gland, altitude, heightAboveFloor, size, fixing, cableLength, clearance]) {
    const found = finder(spot)
    if (found.length > 0) return found
  }
  return []
}
