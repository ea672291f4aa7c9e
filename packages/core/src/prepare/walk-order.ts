import type { Stage } from '../sheet/stages.js'
import type { WalkBlock, WorkPlace } from './walk-blocks.js'

/** What has to be looked at before: the order of the rest is free. */
const AFTER = {
  prepare: [],
  identify: [],
  'place-and-mount': [],
  roof: [],
  earthing: [],
  dc: ['earthing'],
  ac: ['earthing'],
  battery: ['earthing'],
  meter: [],
  'power-up': ['identify', 'place-and-mount', 'roof', 'earthing', 'dc', 'ac', 'battery', 'meter'],
  commission: ['power-up'],
  'close-up': ['commission'],
  sign: ['close-up'],
} satisfies Record<Stage, readonly Stage[]>

export interface PlannedBlock extends WalkBlock {
  /** Minutes after the start. */
  startsAt: number
}
export interface WalkPlan {
  blocks: PlannedBlock[]
  /** Times that one goes from one place to another. */
  trips: number
  /** Minutes of daylight work that lie after dusk. */
  afterDusk: number
}

const LATE = 1e6
const TRIP = 1e3
/** Above so many the number of orders outgrows a phone; a walk has about ten. */
const MOST_BLOCKS = 16

/**
 * In which order the blocks are best done: what needs daylight before dusk, then the fewest trips, then what is likeliest wrong first, and
 * what must come before another before it. Minutes from the start; `dusk` likewise, where it is known. Exact up to sixteen blocks; beyond
 * that one block after the other by the same measure. `from` is where one stands at the start.
 */
export function walkPlan(blocks: readonly WalkBlock[], dusk?: number, from?: WorkPlace): WalkPlan {
  const order = blocks.length <= MOST_BLOCKS ? bestOrder(blocks, dusk, from) : greedyOrder(blocks, dusk, from)
  let at = 0
  let [trips, afterDusk] = [0, 0]
  let place = from
  const planned = order.map((i) => {
    const block = { ...blocks[i]!, startsAt: at }
    if (place !== undefined && place !== block.place) trips++
    place = block.place
    at += block.minutes
    afterDusk += lateOf(block, block.startsAt, dusk)
    return block
  })
  return { blocks: planned, trips, afterDusk }
}

const lateOf = ({ daylight, minutes }: WalkBlock, start: number, dusk: number | undefined): number =>
  daylight && dusk !== undefined ? Math.max(0, Math.min(minutes, start + minutes - dusk)) : 0

/** What one more block costs, done next. Without a dusk, what needs daylight is drawn forward a little. */
function costOf(blocks: readonly WalkBlock[], dusk: number | undefined) {
  const total = blocks.reduce((sum, { minutes }) => sum + minutes, 0) || 1
  const risk = blocks.reduce((sum, { expectedFailures }) => sum + expectedFailures, 0) || 1
  return (block: WalkBlock, start: number, before: WorkPlace | undefined): number =>
    LATE * lateOf(block, start, dusk) +
    (before !== undefined && before !== block.place ? TRIP : 0) +
    (start / total) * (block.expectedFailures / risk + (block.daylight && dusk === undefined ? 0.1 : 0))
}

/** May a block come now? Everything that its stage waits for, and that is still to be done anywhere, must be done. */
const ready = (blocks: readonly WalkBlock[], i: number, done: (j: number) => boolean): boolean =>
  blocks.every((other, j) => j === i || done(j) || !comesBefore(other.stage, blocks[i]!.stage))

const comesBefore = (a: Stage, b: Stage): boolean =>
  (AFTER[b] as readonly Stage[]).some((stage) => stage === a || comesBefore(a, stage))

/** By dynamic programming over what is done: the time that has passed depends on that alone, and the cost on where one stands last. */
function bestOrder(
  blocks: readonly WalkBlock[],
  dusk: number | undefined,
  from: WorkPlace | undefined,
): number[] {
  const n = blocks.length
  const cost = costOf(blocks, dusk)
  const passed = new Float64Array(1 << n)
  for (let mask = 1; mask < 1 << n; mask++) {
    const low = 31 - Math.clz32(mask & -mask)
    passed[mask] = passed[mask & (mask - 1)]! + blocks[low]!.minutes
  }
  const best = new Float64Array((1 << n) * n).fill(Infinity)
  const came = new Int8Array((1 << n) * n).fill(-1)
  for (let mask = 0; mask < 1 << n; mask++)
    for (let next = 0; next < n; next++) {
      if (mask & (1 << next) || !ready(blocks, next, (j) => (mask & (1 << j)) !== 0)) continue
      const to = (mask | (1 << next)) * n + next
      const offer = (so: number, last: number) => {
        const worth = so + cost(blocks[next]!, passed[mask]!, last < 0 ? from : blocks[last]!.place)
        if (worth < best[to]!) [best[to], came[to]] = [worth, last]
      }
      if (mask === 0) offer(0, -1)
      else for (let last = 0; last < n; last++) if (mask & (1 << last)) offer(best[mask * n + last]!, last)
    }
  return backwards(best, came, n)
}

function backwards(best: Float64Array, came: Int8Array, n: number): number[] {
  let mask = (1 << n) - 1
  const order: number[] = []
  let last = Array.from({ length: n }, (_, i) => i).reduce(
    (a, b) => (best[mask * n + b]! < best[mask * n + a]! ? b : a),
    0,
  )
  while (n > 0 && mask !== 0 && last >= 0) {
    order.unshift(last)
    const before = came[mask * n + last]!
    mask &= ~(1 << last)
    last = before
  }
  return order
}

function greedyOrder(
  blocks: readonly WalkBlock[],
  dusk: number | undefined,
  from: WorkPlace | undefined,
): number[] {
  const cost = costOf(blocks, dusk)
  const order: number[] = []
  let [at, place] = [0, from]
  while (order.length < blocks.length) {
    const open = blocks.flatMap((_, i) =>
      !order.includes(i) && ready(blocks, i, (j) => order.includes(j)) ? [i] : [],
    )
    const next = open.reduce((a, b) => {
      const [one, other] = [blocks[a]!, blocks[b]!]
      // Of two the riskier by the minute first, and what stands at hand before what is far.
      const by = (block: WalkBlock) =>
        cost(block, at, place) - block.expectedFailures / Math.max(1, block.minutes)
      return by(other) < by(one) ? b : a
    })
    order.push(next)
    at += blocks[next]!.minutes
    place = blocks[next]!.place
  }
  return order
}
