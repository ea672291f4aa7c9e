import {
  linked,
  type CheckId,
  type Entry,
  type Instrument,
  type JobId,
  type Person,
  type Sha256,
  type Sheet,
  type Stage,
} from '@plumb-mark/core'
import { Chance } from '../chance.js'
import { INSTRUMENTS } from '../site/instruments.js'
import { answerAll, cleanSite, type Site } from '../site/index.js'

/** What is left to whoever is new: a figure for the tape, one for the torque driver, one for the meter. */
export const FIRST_READINGS = {
  tape: 'modules/air-gap/south' as CheckId,
  torque: 'inv-1/ac-torque/l' as CheckId,
  voltage: 'inv-1/open-circuit/s1' as CheckId,
} as const
export type FirstReading = keyof typeof FIRST_READINGS

/** What the instrument shows, as it is typed, and where. */
export interface Shown {
  checkId: CheckId
  stage: Stage
  title: string
  typed: string
  /** What else must be noted with it, by its name. */
  conditions: Readonly<Record<string, number>>
}

export interface FirstJob {
  entries: Entry[]
  sheets: Sheet[]
  instruments: Instrument[]
  shown: Readonly<Record<FirstReading, Shown>>
  /** What the torque driver shows before the terminal is tightened again. */
  tooLoose: string
}

/** By metric units, without module electronics: a small house of which a whole walk is seen in ten minutes. */
const SEED = 3
const SMALL = { kit: 'string', inverters: 1, batteries: 0 } as const
/** Of what the maker asks. */
const LOOSE = 0.5
/** As many figures after the point as the instrument shows. */
const DECIMALS = { tape: 0, torque: 2, voltage: 1 } as const satisfies Record<FirstReading, number>
const IN_DATE_MS = 200 * 24 * 3600 * 1000
const BEFORE: Person = { id: 'practice', name: 'Somebody before you', role: 'inspector' }

/**
 * The job of the ten minutes: everything entered and answered rightly but for three readings, of which one is at first wrong. `now`, ms,
 * keeps its instruments in date. The same library gives the same entries. Bad input: a library that lacks one of its sheets.
 */
export function firstJob(
  library: ReadonlyMap<string, Sheet>,
  { jobId, now, sha256 }: { jobId: JobId; now: number; sha256: Sha256 },
): FirstJob {
  const site = cleanSite(new Chance(SEED), library, SMALL)
  const left = new Set<string>(Object.values(FIRST_READINGS))
  const points = new Map(site.inspection().checks.map(({ check }) => [check.id, check.point]))
  const leftPoints = new Set([...left].map((id) => points.get(id as CheckId)))
  answerAll(site, ({ point }) => !leftPoints.has(point))
  const asBuilt = [...site.entries]
  answerAll(site)
  const shown = shownBy(site)
  const calibratedUntil = new Date(now + IN_DATE_MS).toISOString().slice(0, 10)
  return {
    entries: chained(asBuilt, jobId, sha256),
    sheets: [...site.sheets.values()],
    instruments: INSTRUMENTS.map((one) => ({ ...one, calibratedUntil })),
    shown,
    tooLoose: `${(LOOSE * Number.parseFloat(shown.torque.typed)).toFixed(DECIMALS.torque)} N·m`,
  }
}

function shownBy(site: Site): FirstJob['shown'] {
  const checks = new Map(site.inspection().checks.map(({ check }) => [check.id, check]))
  const read = (which: FirstReading): Shown => {
    const check = checks.get(FIRST_READINGS[which])!
    const { value, unit, conditions } = site.find('reading', ({ point }) => point === check.point)[0]!.body
    const { id: checkId, stage, title } = check
    return {
      checkId,
      stage,
      title,
      typed: `${value.toFixed(DECIMALS[which])} ${unit}`,
      conditions: { ...conditions },
    }
  }
  return { tape: read('tape'), torque: read('torque'), voltage: read('voltage') }
}

/** As the entries of a job that is kept: each names the one before it. */
function chained(entries: readonly Entry[], jobId: JobId, sha256: Sha256): Entry[] {
  const chain: Entry[] = []
  for (const { id, kind, at, body } of entries)
    chain.push(linked({ id, kind, at, body } as Entry, jobId, BEFORE, chain.at(-1), sha256))
  return chain
}
