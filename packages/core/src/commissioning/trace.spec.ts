import { reducedForDrawing } from './reduced.js'
import { stepFound } from './step-found.js'
import { traceFacts } from './trace-facts.js'
import { columnOf, readTrace, writeTrace } from './trace-file.js'

const CSV = 't (s),inverter (W),export (W)\r\n0,6000,100\r\n1.5,5000,\r\n3,0,-20\r\n'
const trace = readTrace(CSV)

describe('the file of a trace', () => {
  it('reads and writes the same, byte for byte; an empty cell is no value', () => {
    expect(writeTrace(trace)).toBe(CSV)
    const { t, values } = columnOf(trace, 'export')
    expect([[...Array.from(t)], [...Array.from(values)]]).toEqual([
      [0, 3],
      [100, -20],
    ])
  })
  it('a name with a comma or a formula in it comes back as it was', () => {
    const odd = { ...trace, channels: [{ name: '=a, "b"', unit: 'W' }, trace.channels[1]!] }
    expect(readTrace(writeTrace(odd)).channels[0]).toEqual({ name: '=a, "b"', unit: 'W' })
  })
  it.each([
    ['', 'missing', 'header[0]'],
    ['t (s),inverter\n0,1', 'missing', 'header[1]'],
    ['time,inverter (W)\n0,1', 'missing', 'header[0]'],
    ['t (s)\n0', 'out-of-range', 'header'],
    ['t (s),x (W)\n', 'no-content', 'rows'],
    ['t (s),x (W)\n0,1\n1,one', 'not-finite', 'row 3'],
    ['t (s),x (W)\n0,1,2', 'wrong-length', 'row 2'],
    ['t (s),x (W)\n1,1\n1,2', 'not-ascending', 'row 3'],
    ['t (s),x (W)\n0,1e99', 'not-finite', 'row 2'],
  ])('%j is refused: %s at %s', (text, code, path) => {
    expect(() => readTrace(text)).toThrow(expect.objectContaining({ code, path }))
  })
  it('a column that is not there is refused', () => {
    expect(() => columnOf(trace, 'other')).toThrow(expect.objectContaining({ code: 'not-listed' }))
  })
})

it('what a trace can show at all is told: how far apart its samples lie, and how things stood before the event', () => {
  const column = { t: [0, 8, 9, 10, 11, 40], values: [900, 700, 50, 40, 0, 0], unit: 'W' }
  const by = { limit: 0, tolerance: 0, settleWithin: 5, must: 'stay-under' as const }
  expect(traceFacts(column, 10, by).seen).toEqual({
    unit: 'W',
    from: 0,
    widestGap: 29,
    // The value of the beginning holds until 8 s, which is within the five seconds looked back to.
    before: { least: 40, most: 900 },
    ever: { least: 0, most: 900 },
  })
  expect(traceFacts(column, 10, { ...by, lookBack: 1.5 }).seen!.before).toEqual({ least: 40, most: 700 })
})

it('what must stay over is judged as the mirror of what must stay under', () => {
  const up = { t: [0, 1, 2, 3], values: [0, 0, 230, 230] }
  const by = { limit: 207, tolerance: 0, settleWithin: 5, must: 'stay-over' as const }
  expect(traceFacts(up, 0, by)).toMatchObject({ settledAt: 2, secondsOver: 2, peak: 0 })
  const down = { t: up.t, values: up.values.map((value) => -value) }
  expect(traceFacts(down, 0, { ...by, limit: -207, must: 'stay-under' })).toMatchObject({
    settledAt: 2,
    secondsOver: 2,
  })
})

it.each([[-1], [4]])('an event at %i s that the trace does not cover is refused', (eventAt) => {
  const by = { limit: 1, tolerance: 0, settleWithin: 5, must: 'stay-under' as const }
  const code = expect.objectContaining({ code: 'out-of-range', path: 'eventAt' })
  expect(() => traceFacts({ t: [0, 3], values: [1, 1] }, eventAt, by)).toThrow(code)
})

it('the event is proposed at the largest change, and nowhere when nothing changes', () => {
  expect(stepFound({ t: [0, 1, 2, 3, 4], values: [5, 5, 4, 0, 0] })).toBe(2)
  expect(stepFound({ t: [0, 1], values: [5, 5] })).toBeUndefined()
})

it('a long trace keeps every peak, its ends and its order in time when it is drawn', () => {
  const t = Float64Array.from({ length: 100_000 }, (_, i) => i)
  const values = t.map((at) => Math.sin(at / 500) * 100 + (at === 71_234 ? 9000 : at === 333 ? -7000 : 0))
  const drawn = reducedForDrawing(t, values, 300)
  expect(drawn.length).toBeLessThanOrEqual(602)
  expect([
    Math.max(...drawn.map(({ value }) => value)),
    Math.min(...drawn.map(({ value }) => value)),
  ]).toEqual([Math.max(...values), Math.min(...values)])
  expect(drawn.every((one, i) => i === 0 || one.t > drawn[i - 1]!.t)).toBe(true)
  expect([drawn[0]!.t, drawn.at(-1)!.t]).toEqual([0, 99_999])
})
it('a short one is drawn as it is', () => {
  expect(reducedForDrawing([0, 1], [5, 6], 300)).toEqual([
    { t: 0, value: 5 },
    { t: 1, value: 6 },
  ])
})
