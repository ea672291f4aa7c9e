import { bondShape, earthPartShape } from '../../earthing/bond.js'
import type { BondId } from '../../ids/ids.js'
import { object, text } from '../../shape/shape.js'
import { momentOf } from './entry-kind.js'
import { partsAndTies } from './parts-and-ties.js'

const { partPlaced, partRemoved, tiePlaced, tieRemoved } = partsAndTies({
  part: {
    holds: earthPartShape,
    placed: 'earth-part-found',
    removed: 'earth-part-removed',
    says: 'part to be bonded',
  },
  tie: {
    holds: bondShape,
    placed: 'bond-made',
    removed: (bondId) => ({ kind: 'bond-removed', body: { bondId } }),
    says: 'bond',
    toItself: 'a part cannot be bonded to itself',
  },
  read: ({ earth }) => ({ parts: earth.parts, ties: earth.bonds }),
  write(draft, { parts, ties }, entry) {
    draft.asBuilt = { ...draft.asBuilt, earth: { parts, bonds: ties } }
    draft.lastChanged.earthing = momentOf(entry)
  },
})

export const earthPartFound = partPlaced
export const earthPartRemoved = partRemoved
export const bondMade = tiePlaced
export const bondRemoved = tieRemoved(object({ bondId: text<BondId>() }), ({ bondId }) => bondId)
