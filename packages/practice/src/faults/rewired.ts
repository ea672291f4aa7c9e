import type { AnswerOf, Check } from '@plumb-mark/core'
import { as } from '../site/index.js'

type Fields = AnswerOf<'fields'>
type Chain = AnswerOf<'chain'>
type Steps = AnswerOf<'steps'>
type Switches = AnswerOf<'switches'>
const PHASE = (2 * Math.PI) / 3

/** Channels 1 and 2 sit on each other's phase: each sees the other's current against its own voltage, 120° apart. */
export function exchanged({ values }: Fields): Fields {
  const seen = (load: number, sign: number) =>
    [load * Math.cos(PHASE), sign * load * Math.sin(PHASE)] as const
  const of = (id: string) => values[id]!.value!
  const [a, b] = [seen(of('p2'), 1), seen(of('p1'), -1)]
  const put = (value: number) => ({ typed: `${value}`, value })
  return { values: { ...values, r1: put(a[0]), q1: put(a[1]), r2: put(b[0]), q2: put(b[1]) } }
}

export function equalLoads({ values }: Fields): Fields {
  const nothing = { typed: '0', value: 0 }
  const none = [1, 2, 3].flatMap((n) => ['p', 'r', 'q'].map((name) => [`${name}${n}`, nothing] as const))
  return { values: { ...values, ...Object.fromEntries(none) } }
}

export function crowded({ devices }: AnswerOf<'bus'>, check: Check): Partial<AnswerOf<'bus'>> | undefined {
  const { maxDevices } = as(check, 'bus')
  const [head, ...rest] = devices
  if (!maxDevices || !head) return undefined
  const more = Array.from({ length: maxDevices }, (_, i) => ({
    name: `Device ${i + 3}`,
    address: 20 + i,
    terminated: false,
  }))
  return { devices: [head, ...more, ...rest] }
}

export const turnedLead = ({ leads: [first, ...rest] }: Chain): Partial<Chain> =>
  first ? { leads: [{ ...first, from: first.to, to: first.from }, ...rest] } : {}

export function closedToARing({ leads, terminators }: Chain, check: Check): Partial<Chain> {
  const { ports } = as(check, 'data-chain')
  return { leads: [...leads, { from: terminators[0]!, to: ports[0]!.id, lead: leads[0]!.lead }] }
}

const turned = (position: 'on' | 'off') => (position === 'on' ? 'off' : 'on')

export function switched({ positions }: Switches): Switches | undefined {
  const [first] = Object.entries(positions)
  return first && { positions: { ...positions, [first[0]]: turned(first[1]) } }
}

export const otherWay = ({ positions }: Switches): Switches => ({
  positions: Object.fromEntries(Object.entries(positions).map(([id, position]) => [id, turned(position)])),
})

/** Every step at the time of its counterpart from the end. */
export function backwards({ done }: Steps): Steps {
  const times = done.map(({ at }) => at)
  return { done: done.map(({ id }, i) => ({ id, at: times[times.length - 1 - i]! })) }
}

export const atOnce = ({ done }: Steps): Steps => ({
  done: done.map(({ id }, i) => ({ id, at: new Date(Date.UTC(2026, 5, 1, 7, 0, 0, i)).toISOString() })),
})
