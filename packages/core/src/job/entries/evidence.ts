import { readAnswer, readsAs, type Answer } from '../../answer/forms.js'
import { lengthOffPhoto } from '../../answer/photo-reading.js'
import type { PhotoRef } from '../../answer/photo-ref.js'
import { uncertaintyOf } from '../../instrument/instrument.js'
import type { PointId } from '../../ids/ids.js'
import { attempt } from '../../shape/attempt.js'
import {
  evidenceStruckShape,
  notApplicableShape,
  photosAddedShape,
  observationShape,
  readingShape,
  recordShape,
  walkedOverShape,
  type EvidenceEntry,
  type ReadingBody,
} from '../kept-whole.js'
import { arrived, evidenceBy, isLater, waitFor, type Draft, type Evidence } from '../state.js'
import { evidenceTargetOf, unitOfPoint } from '../evidence-target.js'
import { isSentence } from '../../shape/sentence.js'
import {
  ADMITTED,
  INSPECTORS,
  entryKind,
  refuse,
  type Admission,
  type NotApplicableAnswer,
} from './entry-kind.js'

const unknownPoint = (point: PointId): Admission =>
  refuse('unknown-point', `no point in this job is called “${point}”`)

/** Puts evidence at its point, in the order of time whatever the order of arrival. */
function keepEvidence(draft: Draft, entry: EvidenceEntry & Pick<Evidence, 'walkedOver'>): void {
  if (entry.kind === 'not-applicable') draft.notApplicableAt.add(entry.body.point)
  const rows = draft.evidence.get(entry.body.point) ?? []
  const before = rows.findLastIndex((row) => !isLater(row, entry)) + 1
  const { point } = entry.body
  const row = { ...entry, on: evidenceTargetOf(point, draft.asBuilt, entry.body) }
  if (before === rows.length && draft.own.has(rows)) return void (rows as Evidence[]).push(row)
  const next = [...rows.slice(0, before), row, ...rows.slice(before)]
  draft.own.add(next)
  draft.evidence.set(entry.body.point, next)
}

export const reading = entryKind({
  schema: readingShape,
  label: 'reading',
  writtenBy: INSPECTORS,
  validatesAgainst: 'points',
  admit(body, against) {
    const { point, typed, value, relation, instrument } = body
    const ask = against.asked(point, 'reading')
    if (ask?.kind !== 'reading') return unknownPoint(point)
    if (readsAs(typed, value, ask, { relation, instrument })) return asPhotoShows(body)
    return refuse('typed-differs', `“${typed}” does not read as the value that was sent`)
  },
  apply(draft, body, entry) {
    keepEvidence(draft, { ...entry, kind: 'reading', body })
    arrived(draft, entry.id)
  },
  shows: ({ photos = [] }) => photos,
})

/** mm: a figure is kept with so many digits. */
const ROUNDED = 0.1

/** A reading off a photo is what its clicks come to, no surer than they are, and the photo is there to look at. */
function asPhotoShows({ value, instrument, offPhoto, photos = [] }: ReadingBody): Admission {
  if (!offPhoto)
    return instrument?.kind === 'photo'
      ? refuse('photo-differs', 'a reading off a photo says how the photo was measured')
      : ADMITTED
  const length = lengthOffPhoto(offPhoto)
  const known = instrument ? uncertaintyOf(instrument, 'length', value) : 0
  const same = length && Math.abs(length.value - value) <= ROUNDED && known >= length.uncertainty - ROUNDED
  const shown = instrument?.kind === 'photo' && photos.some(({ id }) => id === instrument.id)
  if (!same) return refuse('photo-differs', 'the clicks on the photo do not come to the value that was sent')
  return shown ? ADMITTED : refuse('photo-differs', 'the photo that was measured is not shown')
}

export const observation = entryKind({
  schema: observationShape,
  label: 'observation',
  writtenBy: INSPECTORS,
  validatesAgainst: 'points',
  admit: ({ point }, against) => (against.asked(point, 'observation') ? ADMITTED : unknownPoint(point)),
  apply(draft, body, entry) {
    keepEvidence(draft, { ...entry, kind: 'observation', body })
    arrived(draft, entry.id)
  },
  shows: ({ photos = [] }) => photos,
})

/**
 * Several places seen on one walk are one act: one entry that answers each of their points with yes, and says of each that it was seen so.
 * Struck out, it counts for none of them any more.
 */
export const walkedOver = entryKind({
  schema: walkedOverShape,
  label: 'walk over several places',
  writtenBy: INSPECTORS,
  validatesAgainst: 'points',
  admit({ points }, against) {
    const twice = points.find((point, at) => points.indexOf(point) !== at)
    if (twice !== undefined) return refuse('listed-twice', `“${twice}” is walked over twice in one act`)
    const unknown = points.find((point) => !against.asked(point, 'observation'))
    return unknown === undefined ? ADMITTED : unknownPoint(unknown)
  },
  apply(draft, { points, sheets, ...seen }, entry) {
    for (const point of points)
      keepEvidence(draft, {
        ...entry,
        kind: 'observation',
        body: { point, seen: true, sheetId: sheets?.[unitOfPoint(point)], ...seen },
        ...(points.length > 1 && { walkedOver: points }),
      })
    arrived(draft, entry.id)
  },
  shows: ({ photos = [] }) => photos,
})

