import type { Passage } from '../layout/passage.js'
import type { ManualText } from '../layout/document.js'
import { sortOf } from './tables.js'
import type { Surroundings } from './prose.js'
import type { Fact } from './spot.js'

/** Where no heading speaks of an order: a list in which things are switched. */
const switches = (list: readonly Fact[]) =>
  list.filter(({ text }) => /\b(?:switch|breaker|close|turn|start|mains|grid|voltage|lamp|press)/i.test(text))
    .length >= 2

const ORDER =
  /\b(?:start|power|switch(?:ing)? on|commission|order|sequence|energi[sz]|first|operation|into service|waking)/i
const NOT_ORDER =
  /\b(?:power(?:ing)? (?:down|off)|restart|outage|update|dismantl|taking down|switch(?:ing)? off|removal|disposal|shut)/i

/** The numbered steps of putting a unit into service. */
export function stepsOf({ blocks }: ManualText, { isPicture }: Surroundings): Fact[] {
  const lists: Fact[][] = []
  const ordered = new Set<Fact>()
  for (const block of blocks) {
    if (block.kind === 'table') {
      if (sortOf(block) === 'steps' && fits(block.titles))
        lists.push(
          block.rows.map((row) =>
            stepFact(
              row.fields[0]!.text,
              row.fields.at(-1)!.text,
              block,
              row.fields.at(-1)!.piece,
              isPicture,
            ),
          ),
        )
      continue
    }
    if (block.kind !== 'step' || block.step === undefined || NOT_ORDER.test(block.titles.at(-1) ?? ''))
      continue
    const fact = stepFact(block.step, textOf(block), block, block.from[0]!.piece, isPicture)
    if (fits(block.titles)) ordered.add(fact)
    const open = lists.at(-1)
    if (open && Number(open.at(-1)!.subject) === Number(fact.subject) - 1 && open[0]!.clause === fact.clause)
      open.push(fact)
    else lists.push([fact])
  }
  const whole = lists.filter((list) => list.length >= 3 && Number(list[0]!.subject) === 1)
  const named = whole.filter(([first]) => ordered.has(first!))
  return (named.length > 0 ? named : whole.filter(switches)).flat()
}

const fits = (titles: readonly string[]) =>
  ORDER.test(titles.slice(-2).join(' ')) && !NOT_ORDER.test(titles.slice(-2).join(' '))
const textOf = ({ text }: Passage) => text.replace(/^(?:step\s*)?(?:\d{1,2}|[ivx]+)[.):]?\s+/i, '')

const ROMAN = ['', 'i', 'ii', 'iii', 'iv', 'v', 'vi', 'vii', 'viii', 'ix', 'x', 'xi', 'xii']
function stepFact(
  number: string,
  text: string,
  { clause }: { clause: string },
  piece: { page: number; x0: number; x1: number; top: number; bottom: number },
  isPicture: (page: number) => boolean,
): Fact {
  const roman = ROMAN.indexOf(number.toLowerCase())
  const letter = /^[a-h]$/i.test(number) && roman <= 0 ? number.toLowerCase().charCodeAt(0) - 96 : 0
  const subject =
    letter > 0 ? String(letter) : roman > 0 ? String(roman) : (/\d+/.exec(number)?.[0] ?? number)
  return {
    kind: 'step',
    subject,
    unit: '',
    page: piece.page,
    clause,
    text,
    box: { x0: piece.x0, x1: piece.x1, top: piece.top, bottom: piece.bottom },
    ...(isPicture(piece.page) && { fromPicture: true as const }),
  }
}
