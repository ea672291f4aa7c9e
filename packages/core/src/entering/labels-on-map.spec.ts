import { seenWall } from '../wall/rendered-photo.testing.js'
import type { ArrayBuilt, PlaneBuilt } from '../array/places.js'
import { placeId } from '../ids/place-id.js'
import { labelsOnMap, type ReadLabel } from './labels-on-map.js'

const PLANE: PlaneBuilt = {
  id: 'p',
  label: 'P',
  unitId: 'm',
  rows: 2,
  columns: 3,
  orientation: 'portrait',
  gap: 20,
  empty: [],
}
const array = (serials: Record<string, string> = {}): ArrayBuilt => ({
  planes: [PLANE],
  devices: [1, 2].flatMap((row) =>
    [1, 2, 3].map((column) => {
      const at = placeId('p', row, column)
      return {
        id: `d${row}${column}`,
        unitId: 'e',
        at,
        feeds: [at],
        idlePorts: 0,
        cappedPorts: 0,
        ...(serials[at] && { serial: serials[at] }),
      }
    }),
  ),
  branches: [],
  reported: {},
})

/** A paper map of 3 by 2 places, 100 mm each, seen from the side; y runs up there. */
const at = seenWall(
  { away: 500, across: -60, up: 160, at: { x: 150, y: 100 }, roll: 0.05, lens: 0 },
  { width: 4000, height: 3000 },
)
const corners = {
  upperLeft: at(0, 200),
  upperRight: at(300, 200),
  lowerRight: at(300, 0),
  lowerLeft: at(0, 0),
}
const label = (text: string, x: number, y: number): ReadLabel => ({ text, ...at(x, y) })
const placed = (labels: ReadLabel[], serials?: Record<string, string>) =>
  labelsOnMap(labels, corners, PLANE, array(serials))!

it('labels lie in the rows and columns of the map, however the photo was taken', () => {
  const {
    placed: rows,
    unread,
    unplaced,
  } = placed([label('S-1', 50, 150), label('S-2', 160, 140), label('S-6', 250, 50)])
  expect(rows).toEqual([
    { place: 'p.r1c1', serial: 'S-1' },
    { place: 'p.r1c2', serial: 'S-2' },
    { place: 'p.r2c3', serial: 'S-6' },
  ])
  expect(unplaced).toEqual([])
  expect(unread).toEqual(['p.r1c3', 'p.r2c1', 'p.r2c2'])
})

it('says what stood there before, where it is another serial', () => {
  const { placed: rows } = placed([label('S-1', 50, 150), label('S-2', 150, 150)], {
    'p.r1c1': 's 1',
    'p.r1c2': 'S-9',
  })
  expect(rows).toEqual([
    { place: 'p.r1c1', serial: 'S-1' },
    { place: 'p.r1c2', serial: 'S-2', was: 'S-9' },
  ])
})

it.each([
  ['outside the grid', [label('S-1', 350, 150)], ['outside']],
  ['near the line between two places', [label('S-1', 98, 150)], ['between-places']],
  [
    'with another in its place',
    [label('S-1', 40, 150), label('S-2', 60, 150)],
    ['two-in-one-place', 'two-in-one-place'],
  ],
  ['that lies in two places', [label('S-1', 50, 150), label('S-1', 250, 150)], ['twice', 'twice']],
])('a label %s is not placed, and says why', (_, labels, why) => {
  const found = placed(labels)
  expect(found.placed).toEqual([])
  expect(found.unplaced.map((one) => one.why)).toEqual(why)
})

it('the same label read twice in its place is one', () =>
  expect(placed([label('S-1', 40, 150), label('S-1', 45, 152)]).placed).toHaveLength(1))

it('corners that are exchanged make no grid', () =>
  expect(
    labelsOnMap(
      [],
      { ...corners, upperLeft: corners.upperRight, upperRight: corners.upperLeft },
      PLANE,
      array(),
    ),
  ).toBeUndefined())
