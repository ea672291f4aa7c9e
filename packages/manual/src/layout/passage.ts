import { boxAround, type Box, type Piece } from '../page/page.js'
import { joined } from '../page/letters.js'

/** Text that belongs together, with the place of each of its characters. */
export interface Passage {
  kind: 'paragraph' | 'caption' | 'step' | 'item' | 'label'
  text: string
  /** From this character on the text stands in this piece. */
  from: { start: number; piece: Piece }[]
  /** Number of the heading it stands under, as printed; empty before the first. */
  clause: string
  /** The headings over it, the highest first. */
  titles: readonly string[]
  /** Number of a step, as printed. */
  step?: string
}

export function passageOf(
  lines: readonly Piece[],
  known: ReadonlySet<string>,
  rest: Pick<Passage, 'kind' | 'clause' | 'titles'> & { step?: string },
): Passage {
  const passage: Passage = { ...rest, text: '', from: [] }
  for (const line of lines) append(passage, line, known)
  return passage
}

export function append(passage: Passage, piece: Piece, known: ReadonlySet<string>): void {
  if (passage.text === '') {
    passage.text = piece.text
    passage.from.push({ start: 0, piece })
    return
  }
  const text = joined(passage.text, piece.text, known)
  passage.from.push({ start: text.length - piece.text.length, piece })
  passage.text = text
}

/** Page and box of what stands between two characters: of the piece where it begins, since a figure is looked for there. */
export function placeOf(passage: Passage, at: number, end: number): { page: number; box: Box; piece: Piece } {
  const last = passage.from.filter(({ start }) => start < end).at(-1) ?? passage.from[0]!
  const first = passage.from.filter(({ start }) => start <= at).at(-1) ?? last
  const within = passage.from.filter(
    ({ start, piece }) => piece.page === last.piece.page && start >= first.start && start < end,
  )
  return { page: last.piece.page, box: boxAround(within.map(({ piece }) => piece)), piece: last.piece }
}

export interface Sentence {
  text: string
  at: number
  passage: Passage
}

const SHORT =
  /(?:^|[\s(“"])(?:min|max|approx|fig|tab|no|nos|e\.g|i\.e|ca|incl|excl|resp|vs|dia|ref|pos|art|sec|ch|temp|typ|nom|rev|ed|st|c)\.$/i

export function sentencesOf(passage: Passage): Sentence[] {
  const found: Sentence[] = []
  let from = 0
  for (const { index } of passage.text.matchAll(/[.!?]["”’)]*(?=\s+["“(]?[\p{Lu}\d−–])/gu)) {
    const end = index + /^[.!?]["”’)]*/.exec(passage.text.slice(index))![0].length
    if (SHORT.test(passage.text.slice(0, index + 1))) continue
    found.push(sentence(passage, from, end))
    from = end
  }
  found.push(sentence(passage, from, passage.text.length))
  return found.filter(({ text }) => text !== '')
}

function sentence(passage: Passage, from: number, end: number): Sentence {
  const raw = passage.text.slice(from, end)
  const lead = /^\s*/.exec(raw)![0].length
  return { text: raw.trim(), at: from + lead, passage }
}
