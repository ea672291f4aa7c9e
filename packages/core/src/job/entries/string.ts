import { stringShape } from '../../as-built/string.js'
import type { StringId } from '../../ids/ids.js'
import { object, text } from '../../shape/shape.js'
import { BUILDERS, admitted, entryKind, find, known, momentOf, put, putBack, without } from './entry-kind.js'

export const stringBuilt = entryKind({
  schema: stringShape,
  label: 'string built',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: ({ unitId }, { state }) => known(state.asBuilt.units, unitId, 'unit'),
  apply(draft, string, entry) {
    draft.asBuilt = { ...draft.asBuilt, strings: put(draft.asBuilt.strings, string) }
    draft.lastChanged.array = momentOf(entry)
  },
  undo: ({ id }, { strings }) =>
    putBack('string-built', find(strings, id), { kind: 'string-removed', body: { stringId: id } }),
})

export const stringRemoved = entryKind({
  schema: object({ stringId: text<StringId>() }),
  label: 'string removed',
  writtenBy: BUILDERS,
  validatesAgainst: 'state',
  admit: admitted,
  apply(draft, { stringId }, entry) {
    draft.asBuilt = { ...draft.asBuilt, strings: without(draft.asBuilt.strings, stringId) }
    draft.lastChanged.array = momentOf(entry)
  },
  undo: ({ stringId }, { strings }) => putBack('string-built', find(strings, stringId)),
})
