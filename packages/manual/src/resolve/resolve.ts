import { printedFigures } from '@plumb-mark/core'
import type { Surroundings } from '../finders/prose.js'
import type { Fact } from '../finders/spot.js'
import { sortOf } from '../finders/tables.js'
import type { ManualText } from '../layout/document.js'
import { withCorrections } from './corrections.js'
import { withNotes } from './notes.js'

/** What is left once the manual’s own corrections, letters and repetitions are taken in. */
export function resolved(facts: readonly Fact[], text: ManualText, around: Surroundings): Fact[] {
  const lettered = withLetters(facts, text, around)
  const corrected = withCorrections(lettered, text, around)
  return marked(distinct(withNotes(corrected, text, around)))
}

/** The same figure of the same thing at the same place, found twice. */
function distinct(facts: readonly Fact[]): Fact[] {
  const seen = new Set<string>()
  return facts.filter((fact) => {
    const key = JSON.stringify([
      fact.kind,
      fact.subject,
      fact.min,
      fact.max,
      fact.value,
      fact.page,
      fact.clause,
      fact.text,
      fact.model,
    ])
    if (seen.has(key)) return false
    seen.add(key)
    return true
  })
}

/** “A ≥ 300 mm” under a drawing, with a table or a sentence that says what A is. */
function withLetters(
  facts: readonly Fact[],
  { blocks, decimal }: ManualText,
  { isPicture }: Surroundings,
): Fact[] {
  const found: Fact[] = []
  const replaced = new Set<string>()
  blocks.forEach((block, i) => {
    if (block.kind !== 'caption') return
    const pairs = [...block.text.matchAll(/\b([A-Za-z])\s*(?:≥|>=|=|:|min\.?)\s*([^,;.]+(?:\.\d+[^,;.]*)?)/g)]
    if (pairs.length === 0) return
    const meanings = meaningsNear(blocks, i)
    for (const [, letter, rest] of pairs) {
      const [figure] = printedFigures(rest!, { decimal }).filter(({ dimension }) => dimension === 'length')
      const least = figure?.min ?? figure?.value ?? figure?.max
      if (least === undefined) continue
      const meaning =
        meanings.get(letter!.toLowerCase()) ??
        (/side by side/i.test(block.text) ? 'between units' : undefined)
      if (meaning === undefined) continue
      replaced.add(block.text)
      const page = block.from[0]!.piece.page
      for (const subject of sidesOf(meaning))
        found.push({
          kind: 'clearance',
          subject,
          min: Number(least.toPrecision(9)),
          unit: 'mm',
          page,
          clause: block.clause,
          text: block.text,
          box: block.from[0]!.piece,
          ...(isPicture(page) && { fromPicture: true as const }),
        })
    }
  })
  return [...facts.filter(({ text, kind }) => !(kind === 'clearance' && replaced.has(text))), ...found]
}

function meaningsNear(blocks: ManualText['blocks'], at: number): Map<string, string> {
  const meanings = new Map<string, string>()
  for (const block of blocks.slice(Math.max(0, at - 10), at + 10)) {
    if (block.kind === 'table' && sortOf(block) === 'letters')
      for (const { fields } of block.rows) meanings.set(fields[0]!.text.toLowerCase(), fields.at(-1)!.text)
  }
  return meanings
}

/** Sides that a phrase names; “either flank” is both. */
export function sidesOf(meaning: string): string[] {
  if (/neighbou?r|between (?:two|units)|flank to flank|unit to unit|next (?:unit|inverter)/i.test(meaning))
    return ['between units']
  if (/\b(?:either|each|both) (?:flanks?|sides?)|left and right/i.test(meaning)) return ['left', 'right']
  if (/\b(?:top|above|ceiling|over)\b/i.test(meaning)) return ['above']
  if (/\b(?:below|floor|under|bottom|glands?)\b/i.test(meaning)) return ['below']
  if (/\bleft\b/i.test(meaning)) return ['left']
  if (/\bright\b/i.test(meaning)) return ['right']
  if (/\b(?:front|before)\b/i.test(meaning)) return ['front']
  if (/\b(?:behind|rear|back)\b/i.test(meaning)) return ['behind']
  return [meaning.replace(/^.*?\bto\b/, 'to').slice(0, 60)]
}

/** The same thing with another figure elsewhere: both stay, and a person decides. */
function marked(facts: readonly Fact[]): Fact[] {
  const figures = (fact: Fact) => JSON.stringify([fact.min, fact.max, fact.value])
  const key = ({ kind, model, subject }: Fact) => JSON.stringify([kind, model, subject.toLowerCase()])
  const alike = new Map<string, Fact[]>()
  for (const fact of facts)
    if (CONTRADICTABLE.has(fact.kind)) alike.set(key(fact), [...(alike.get(key(fact)) ?? []), fact])
  return facts.map((fact) => {
    const others = alike.get(key(fact)) ?? []
    const other = others.some((one) => one.clause !== fact.clause && figures(one) !== figures(fact))
    return other ? { ...fact, contradicts: true as const } : fact
  })
}
const CONTRADICTABLE = new Set([
  'clearance',
  'torque',
  'conductor',
  'strip',
  'gland',
  'mass',
  'rating',
  'breaker',
  'earth',
  'temperature',
])
