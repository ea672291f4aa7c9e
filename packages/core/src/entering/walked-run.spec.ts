import { walkedTo } from './walked-run.js'

const all = () => true
const at = (row: number, column: number, plane = 'p') => `${plane}.r${row}c${column}` as never

it('goes along the row and along the column', () => {
  expect(walkedTo([at(1, 1)], at(1, 4), all)).toEqual([at(1, 1), at(1, 2), at(1, 3), at(1, 4)])
  expect(walkedTo([at(3, 2)], at(1, 2), all)).toEqual([at(3, 2), at(2, 2), at(1, 2)])
})

it('goes to and fro over a block, so that neighbours follow each other', () =>
  expect(walkedTo([at(1, 1)], at(3, 2), all)).toEqual([
    at(1, 1),
    at(1, 2),
    at(2, 2),
    at(2, 1),
    at(3, 1),
    at(3, 2),
  ]))

it('passes over what is walked already and where no module lies', () =>
  expect(walkedTo([at(1, 3), at(1, 1)], at(1, 5), (place) => place !== at(1, 4))).toEqual([
    at(1, 3),
    at(1, 1),
    at(1, 2),
    at(1, 5),
  ]))

it('is the place alone from nowhere and onto another plane, and nothing where it was walked', () => {
  expect(walkedTo([], at(2, 2), all)).toEqual([at(2, 2)])
  expect(walkedTo([at(1, 1)], at(1, 3, 'q'), all)).toEqual([at(1, 1), at(1, 3, 'q')])
  expect(walkedTo([at(1, 1), at(1, 2)], at(1, 1), all)).toEqual([at(1, 1), at(1, 2)])
})
