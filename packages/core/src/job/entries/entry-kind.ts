import type { Ask } from '../../answer/ask.js'
import type { PhotoRef } from '../../answer/photo-ref.js'
import type { AsBuilt } from '../../as-built/as-built.js'
import type { CheckId, DefectId, PersonId, PointId } from '../../ids/ids.js'
import type { Attempt } from '../../shape/attempt.js'
import type { Severity } from '../../sheet/terms.js'
import type { Shape } from '../../shape/shape.js'
import type { DefectState, Proof } from '../defect-process.js'
import type { EntryWith } from '../entry-with.js'
import type { Role } from '../person.js'
import type { Draft, JobState, Moment } from '../state.js'

export type Admission = { ok: true } | { ok: false; code: string; message: string }
export const ADMITTED: Admission = { ok: true }
export const refuse = (code: string, message: string): Admission => ({ ok: false, code, message })

/** The first refusal of several, or none. */
export const firstRefusal = (...answers: Admission[]): Admission => answers.find(({ ok }) => !ok) ?? ADMITTED

export type NotApplicableAnswer = 'may' | 'unknown-check' | 'derived' | 'own-reasons' | 'fails'

/** What an entry is weighed against: the job as it stands and as it is judged. */
export interface Against {
  state: JobState
  /** What is asked at a measuring point, by a check that asks for this kind of evidence there. */
  asked(point: PointId, kind: Ask['kind']): Ask | undefined
  /** What the sheet calls the failure of a check; undefined where there is no such check. */
  severityOf(id: CheckId): Severity | undefined
  /** May somebody say that this check does not apply? */
  mayNotApply(id: CheckId, point: PointId): NotApplicableAnswer
  hasOpenDefect(id: CheckId): boolean
  /** A defect as it stands, with what the sheet calls its failure. */
  defect(
    id: DefectId,
  ): { state: DefectState; proof: Proof; severity: Severity; asked: Severity | undefined } | undefined
  /** Who writes; undefined where nobody is known yet, and nothing that one person alone may say is taken. */
  by: PersonId | undefined
  /** What stands in the way of a signature. */
  inTheWay(): readonly string[]
  computes(calculator: string, input: Record<string, unknown>): Attempt<unknown>
}

/** A change of what was built, as the entry that makes it. */
export interface Step {
  kind: string
  body: object
}

/**
 * A kind of entry, whole: what it holds, who may write it, whether it is admitted to the job as it stands, how it changes the state, how it
 * is undone and how it reads in a history. To add one, write such a row in the file of its thing and name it in `index.ts`.
 */
export interface EntryKindRow<B extends object> {
  schema: Shape<B>
  /** How it reads in a history. */
  label: string
  writtenBy: readonly Role[]
  /**
   * What of a job it is weighed against: what was entered so far, the measuring points that follow from what
   * is built, or the very outcomes. In a long batch the judging is brought up to date only where it matters.
   */
  validatesAgainst: 'state' | 'points' | 'outcomes'
  admit(body: NoInfer<B>, against: Against, role: Role): Admission
  apply(draft: Draft, body: NoInfer<B>, entry: EntryWith<NoInfer<B>>): void
  /**
   * The changes that take it back, seen from before it: nothing is deleted, undoing is an entry too. Left out
   * where it cannot be undone.
   */
  undo?(body: NoInfer<B>, before: AsBuilt): Step[]
  /** The photos that it shows, which must be kept before it is. */
  shows?(body: NoInfer<B>): readonly PhotoRef[]
}

/** Puts a row together, so that its parts know what it holds. */
export const entryKind = <B extends object>(row: EntryKindRow<B>): EntryKindRow<B> => row

export const BUILDERS = ['inspector', 'office'] as const
export const INSPECTORS = ['inspector'] as const

export const known = (all: readonly { id: string }[], id: string, what: string): Admission =>
  all.some((one) => one.id === id)
    ? ADMITTED
    : refuse(`unknown-${what}`, `no ${what} in this job is called “${id}”`)

export const admitted = (): Admission => ADMITTED

export const momentOf = ({ at, id }: EntryWith<unknown>): Moment => ({ at, id })

export const find = <T extends { id: string }>(all: readonly T[], id: string): T | undefined =>
  all.find((one) => one.id === id)

export const without = <T extends { id: string }>(all: readonly T[], ...ids: string[]): T[] =>
  all.filter(({ id }) => !ids.includes(id))

/** Replaces the one with the same id in its place, or adds at the end. */
export const put = <T extends { id: string }>(all: readonly T[], one: T): T[] =>
  all.some(({ id }) => id === one.id) ? all.map((old) => (old.id === one.id ? one : old)) : [...all, one]

/** What stands now is entered again, or what was not there before is taken away. */
export const putBack = <T extends object>(kind: string, before: T | undefined, remove?: Step): Step[] =>
  before ? [{ kind, body: before }] : remove ? [remove] : []
