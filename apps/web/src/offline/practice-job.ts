import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils'
import type { JobBundle } from '@plumb-mark/contract'
import { linked, type Entry, type JobId, type NewEntry, type Person } from '@plumb-mark/core'

/** In the place of an id: no real job is called so. */
export const PRACTICE_JOB = 'practice' as JobId
export const isPracticeJob = (jobId: JobId | undefined): boolean => jobId === PRACTICE_JOB

/** What was entered in it; it lies on this device, and no server ever hears of it. */
const KEY = 'plumb-mark-practice-job'
const digest = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)))

function entered(): Entry[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]')
    return Array.isArray(kept) ? (kept as Entry[]) : []
  } catch {
    return []
  }
}

/** The practice job as it was prepared, and what is left to be read in it. */
export async function firstJobHere() {
  const [{ firstJob }, { sampleSheets }] = await Promise.all([
    import('@plumb-mark/practice'),
    import('../data/sample-sheets.js'),
  ])
  return firstJob(await sampleSheets(), { jobId: PRACTICE_JOB, now: Date.now(), sha256: digest })
}

/**
 * The practice job, as a server would give a job. What does not continue it, of an earlier version or another page, is
 * left behind.
 */
export async function practiceBundle(): Promise<JobBundle> {
  const { entries, sheets, instruments } = await firstJobHere()
  for (const mine of entered()) if (mine?.prev === entries.at(-1)!.hash) entries.push(mine)
  return {
    id: PRACTICE_JOB,
    entries,
    sheets,
    instruments,
    broken: [],
    keyFingerprint: '',
    signer: { kind: 'nobody' },
  }
}

/** Puts an entry behind the last one, as the server does for a real job. */
export const linkedHere = (
  entry: NewEntry,
  by: Person,
  last: { seq: number; hash: string } | undefined,
): Entry => linked(entry, PRACTICE_JOB, by, last, digest)

export function keepInPractice(entries: readonly Entry[]): void {
  const kept = entered()
  // Another page may have gone on from an earlier entry: what is kept is the chain that these continue.
  const before = kept.slice(0, 1 + kept.findIndex(({ hash }) => hash === entries[0]?.prev))
  try {
    localStorage.setItem(KEY, JSON.stringify([...before, ...entries]))
  } catch {
    // A device that is full practises in this page alone.
  }
}

/** As it was prepared: nothing of what was entered stays. */
export const forgetPractice = (): void => localStorage.removeItem(KEY)
