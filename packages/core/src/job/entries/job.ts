import { object, optional, text } from '../../shape/shape.js'
import type { SheetId } from '../../ids/ids.js'
import { jobAmendmentShape, jobHeaderShape, pinnedSheetShape } from '../header.js'
import { personShape } from '../person.js'
import { ADMITTED, BUILDERS, admitted, entryKind, refuse } from './entry-kind.js'

export const jobOpened = entryKind({
  schema: jobHeaderShape,
  label: 'job opened',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: (_body, { state }) =>
    state.header ? refuse('already-open', 'this job has been opened before') : ADMITTED,
  apply: (draft, body) => void (draft.header = body),
})

export const jobAmended = entryKind({
  schema: jobAmendmentShape,
  label: 'job amended',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: admitted,
  apply(draft, body) {
    if (draft.header) draft.header = { ...draft.header, ...body }
  },
})

export const shared = entryKind({
  schema: object({ person: personShape }),
  label: 'shared',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: admitted,
  apply(draft, { person }) {
    if (!draft.sharedWith.some(({ id }) => id === person.id)) draft.sharedWith = [...draft.sharedWith, person]
  },
})

/** What the person wrote stays; from here on the job is not theirs to see. */
export const unshared = entryKind({
  schema: object({ personId: text() }),
  label: 'no longer shared',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: ({ personId }, { state }) =>
    state.sharedWith.some(({ id }) => id === personId)
      ? ADMITTED
      : refuse('not-shared', 'this job is not shared with that person'),
  apply(draft, { personId }) {
    draft.sharedWith = draft.sharedWith.filter(({ id }) => id !== personId)
  },
})

/** Pins another sheet; with `replaces`, the units of that one are judged by it from here on. */
export const sheetAdopted = entryKind({
  schema: object({ sheet: pinnedSheetShape, replaces: optional(text<SheetId>()) }),
  label: 'sheet adopted',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit({ sheet, replaces }, { state }) {
    if (replaces === undefined) return ADMITTED
    const before = state.header!.sheets.find(({ id }) => id === replaces)
    if (!before) return refuse('unknown-sheet', `the job pins no sheet “${replaces}”`)
    if (before.maker === sheet.maker && before.model === sheet.model) return ADMITTED
    return refuse(
      'other-model',
      `a sheet of ${sheet.maker} ${sheet.model} cannot replace one of ${before.maker} ${before.model}`,
    )
  },
  apply(draft, { sheet, replaces }) {
    if (!draft.header) return
    const others = draft.header.sheets.filter(({ id }) => id !== replaces && id !== sheet.id)
    const old = draft.header.sheets.filter(({ id }) => id === replaces && id !== sheet.id)
    const replaced = [...(draft.header.replaced ?? []).filter(({ id }) => id !== sheet.id), ...old]
    draft.header = {
      ...draft.header,
      sheets: [...others, sheet],
      ...(replaced.length > 0 && { replaced }),
    }
    const units = draft.asBuilt.units.map((unit) =>
      unit.sheetId === replaces ? { ...unit, sheetId: sheet.id } : unit,
    )
    draft.asBuilt = { ...draft.asBuilt, units }
  },
})
