import { branchSegments } from './branch-segments.js'

const feeder = { length: 18, size: 5.26 }
const step = { length: 2, size: 3.31 }
const odd = { length: 7, size: 3.31 }

it('a trunk is a feeder and one like piece to each further inverter', () =>
  expect(branchSegments(3, { feeder, step })).toEqual([feeder, step, step]))
it('pieces that were measured one by one stay as they are, also when the branch grows or shrinks', () => {
  expect(branchSegments(4, { feeder, step }, [feeder, step, odd])).toEqual([feeder, step, odd, step])
  expect(branchSegments(2, { feeder: odd, step }, [feeder, step, odd])).toEqual([odd, step])
})
it('said otherwise, all of them follow', () =>
  expect(branchSegments(3, { feeder, step: odd }, [feeder, step, step])).toEqual([feeder, odd, odd]))
