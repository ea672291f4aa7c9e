import { printedFigures, type PrintedFigure } from '@plumb-mark/core'
import type { Surroundings } from '../finders/prose.js'
import type { Fact } from '../finders/spot.js'
import { sortOf } from '../finders/tables.js'
import type { ManualText, Table } from '../layout/document.js'
import { placeOf, sentencesOf, type Passage } from '../layout/passage.js'
import { corrected, hasFigure, shared } from './corrected.js'

/** Corrections that the manual brings along: what was printed is replaced, and the fact stands where the correction does. */
export function withCorrections(
  facts: readonly Fact[],
  { blocks }: ManualText,
  around: Surroundings,
): Fact[] {
  let left = [...facts]
  for (const block of blocks)
    left =
      block.kind === 'table'
        ? sortOf(block) === 'errata'
          ? byTable(left, block, around)
          : left
        : bySentences(left, block, around)
  return left
}

function byTable(facts: Fact[], table: Table, { habits, isPicture }: Surroundings): Fact[] {
  let left = facts
  const column = (words: RegExp) => table.heads.findIndex((head) => words.test(head))
  const wrong = column(/\b(?:printed|wrong|instead|old|was|incorrect|reads?)\b/i)
  const right = table.heads.findIndex(
    (head, i) => i !== wrong && /\b(?:correct|right|new|should|read|now|is|valid)\b/i.test(head),
  )
  const where = column(/\bpages?\b/i)
  for (const row of table.rows) {
    const field = (at: number) => row.fields.find(({ from, to }) => from <= at && to >= at)
    const [old] = printedFigures(field(wrong)?.text ?? '', habits)
    const [fresh] = printedFigures(field(right)?.text ?? '', habits)
    const place = field(right)
    if (!old || !fresh || !place || fresh.dimension === 'count') continue
    const page = Number(/\d+/.exec(field(where)?.text ?? '')?.[0] ?? NaN)
    const words = row.fields.map(({ text }) => text).join(' ')
    const meant = meantBy(left, old, words, page)
    if (!meant) continue
    left = left.filter((fact) => fact !== meant)
    left.push(
      withPicture(
        corrected(meant, fresh, {
          page: place.piece.page,
          clause: table.clause,
          text: row.fields.map(({ text }) => text).join(' | '),
          box: place.cell,
        }),
        isPicture,
      ),
    )
  }
  return left
}

/** The fact that a correction means: the one with the old figure whose words it shares most. */
const meantBy = (facts: readonly Fact[], old: PrintedFigure, words: string, page = NaN) =>
  facts
    .filter((fact) => hasFigure(fact, old) && (Number.isNaN(page) || fact.page === page))
    .sort((a, b) => shared(b.subject, words) - shared(a.subject, words))[0]

const withPicture = (fact: Fact, isPicture: (page: number) => boolean): Fact =>
  isPicture(fact.page) ? { ...fact, fromPicture: true } : fact

const CORRECTS =
  /\b(?:errat|corrigend|correct|misprint|amend|slip|instead of|in place of|rather than|replaces?|supersedes?)/i
const DENIED =
  /\b(?:not|instead of|in place of|rather than|replaces?|supersedes?|and not)\s*(?:the\s+)?(?:printed\s+)?$/i

/** “The distance to the floor is 700 mm, not 600 mm”, where a sentence or its heading says that it corrects. */
function bySentences(facts: Fact[], passage: Passage, { habits, isPicture }: Surroundings): Fact[] {
  let left = facts
  for (const { text, at } of sentencesOf(passage)) {
    if (!CORRECTS.test(`${text} ${passage.titles.at(-1) ?? ''}`)) continue
    const figures = printedFigures(text, habits).filter(({ dimension }) => dimension !== 'count')
    const old = figures.find((figure) => DENIED.test(text.slice(0, figure.at)))
    const fresh = figures.find((figure) => figure !== old && figure.dimension === old?.dimension)
    if (!old || !fresh) continue
    const ofSentence = left.filter((fact) => fact.text === text)
    const meant = meantBy(
      left.filter((fact) => fact.text !== text),
      old,
      text,
    )
    if (!meant) continue
    const { page, box } = placeOf(passage, at + fresh.at, at + fresh.end)
    left = left.filter((fact) => fact !== meant && !ofSentence.includes(fact))
    left.push(withPicture(corrected(meant, fresh, { page, clause: passage.clause, text, box }), isPicture))
  }
  return left
}
