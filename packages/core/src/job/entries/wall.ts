import {
  bareWall,
  bareWallShape,
  gapShape,
  obstructionShape,
  wallPhotoShape,
  type WallBuilt,
  type WallPhoto,
} from '../../as-built/wall.js'
import type { GapId, ObstructionId, PhotoId, WallId } from '../../ids/ids.js'
import { object, text } from '../../shape/shape.js'
import { sayPhotoFault } from '../../wall/photo-fault.js'
import { photoTape } from '../../wall/photo-tape.js'
import type { EntryWith } from '../entry-with.js'
import { arrived, waitFor, type Draft } from '../state.js'
import {
  ADMITTED,
  INSPECTORS,
  admitted,
  entryKind,
  find,
  firstRefusal,
  known,
  momentOf,
  put,
  putBack,
  refuse,
  without,
  type Against,
  type Admission,
  type Step,
} from './entry-kind.js'

const onKnownWall = ({ wallId }: { wallId: WallId }, { state }: Against): Admission =>
  known(state.asBuilt.walls, wallId, 'wall')

function onWall(draft: Draft, id: WallId, entry: EntryWith<unknown>, change: (wall: WallBuilt) => WallBuilt) {
  if (!find(draft.asBuilt.walls, id)) return waitFor(draft, id, entry)
  const walls = draft.asBuilt.walls.map((wall) => (wall.id === id ? change(wall) : wall))
  draft.asBuilt = { ...draft.asBuilt, walls }
  draft.lastChanged.walls.set(id, momentOf(entry))
}

export const wallMeasured = entryKind({
  schema: bareWallShape,
  label: 'wall measured',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit: admitted,
  apply(draft, wall, entry) {
    const { obstructions = [], gaps = [], photos } = find(draft.asBuilt.walls, wall.id) ?? {}
    const walls = put(draft.asBuilt.walls, { ...wall, obstructions, gaps, ...(photos && { photos }) })
    draft.asBuilt = { ...draft.asBuilt, walls }
    draft.lastChanged.walls.set(wall.id, momentOf(entry))
    arrived(draft, wall.id)
  },
  undo({ id }, { walls }) {
    const wall = find(walls, id)
    return putBack('wall-measured', wall && bareWall(wall), { kind: 'wall-removed', body: { wallId: id } })
  },
})

export const wallRemoved = entryKind({
  schema: object({ wallId: text<WallId>() }),
  label: 'wall removed',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit: onKnownWall,
  apply(draft, { wallId }) {
    const { units, walls } = draft.asBuilt
    draft.asBuilt = {
      ...draft.asBuilt,
      walls: without(walls, wallId),
      units: units.map((unit) => (unit.place?.wallId === wallId ? { ...unit, place: undefined } : unit)),
    }
  },
  undo({ wallId }, { units, walls }) {
    const wall = find(walls, wallId)
    if (!wall) return []
    return [
      { kind: 'wall-measured', body: bareWall(wall) },
      ...wall.obstructions.map((obstruction): Step => ({
        kind: 'obstruction-measured',
        body: { wallId, obstruction },
      })),
      ...wall.gaps.map((gap): Step => ({ kind: 'gap-measured', body: { wallId, gap } })),
      ...(wall.photos ?? []).map((taken): Step => ({ kind: 'wall-photographed', body: { wallId, taken } })),
      ...units
        .filter(({ place }) => place?.wallId === wallId)
        .map((unit): Step => ({ kind: 'unit-fitted', body: unit })),
    ]
  },
})

export const obstructionMeasured = entryKind({
  schema: object({ wallId: text<WallId>(), obstruction: obstructionShape }),
  label: 'obstruction measured',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit(body, against) {
    const { id } = body.obstruction
    const taken = against.state.asBuilt.units.some((unit) => unit.id === id)
    return firstRefusal(
      onKnownWall(body, against),
      taken ? refuse('id-taken', `a unit of this job is called “${id}”`) : ADMITTED,
    )
  },
  apply: (draft, { wallId, obstruction }, entry) =>
    onWall(draft, wallId, entry, (wall) => ({ ...wall, obstructions: put(wall.obstructions, obstruction) })),
  undo({ wallId, obstruction: { id } }, { walls }) {
    const was = find(find(walls, wallId)?.obstructions ?? [], id)
    return putBack('obstruction-measured', was && { wallId, obstruction: was }, {
      kind: 'obstruction-removed',
      body: { wallId, obstructionId: id },
    })
  },
})

