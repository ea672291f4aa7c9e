import { networkConductorShape, networkPartShape } from '../../ac/one-line.js'
import type { ConductorId } from '../../ids/ids.js'
import { object, text } from '../../shape/shape.js'
import { momentOf } from './entry-kind.js'
import { partsAndTies } from './parts-and-ties.js'

const {
  partPlaced: placed,
  partRemoved: removed,
  tiePlaced,
  tieRemoved,
} = partsAndTies({
  part: { holds: networkPartShape, placed: 'part-placed', removed: 'part-removed', says: 'part' },
  tie: {
    holds: networkConductorShape,
    placed: 'conductor-run',
    removed: (conductorId) => ({ kind: 'conductor-removed', body: { conductorId } }),
    says: 'conductor',
    toItself: 'a conductor cannot end where it begins',
  },
  read: ({ network }) => ({ parts: network.parts, ties: network.conductors }),
  write(draft, { parts, ties }, entry) {
    draft.asBuilt = { ...draft.asBuilt, network: { parts, conductors: ties } }
    draft.lastChanged.network = momentOf(entry)
  },
})

export const partPlaced = placed
export const partRemoved = removed
export const conductorRun = tiePlaced
export const conductorRemoved = tieRemoved(
  object({ conductorId: text<ConductorId>() }),
  ({ conductorId }) => conductorId,
)
