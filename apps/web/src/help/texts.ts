import { KIND_WORDS, VERDICT_WORDS, type KindName, type Verdict } from '@plumb-mark/core'
import { CATALOGUE, GROUPS } from '../data/calculators/catalogue.js'
import { CALCULATORS_SAID } from './calculators.js'
import type { DemandName } from '../ui/drawings/demands.js'
import { DRAWN_KINDS } from './drawn-kinds.js'
import { SCREENS_SAID } from './screens.js'

/** A paragraph of help under its name. */
export interface HelpText {
  title: string
  text: string
  questions?: readonly (readonly [question: string, answer: string])[]
  /** What shows it where it is easier seen than said. */
  drawing?: DemandName | undefined
  /** The mark beside its name. */
  verdict?: Verdict
}

interface Screen extends HelpText {
  /** The address it stands at; `:job` is any one. */
  at: string
}

const SCREENS: readonly Screen[] = SCREENS_SAID

/** The help of the screen at an address: the one whose address is the longest beginning of it. */
export function helpFor(path: string): HelpText | undefined {
  const fits = ({ at }: Screen) => new RegExp(`^${at.replace(':job', '[^/]+')}(?:/|$)`).test(path)
  return [...SCREENS].sort((a, b) => b.at.length - a.at.length).find(fits)
}

const MEANINGS = {
  conforms: 'It is as the maker asks, shown with an instrument that can show it.',
  'does-not-conform': 'It is not as the maker asks. What must be done stands beside it; raise the defect.',
  'not-proven':
    'Nothing is known to be wrong, and it was not shown to be right: what would prove it stands beside it.',
  'not-inspected': 'Nobody has looked yet.',
  'not-applicable': 'It is not asked of this unit here, and it says why.',
} satisfies Record<Verdict, string>

const FORMS: readonly HelpText[] = [
  {
    title: 'A reading',
    text: 'A figure in any unit of its kind: 2.5 Nm, 22 in lb, 7 7/8 in, 12 AWG. “<” and “>” before it say that the instrument showed less or more than it can.',
  },
  { title: 'A question', text: 'Seen or not seen, with Y and N. A photo where one is asked for.' },
  { title: 'A choice', text: 'One of a list, as it was found; anything else can be typed.' },
  {
    title: 'A table',
    text: 'One cell for each place. Enter keeps and goes down, = reads the same as above, Fill down types a figure into every cell below that nobody has read, a block out of a spreadsheet can be pasted. Beneath it stands the cell at hand in whole words, with its defect.',
  },
  {
    title: 'Steps',
    text: 'Done in the maker’s order, with the waits counted. A step that comes too soon says so before it is taken.',
  },
  { title: 'Bolts', text: 'Touched in the order in which they were tightened, pass by pass.' },
  {
    title: 'A nameplate',
    text: 'Typed, scanned, or read off a photo: what was read stands beside its cut-out, and is kept by a touch.',
  },
]

const KEYS: readonly HelpText[] = [
  { title: '?', text: 'This help.' },
  {
    title: ';',
    text: 'Find a check, a unit, a job, a sheet, a calculator; or type a reading: inv 2 pv1+ 2.4.',
  },
  { title: '↓ ↑', text: 'The next and the previous check or row.' },
  { title: 'Enter', text: 'Keep what is typed; when it conforms, go on.' },
  { title: 'Y N', text: 'Answer a question.' },
  { title: 'A R M U', text: 'At a manual: accept, reject, another model, undo.' },
  { title: 'Shift and a touch', text: 'On the roof: all modules on the way to the one touched.' },
  { title: 'Ctrl Z, Ctrl Y', text: 'Undo and redo.' },
  { title: 'Esc', text: 'Close what is open.' },
]

export interface Chapter {
  title: string
  texts: readonly HelpText[]
}

/** All of the help, chapter by chapter: what is searched and what is printed. */
export const CHAPTERS: readonly Chapter[] = [
  { title: 'Screens', texts: SCREENS },
  {
    title: 'What a verdict means',
    texts: (Object.keys(MEANINGS) as Verdict[]).map((verdict) => ({
      title: VERDICT_WORDS[verdict],
      text: MEANINGS[verdict],
      verdict,
    })),
  },
  { title: 'How answers are given', texts: FORMS },
  {
    title: 'What a sheet can demand',
    texts: (Object.keys(KIND_WORDS) as KindName[]).map((kind) => ({
      title: KIND_WORDS[kind].name,
      text: KIND_WORDS[kind].about,
      drawing: DRAWN_KINDS[kind],
    })),
  },
  {
    title: 'Calculators',
    texts: GROUPS.flatMap(({ names }) => names).map((name) => ({
      title: CATALOGUE[name].title,
      text: CALCULATORS_SAID[name],
    })),
  },
  { title: 'Keys', texts: KEYS },
]

/** The chapters with only what has every word of the search. */
export function searched(words: string): Chapter[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  return CHAPTERS.map(({ title, texts }) => ({
    title,
    texts: texts.filter((one) => {
      const all = `${one.title} ${one.text} ${one.questions?.flat().join(' ') ?? ''}`.toLowerCase()
      return wanted.every((word) => all.includes(word))
    }),
  })).filter(({ texts }) => texts.length > 0)
}