export const obstructionRemoved = entryKind({
  schema: object({ wallId: text<WallId>(), obstructionId: text<ObstructionId>() }),
  label: 'obstruction removed',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit: onKnownWall,
  apply: (draft, { wallId, obstructionId }, entry) =>
    onWall(draft, wallId, entry, (wall) => ({
      ...wall,
      obstructions: without(wall.obstructions, obstructionId),
    })),
  undo({ wallId, obstructionId }, { walls }) {
    const was = find(find(walls, wallId)?.obstructions ?? [], obstructionId)
    return putBack('obstruction-measured', was && { wallId, obstruction: was })
  },
})

export const gapMeasured = entryKind({
  schema: object({ wallId: text<WallId>(), gap: gapShape }),
  label: 'gap measured',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit: onKnownWall,
  apply: (draft, { wallId, gap }, entry) =>
    onWall(draft, wallId, entry, (wall) => ({ ...wall, gaps: put(wall.gaps, gap) })),
  undo({ wallId, gap: { id } }, { walls }) {
    const was = find(find(walls, wallId)?.gaps ?? [], id)
    return putBack('gap-measured', was && { wallId, gap: was }, {
      kind: 'gap-removed',
      body: { wallId, gapId: id },
    })
  },
})

export const gapRemoved = entryKind({
  schema: object({ wallId: text<WallId>(), gapId: text<GapId>() }),
  label: 'gap removed',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit: onKnownWall,
  apply: (draft, { wallId, gapId }, entry) =>
    onWall(draft, wallId, entry, (wall) => ({ ...wall, gaps: without(wall.gaps, gapId) })),
  undo({ wallId, gapId }, { walls }) {
    const was = find(find(walls, wallId)?.gaps ?? [], gapId)
    return putBack('gap-measured', was && { wallId, gap: was })
  },
})

const isOf =
  (photoId: PhotoId) =>
  ({ photo }: WallPhoto) =>
    photo.id === photoId

/** Kept only when lengths may be read off it: what is placed by it stands on that. */
export const wallPhotographed = entryKind({
  schema: object({ wallId: text<WallId>(), taken: wallPhotoShape }),
  label: 'wall photographed as a tape',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit(body, against) {
    const tape = photoTape(body.taken.setUp)
    return firstRefusal(
      onKnownWall(body, against),
      tape.usable ? ADMITTED : refuse('photo-no-tape', tape.faults.map(sayPhotoFault).join('; ')),
    )
  },
  apply: (draft, { wallId, taken }, entry) =>
    onWall(draft, wallId, entry, (wall) => ({
      ...wall,
      photos: [...(wall.photos ?? []).filter((one) => !isOf(taken.photo.id)(one)), taken],
    })),
  undo({ wallId, taken: { photo } }, { walls }) {
    const was = find(walls, wallId)?.photos?.find(isOf(photo.id))
    return putBack('wall-photographed', was && { wallId, taken: was }, {
      kind: 'wall-photo-removed',
      body: { wallId, photoId: photo.id },
    })
  },
  shows: ({ taken }) => [taken.photo],
})

export const wallPhotoRemoved = entryKind({
  schema: object({ wallId: text<WallId>(), photoId: text<PhotoId>() }),
  label: 'photo taken off the wall',
  writtenBy: INSPECTORS,
  validatesAgainst: 'state',
  admit: onKnownWall,
  apply: (draft, { wallId, photoId }, entry) =>
    onWall(draft, wallId, entry, (wall) => ({
      ...wall,
      photos: (wall.photos ?? []).filter((one) => !isOf(photoId)(one)),
    })),
  undo({ wallId, photoId }, { walls }) {
    const was = find(walls, wallId)?.photos?.find(isOf(photoId))
    return putBack('wall-photographed', was && { wallId, taken: was })
  },
})
