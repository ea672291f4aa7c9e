import { printedFigures } from '@plumb-mark/core'
import type { ManualText } from '../layout/document.js'
import { placeOf, sentencesOf, type Passage } from '../layout/passage.js'
import type { Surroundings } from './prose.js'
import type { Fact } from './spot.js'

const DEMANDS =
  /\b(?:must|shall|has to|have to|never|do not|does not belong|may not|may only|is not allowed|are not allowed|only|make sure|ensure|keep|without|always)\b/i
/** Longer ones are explanations. */
const LONGEST = 220

/** Sentences that demand something to be seen: offered as questions, since no figure would judge them. */
export function observationsOf(
  passages: readonly Passage[],
  { habits, isPicture }: Surroundings,
  facts: readonly Fact[],
): Fact[] {
  const said = new Set(facts.map(({ text }) => text))
  return passages.flatMap((passage) =>
    sentencesOf(passage).flatMap(({ text, at }): Fact[] => {
      const figures = printedFigures(text, habits).filter(({ dimension }) => dimension !== 'count')
      const plain = text.length > 24 && text.length < LONGEST && text.split(' ').length > 4
      if (!plain || figures.length > 0 || said.has(text) || !DEMANDS.test(text)) return []
      const { page, box } = placeOf(passage, at, at + text.length)
      return [
        {
          kind: 'observation',
          subject: text,
          unit: '',
          page,
          clause: passage.clause,
          text,
          box,
          ...(isPicture(page) && { fromPicture: true as const }),
        },
      ]
    }),
  )
}

/** Where such sentences stand: the text of a manual, and none of its steps or captions. */
export const spoken = ({ blocks }: ManualText): Passage[] =>
  blocks.filter((block): block is Passage => block.kind === 'paragraph' || block.kind === 'item')
