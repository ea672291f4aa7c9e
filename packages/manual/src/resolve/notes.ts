import { printedFigures } from '@plumb-mark/core'
import { dimensionOf } from '../finders/dimensions.js'
import type { Surroundings } from '../finders/prose.js'
import type { Fact } from '../finders/spot.js'
import type { ManualText } from '../layout/document.js'
import { placeOf, type Passage } from '../layout/passage.js'
import { corrected } from './corrected.js'

/** “¹ …”, “a) …”, “* …” under a table. */
const NOTE = /^[([]?([1-9]|[a-e]|\*{1,3}|†|‡)[)\]]?[.:]?\s+(?=\p{L})/u
/** A note that takes the place of the figure; any other says what holds besides, or when. */
const OVERRIDES =
  /\b(?:instead|replaces?|supersedes?|no longer|since|from (?:serial|production|batch|revision|issue|week|\d)|as of|now|corrected|must be read|applies in place|is wrong|misprint|valid is|not as printed|new value)\b/i

interface Note {
  passage: Passage
  mark: string
  text: string
}

/** Notes at the foot of a table or page: they replace the figure that bears their mark, or stand beside it under its name. */
export function withNotes(
  facts: readonly Fact[],
  { blocks }: ManualText,
  { habits, isPicture }: Surroundings,
): Fact[] {
  const notes = blocks.flatMap((block): Note[] => {
    if (block.kind === 'table') return []
    const raised = block.from[0]!.piece.marks.length === 0 ? NOTE.exec(block.text) : null
    return raised ? [{ passage: block, mark: raised[1]!, text: block.text.slice(raised[0].length) }] : []
  })
  let left = [...facts]
  for (const { passage, mark, text } of notes) {
    const page = passage.from[0]!.piece.page
    const marked = left.filter(
      (fact) =>
        fact.marks?.includes(mark) &&
        fact.page <= page &&
        fact.page >= page - 1 &&
        fact.clause === passage.clause,
    )
    const own = left.filter((fact) => fact.text.includes(text.slice(0, 40)) && fact.page === page)
    for (const fact of marked) {
      const figure = printedFigures(text, habits).find(
        ({ dimension }) => dimension === printedDimension(fact),
      )
      if (!figure) continue
      if (OVERRIDES.test(text)) {
        const at = passage.text.length - text.length + figure.at
        const place = placeOf(passage, at, at + 1)
        const replaced = corrected(fact, figure, {
          page: place.page,
          clause: passage.clause,
          text: passage.text,
          box: place.box,
        })
        left = left.filter((other) => other !== fact && !own.includes(other))
        left.push(isPicture(place.page) ? { ...replaced, fromPicture: true } : replaced)
      } else
        left = left.map((other) =>
          own.includes(other) ? { ...other, subject: `${fact.subject}, ${other.subject}` } : other,
        )
    }
  }
  return left
}

/** In print all lengths are written alike. */
function printedDimension(fact: Fact): string {
  const dimension = dimensionOf(fact)
  return dimension === 'cable-length' ? 'length' : dimension
}
