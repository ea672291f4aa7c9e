import { NOTHING_BUILT, type AsBuilt } from '@plumb-mark/core'
import { dropChange, movedBy } from './drag.js'

const asBuilt: AsBuilt = {
  ...NOTHING_BUILT,
  units: [
    {
      id: 'u',
      label: 'U',
      sheetId: 's',
      serial: 'S1',
      place: { wallId: 'w', x: 100, y: 900, w: 400, h: 500, typed: { x: '10 cm' } },
    },
  ],
  walls: [
    {
      id: 'w',
      title: 'W',
      leftCorner: true,
      rightCorner: false,
      uncertainty: 2,
      gaps: [],
      obstructions: [{ id: 'o', label: 'riser', class: 'pipe', x: 700, y: 0, w: 60, h: 2400 }],
    },
  ],
}

it('while it is dragged a thing stands where it is held, and nothing else moves', () => {
  const held = movedBy(asBuilt, { wallId: 'w', id: 'o', x: 712.3456, y: 5 })
  expect(held.walls[0]!.obstructions[0]).toMatchObject({ x: 712.3456, y: 5, w: 60 })
  expect(held.units).toBe(asBuilt.units)
})
it('let go, it is written down to the tenth of a millimetre as drawn, and what was typed no longer stands', () => {
  expect(dropChange(asBuilt, { wallId: 'w', id: 'u', x: 123.4567, y: 900 })).toEqual({
    kind: 'unit-fitted',
    body: {
      ...asBuilt.units[0],
      place: { wallId: 'w', x: 123.5, y: 900, w: 400, h: 500, drawn: ['x', 'y'], typed: {} },
    },
  })
  expect(dropChange(asBuilt, { wallId: 'w', id: 'o', x: 701, y: 0 })).toMatchObject({
    kind: 'obstruction-measured',
    body: { wallId: 'w', obstruction: { id: 'o', x: 701, drawn: ['x', 'y'] } },
  })
})
it('put back where it stood, nothing is written', () => {
  expect(dropChange(asBuilt, { wallId: 'w', id: 'u', x: 100.02, y: 900 })).toBeUndefined()
  expect(dropChange(asBuilt, { wallId: 'w', id: 'gone', x: 1, y: 1 })).toBeUndefined()
})
