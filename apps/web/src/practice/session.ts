import { create } from 'zustand'
import {
  hidingPlaces,
  inspectWith,
  madeUp,
  scenarioOf,
  scoreOf,
  whereOf,
  type Difficulty,
  type Done,
  type Found,
  type HidingPlace,
  type Level,
  type Scenario,
  type Score,
  type Where,
} from '@plumb-mark/practice'
import { sampleSheets } from '../data/sample-sheets.js'

/** What was practised before on this device. */
export interface Practised {
  at: string
  level: Level
  difficulty: Difficulty
  seed: number
  points: number
  passed: boolean
  missed: string[]
  /** Kept since found faults are counted by clause as well. */
  found?: string[]
  minutes: number
}
const KEY = 'plumb-mark-practice'
const MOST_KEPT = 60

export interface Wish {
  level: Level
  difficulty?: Difficulty
  seed: number
  /** Where a trainer hid something. */
  faults?: readonly HidingPlace['id'][]
}

interface Practice {
  scenario: Scenario | undefined
  began: number
  /** What was written down, by where it was looked at. It lives here and nowhere else: no real job ever hears of it. */
  answers: ReadonlyMap<Where, Found>
  /** What was done, one after the other. */
  log: readonly Done[]
  score: Score | undefined
  past: readonly Practised[]
  problem: string | undefined
  /** What was asked for, so that it can be had again. */
  wish: Wish | undefined
  begin(wish: Wish): Promise<void>
  done(what: Done): void
  writeDown(found: Found): void
  takeBack(where: Where): void
  finish(): void
  leave(): void
}

const named = ({ title, clause }: { title: string; clause: string }) => `${title}, clause ${clause}`

function kept(): Practised[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Practised[]
  } catch {
    return []
  }
}

/** A made-up installation that is being inspected: a job of its own, on this device, that ends when it is left. */
export const usePractice = create<Practice>((set, get) => ({
  scenario: undefined,
  wish: undefined,
  began: 0,
  answers: new Map(),
  log: [],
  score: undefined,
  past: kept(),
  problem: undefined,
  async begin(wish) {
    try {
      const scenario = scenarioOf(madeUp(await sampleSheets(), wish), wish)
      const anew = { answers: new Map(), log: [], score: undefined, problem: undefined }
      set({ scenario, wish, began: Date.now(), ...anew })
    } catch (fault) {
      set({ scenario: undefined, score: undefined, problem: (fault as Error).message })
    }
  },
  writeDown: (found) => set(({ answers }) => ({ answers: new Map(answers).set(whereOf(found), found) })),
  done: (what) => set(({ log }) => ({ log: [...log, what] })),
  takeBack: (where) =>
    set(({ answers }) => {
      const left = new Map(answers)
      left.delete(where)
      return { answers: left }
    }),
  finish() {
    const { scenario, answers, log, began, past } = get()
    if (!scenario) return
    const score = scoreOf(scenario, [...answers.values()], log)
    const { level, difficulty, seed } = scenario
    const now: Practised = {
      at: new Date().toISOString(),
      level,
      difficulty,
      seed,
      points: score.points,
      passed: score.passed,
      missed: score.missed.map(named),
      found: score.found.map(named),
      minutes: Math.max(1, Math.round(minutesSince(began, Date.now()))),
    }
    const all = [now, ...past].slice(0, MOST_KEPT)
    localStorage.setItem(KEY, JSON.stringify(all))
    set({ score, past: all })
  },
  leave: () => set({ scenario: undefined, score: undefined, answers: new Map() }),
}))

/** How long the installation has been inspected, min. */
export const minutesSince = (began: number, now: number): number => Math.max(0, now - began) / 60_000

/** The practice job as it is judged with what was written down so far. */
export const judgedSoFar = (scenario: Scenario, answers: ReadonlyMap<Where, Found>) =>
  inspectWith(scenario.entries, [...answers.values()], scenario.sheets)

/** What somebody writes down who does not look: what is usual, or as it is drawn. */
export const unseen = (scenario: Scenario, where: Where): Found => scenario.right.get(where)!

/** Every check of a level at which something can be hidden, for whoever writes a scenario. */
export async function placesToHide(wish: { level: Level; seed: number }) {
  return hidingPlaces(madeUp(await sampleSheets(), wish), wish)
}
