import { PACKED } from './lengths.js'
import { factOf, named, type Fact, type Spot } from './spot.js'

const SIDES: readonly (readonly [RegExp, readonly string[]])[] = [
  [
    /\b(?:(?:one|each) (?:to|from) (?:the )?(?:other|next)|two (?:units?|inverters?|batteries|stacks?|meters?)|between (?:(?:the|their|its) )?(?:two|units?|inverters?|batteries|neighbou?rs?|several|them|stacks?|housings)|side[- ]by[- ]side|neighbou?ring|from flank to flank|next (?:unit|inverter|battery)|another (?:unit|inverter|battery)|adjacent (?:unit|inverter|batter)|two \w+ along)/i,
    ['between units'],
  ],
  [
    /\b(?:windows?|doors?|openings?|vents?|chimneys?|eaves|gas meters?|escape|air intakes?|outlets?|hatch(?:es)?)\b/i,
    ['from an opening'],
  ],
  [
    /\b(?:left and right|right and left|(?:each|either|both|the) (?:sides?|flanks?)|on (?:the )?sides|to the sides?|sideways|lateral(?:ly)?|side walls?|flanks?)\b/i,
    ['left', 'right'],
  ],
  [/\bleft\b/i, ['left']],
  [/\bright\b/i, ['right']],
  [/\b(?:behind|rear|back wall|at the back|to the back)\b/i, ['behind']],
  [/\b(?:in front|front|working space|before the (?:cover|door|display))\b/i, ['front']],
  [
    /\b(?:above the floor|above (?:the )?ground|from the floor|lower edge|floor|below|beneath|under(?:neath)?|bottom|downwards?)\b/i,
    ['below'],
  ],
  [/\b(?:above|over|top|ceiling|overhead|upwards?|upper)\b/i, ['above']],
]

const SPACE =
  /\b(?:clear(?:ance)?s?|distances?|free|space|room|gaps?|away|apart|leave|keep|stay|between|nearer|closer|envelope|surround|lower edge|bottom edge|underside)\b/i

/** Free space around a unit, mm: to which side by the words nearest to the figure. */
export function clearance(spot: Spot): Fact[] {
  const { figure, sentence, lead, tail } = spot
  if (figure.product || PACKED.test(sentence) || figure.beyond) return []
  const words = `${spot.label ?? ''} ${spot.head ?? ''} ${spot.paragraph} ${sentence} ${spot.caption} ${spot.titles.join(' ')}`
  if (!SPACE.test(words)) return []
  if (
    /\b(?:studs?|on cent(?:er|re)|noise|dB|plug every|pitch)\b/i.test(
      `${lead.slice(-25)} ${tail.slice(0, 25)}`,
    )
  )
    return []
  const as =
    figure.value === undefined ? (isUpper(spot) ? { as: 'min' as const } : {}) : { as: 'min' as const }
  const sides = sidesAt(spot)
  if (sides)
    return sides.sides.map((side) => factOf(spot, 'clearance', withThing(side, sides.words, spot), 'mm', as))
  const phrase = '\\b(to|from) (?:the |a |an )?([\\p{L} -]{3,40}?)'
  const before = new RegExp(`${phrase}\\s*(?:at least|min\\.?|[:=≥])?\\s*$`, 'iu').exec(ownPart(lead))
  if (before) return [factOf(spot, 'clearance', `to the ${before[2]!.trim()}`, 'mm', as)]
  const to =
    /\b(?:to|from) (?:the |a |an )?([\p{L} -]{3,40}?)(?=$|[,;.]| (?:stay|keep|leave|must|and|is|are)\b)/iu.exec(
      `${tail}`,
    ) ?? null
  if (to) return [factOf(spot, 'clearance', `to the ${to[1]!.trim()}`, 'mm', as)]
  return /\b(?:clearance|free|distance|space|gap|leave|keep)\b/i.test(`${lead} ${tail} ${spot.label ?? ''}`)
    ? [factOf(spot, 'clearance', named(spot, ''), 'mm', as)]
    : []
}

/** Between which heights a thing that is worked by hand or read sits, mm. */
export function heightAboveFloor(spot: Spot): Fact[] {
  const { figure, tail, lead, label = '' } = spot
  const isRange = figure.min !== undefined && figure.max !== undefined
  const words =
    /^\s*(?:above|over|from|off) (?:the )?(?:finished )?(?:floor|ground)/i.test(tail) ||
    /\bheight (?:of|above)\b.*\b(?:floor|ground)\b/i.test(`${label} ${lead}`)
  return isRange && words ? [factOf(spot, 'clearance', named(spot, 'height above the floor'), 'mm')] : []
}

/** “Nothing within 800 mm”: the words of an upper bound, the sense of a lower. */
const isUpper = ({ figure, lead, sentence }: Spot) =>
  figure.max !== undefined &&
  figure.min === undefined &&
  (/\bwithin\b/i.test(figure.text) || /\b(?:nothing|no )\b/i.test(`${lead} ${sentence}`))

/**
 * The side that a figure is about: named in its own part of the sentence before it, else in the words after it, else anywhere before it.
 * In “200 mm to the left and 300 mm to the right” what stands before the second figure was said of the first.
 */
function sidesAt({ lead, tail, label }: Spot): Found | undefined {
  if (label !== undefined) return nearest(label, 'last') ?? nearest(tail, 'first')
  const own = ownPart(lead)
  const after = /^[^,;]*?(?= and\b|[,;]|$)/.exec(tail)?.[0] ?? ''
  return nearest(own, 'last') ?? nearest(after, 'first') ?? nearest(lead, 'last') ?? nearest(tail, 'first')
}

const ownPart = (lead: string) =>
  lead.slice(Math.max(...[', ', '; ', ' and ', ': '].map((mark) => lead.lastIndexOf(mark))) + 1)

interface Found {
  sides: readonly string[]
  words: string
}

function nearest(text: string, which: 'first' | 'last') {
  const found = SIDES.flatMap(([words, sides], rank) => {
    const all = [...text.matchAll(new RegExp(words.source, 'gi'))]
    return all.map((match) => ({
      sides,
      rank,
      at: match.index,
      end: match.index + match[0].length,
      words: match[0],
    }))
  })
  // Of two that overlap the more special counts.
  const apart = found.filter(
    (one) => !found.some((other) => other.rank < one.rank && other.at < one.end && other.end > one.at),
  )
  const special = apart.find(({ rank }) => rank < 2)
  if (special && which === 'last') return special
  return apart.sort((a, b) => (which === 'last' ? b.at - a.at : a.at - b.at))[0]
}

function withThing(side: string, words: string, spot: Spot): string {
  if (side === 'from an opening') return `${side}, ${/escape/i.test(spot.lead) ? 'escape door' : words}`
  const part = /\b(isolator|meter|stack|battery|inverter)\b/i.exec(spot.titles.slice(-2).join(' '))?.[1]
  const when = /\b(indoors?|outdoors?)\b/i.exec(spot.sentence)?.[1]
  return [part ? `${part.toLowerCase()}, ${side}` : side, when && `${when.toLowerCase()} mounting`]
    .filter(Boolean)
    .join(', ')
}