/** An answer must fit what its check asks for; what it does not offer cannot be chosen. */
export const record = entryKind({
  schema: recordShape,
  label: 'record',
  writtenBy: INSPECTORS,
  validatesAgainst: 'points',
  admit({ point, answer }, against) {
    const ask = against.asked(point, 'record')
    if (ask?.kind !== 'record') return unknownPoint(point)
    const read = attempt(() => readAnswer(ask, answer))
    return read.ok ? ADMITTED : refuse('answer-differs', read.problem.message)
  },
  apply(draft, body, entry) {
    keepEvidence(draft, { ...entry, kind: 'record', body })
    arrived(draft, entry.id)
  },
  shows: ({ answer, photos = [] }) => [...photos, ...photosIn(answer)],
})

/** The photos that an answer is made of. */
export const photosIn = (answer: Answer): readonly PhotoRef[] =>
  'taken' in answer ? Object.values(answer.taken) : []

/** A failure is not made to go away by saying that it was not asked; what has reasons of its own takes those. */
const NOT_SAID = {
  'unknown-check': 'no check of this job is called so, at this point',
  derived: 'it is read off the drawing: correct the drawing, or take it out of the scope of the job',
  'own-reasons': 'this check has an answer of its own for it: say there why there is none',
  fails: 'what was found does not conform: raise it, or strike it out with its reason',
} satisfies Record<Exclude<NotApplicableAnswer, 'may'>, string>

/** One check does not apply to what stands here: said with a reason, and struck out like any answer. */
export const notApplicable = entryKind({
  schema: notApplicableShape,
  label: 'said not to apply',
  writtenBy: INSPECTORS,
  validatesAgainst: 'outcomes',
  admit({ checkId, point, reason }, against) {
    const answer = against.mayNotApply(checkId, point)
    if (answer !== 'may') return refuse(answer, NOT_SAID[answer])
    return isSentence(reason)
      ? ADMITTED
      : refuse('reason-missing', 'say in a few words why it does not apply here')
  },
  apply(draft, body, entry) {
    keepEvidence(draft, { ...entry, kind: 'not-applicable', body })
    arrived(draft, entry.id)
  },
  shows: ({ photos = [] }) => photos,
})

/** Strikes out evidence, or an entry that cannot be read: it stays in the record and counts no longer. */
export const evidenceStruck = entryKind({
  schema: evidenceStruckShape,
  label: 'struck out',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit({ entryId }, { state }) {
    const there = evidenceBy(entryId, state) ?? state.unreadable.find(({ entry }) => entry.id === entryId)
    return there ? ADMITTED : refuse('unknown-entry', 'the reading to be struck out is not in this job')
  },
  apply(draft, { entryId, reason }, entry) {
    const { by, at } = entry
    const there = draft.unreadable.some((one) => one.entry.id === entryId) || evidenceBy(entryId, draft)
    if (!there) return waitFor(draft, entryId, entry)
    draft.unreadable = draft.unreadable.filter((one) => one.entry.id !== entryId)
    const struck = evidenceBy(entryId, draft)
    if (!struck) return
    const strike = (row: Evidence): Evidence =>
      row.id === entryId ? { ...row, struck: { by, at, reason } } : row
    for (const point of struck.walkedOver ?? [struck.body.point])
      draft.evidence.set(point, draft.evidence.get(point)!.map(strike))
  },
})

/** Photos taken once a check is answered: they belong to that answer, whose reading, instrument and time stay as they were. */
export const photosAdded = entryKind({
  schema: photosAddedShape,
  label: 'photos added',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit: ({ entryId }, { state }) =>
    evidenceBy(entryId, state)
      ? ADMITTED
      : refuse('unknown-entry', 'the answer that the photos belong to is not in this job'),
  apply(draft, { entryId, photos }, entry) {
    const there = evidenceBy(entryId, draft)
    if (!there) return waitFor(draft, entryId, entry)
    const shown = (row: Evidence): Evidence =>
      row.id === entryId
        ? ({ ...row, body: { ...row.body, photos: withPhotos(row.body.photos, photos) } } as Evidence)
        : row
    for (const point of there.walkedOver ?? [there.body.point])
      draft.evidence.set(point, draft.evidence.get(point)!.map(shown))
  },
  shows: ({ photos }) => photos,
})

/** Told twice, a photo is shown once. */
const withPhotos = (before: readonly PhotoRef[] = [], added: readonly PhotoRef[]): PhotoRef[] => [
  ...before,
  ...added.filter(({ id }) => !before.some((one) => one.id === id)),
]
