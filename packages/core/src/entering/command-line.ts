import type { Instrument } from '../instrument/instrument.js'
import { KIND_WORDS } from '../requirements/kind-words.js'
import { TRADE_WORDS } from './trade-words.js'
import type { TypingHabits } from '../quantity/parse.js'
import type { Check, Outcome } from '../walk/check.js'
import type { Inspection } from '../walk/inspect.js'
import { judgeTyped, type TypedJudgement } from '../walk/judge.js'

/** A check that a line of words means, and what comes of the figure at its end where there is one. */
export interface Meant {
  check: Check
  outcome: Outcome
  reading?: Extract<TypedJudgement, { ok: true }>
}

/** How well a word fits: it is a word of the check, begins one, or stands somewhere in it with blanks left out. */
const FITS = { whole: 3, begins: 2, within: 1 } as const

/**
 * The checks that a line such as “inv 2 pv1+” means, the best fit first; every word must fit. What cannot be found in any check is taken
 * for a reading at the end of the line, “inv 2 pv1+ 2.4 N·m”, and judged as if it were typed there; the instrument is the one in hand.
 */
export function checksMeant(
  line: string,
  inspection: Inspection,
  using: { instrumentFor: (check: Check) => Instrument | undefined; habits?: TypingHabits; most?: number },
): Meant[] {
  const said = line.trim().split(/\s+/).filter(Boolean)
  if (said.length === 0) return []
  const { most = 8 } = using
  const found = fitting(said, inspection)
  if (found.length > 0) return found.slice(0, most)
  for (const length of [1, 2]) {
    const typed = said.slice(-length).join(' ')
    const place = said.slice(0, -length)
    if (place.length === 0) break
    const read = fitting(place, inspection).flatMap((meant): Meant[] => {
      if (meant.check.ask.kind !== 'reading') return []
      const instrument = using.instrumentFor(meant.check)
      const reading = judgeTyped(
        meant.check,
        typed,
        { instrument, conditions: {} },
        inspection.context,
        using.habits ?? {},
      )
      return reading.ok ? [{ ...meant, reading }] : []
    })
    if (read.length > 0) return read.slice(0, most)
  }
  // “cover bolts 3”: the number names one of several things within a check.
  return /^\d+$/.test(said.at(-1)!) ? fitting(said.slice(0, -1), inspection).slice(0, most) : []
}

function fitting(said: readonly string[], { checks }: Inspection): Meant[] {
  const words = wordsOf(said.join(' '))
  if (words.length === 0) return []
  return checks
    .map(({ check, outcome }, at) => ({ check, outcome, at, fit: fitOf(words, check) }))
    .filter(({ fit }) => fit > 0)
    .sort((a, b) => b.fit - a.fit || a.at - b.at)
    .map(({ check, outcome }) => ({ check, outcome }))
}

/** 0 where a word of the line is nowhere in the check. */
function fitOf(words: readonly string[], { unit, title, place, requirement }: Check): number {
  const said = `${unit.label} ${place} ${title} ${requirement.clause}`
  const own = wordsOf(said)
  const joined = own.join('')
  const kind = wordsOf(KIND_WORDS[requirement.kind].name)
  let sum = 0
  for (const word of words) {
    const fit = fitOfWord(word, own, joined) || fitByTrade(word, [...own, ...kind])
    if (fit === 0) return 0
    sum += fit
  }
  return sum
}

function fitOfWord(word: string, own: readonly string[], joined: string): number {
  if (own.includes(word)) return FITS.whole
  if (own.some((one) => one.startsWith(word))) return FITS.begins
  return joined.includes(word) ? FITS.within : 0
}

/** A word of the kind of demand, or a short word of the trade for one that stands there. */
const fitByTrade = (word: string, own: readonly string[]): number =>
  [word, ...(TRADE_WORDS[word] ?? [])].some((one) => own.some((other) => other.startsWith(one)))
    ? FITS.within
    : 0

/** Words in lower case, with the signs that terminals carry; a dash is a minus, however it was typed. */
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[−–]/g, '-')
    .split(/[\s,;·()]+/)
    .filter(Boolean)
