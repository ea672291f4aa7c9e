import { BadInput } from '../shape/bad-input.js'
import { atLeast } from '../verdict/compare.js'
import { seconds } from '../quantity/figure.js'
import { msg, type Message } from '../quantity/message.js'
import {
  count,
  list,
  num,
  object,
  optional,
  refine,
  requireUniqueIds,
  text,
  type Read,
} from '../shape/shape.js'
import { instant, seenTime } from '../shape/time.js'
import { judged, type Explained, type JudgedVerdict } from '../verdict/verdict.js'

/** Rounds over the bolts of one cover. */
export const MOST_PASSES = 20

const steps = object({
  steps: refine(
    list(
      object({
        id: text(),
        after: optional(list(text(), { mayBeEmpty: true }), []),
        waitSeconds: optional(num({ unit: 's', sign: 'magnitude' })),
      }),
      { max: 500 },
    ),
    (all, path) => {
      requireUniqueIds(all, path)
      requireKnown(all, path)
      requireNoCycle(all, path)
    },
  ),
  recorded: list(object({ id: text(), at: seenTime }), { mayBeEmpty: true }),
})
const passes = object({
  order: refine(list(text(), { max: 500 }), (order, path) =>
    requireUniqueIds(
      order.map((id) => ({ id })),
      path,
    ),
  ),
  passes: count(undefined, { max: MOST_PASSES }),
  recorded: list(text(), { mayBeEmpty: true }),
})

export const sequenceSchema = { oneOf: [steps.schema, passes.schema] }
export type StepsInput = Omit<Read<typeof steps>, 'steps'> & {
  steps: { id: string; after?: string[]; waitSeconds?: number }[]
}
export type PassesInput = Read<typeof passes>
export type SequenceInput = StepsInput | PassesInput

export type ViolationKind = 'missing' | 'unknown' | 'repeated' | 'out-of-order' | 'too-soon'
export interface Violation {
  kind: ViolationKind
  id?: string
  /** The step that should have come before. */
  other?: string
  secondsShort?: number
  /** From 0. */
  index?: number
  expected?: string
  found?: string
}
export interface SequenceResult extends Explained {
  violations: Violation[]
  verdict: JudgedVerdict
}

/**
 * Was it done in the right order? Either steps with what must come before each and how long to wait, or an order to be gone through in
 * several passes. Times count, not the order of the list; equal times are in order; a wait that is just met is met.
 * Bad input: a time that is none, `after` naming an unknown step, a cycle. Source: the maker's own partial order.
 */
export function sequence(input: SequenceInput): SequenceResult {
  const inPasses =
    typeof input === 'object' &&
    input !== null &&
    'order' in input &&
    input.order !== undefined &&
    input.order !== null
  const violations = inPasses
    ? violationsOfPasses(passes.read(input, ''))
    : violationsOfSteps(steps.read(input, ''))
  return {
    violations,
    verdict: judged(violations.length === 0),
    working: violations.length === 0 ? ['every step in its order'] : violations.map(said),
    notes: [],
  }
}

type Steps = Read<typeof steps>

function violationsOfSteps({ steps: wanted, recorded }: Steps): Violation[] {
  const first = new Map<string, number>()
  const repeated = new Set<string>()
  for (const { id, at } of recorded) {
    const known = first.get(id)
    if (known !== undefined) repeated.add(id)
    first.set(id, Math.min(known ?? Infinity, instant(at)))
  }
  const required = new Set(wanted.map(({ id }) => id))
  return [
    ...wanted.filter(({ id }) => !first.has(id)).map(({ id }): Violation => ({ kind: 'missing', id })),
    ...[...first.keys()].filter((id) => !required.has(id)).map((id): Violation => ({ kind: 'unknown', id })),
    ...[...repeated].map((id): Violation => ({ kind: 'repeated', id })),
    ...wanted.flatMap((step) => orderOf(step, first)),
  ]
}

function orderOf(
  { id, after, waitSeconds }: Steps['steps'][number],
  first: ReadonlyMap<string, number>,
): Violation[] {
  const at = first.get(id)
  if (at === undefined) return []
  const before = [...new Set(after)].flatMap((other) =>
    first.has(other) ? [{ other, at: first.get(other)! }] : [],
  )
  const late = before.filter((one) => one.at > at)
  if (late.length > 0) return late.map(({ other }) => ({ kind: 'out-of-order', id, other }))
  if (waitSeconds === undefined || before.length === 0) return []
  const latest = before.reduce((a, b) => (b.at > a.at ? b : a))
  const waited = (at - latest.at) / 1000
  return atLeast(waited, waitSeconds)
    ? []
    : [{ kind: 'too-soon', id, other: latest.other, secondsShort: waitSeconds - waited }]
}

function violationsOfPasses({ order, passes: times, recorded }: PassesInput): Violation[] {
  const wanted = Array.from({ length: times }, () => order).flat()
  const index = recorded.findIndex((id, i) => id !== wanted[i])
  const result: Violation[] = []
  if (index >= 0) {
    const expected = wanted[index]
    result.push({
      kind: 'out-of-order',
      index,
      ...(expected !== undefined && { expected }),
      found: recorded[index]!,
    })
  }
  if (recorded.length < wanted.length)
    result.push({ kind: 'missing', index: recorded.length, expected: wanted[recorded.length]! })
  return result
}

const SAID = {
  missing: ({ id, expected, index }) =>
    id === undefined ? `stops at position ${index! + 1}: ${expected} is missing` : `${id} was never recorded`,
  unknown: ({ id }) => `${id} is not asked for`,
  repeated: ({ id }) => `${id} was recorded more than once; the first time counts`,
  'out-of-order': ({ id, other, index, expected, found }) =>
    id === undefined
      ? `position ${index! + 1}: ${found}${expected ? ` instead of ${expected}` : ' is one too many'}`
      : `${id} came before ${other}`,
  'too-soon': ({ id, other, secondsShort }) =>
    msg`${id ?? ''} came ${seconds(secondsShort!)} too soon after ${other ?? ''}`,
} satisfies Record<ViolationKind, (violation: Violation) => Message>

const said = (violation: Violation): Message => SAID[violation.kind](violation)

type Wanted = readonly { id: string; after: string[] }[]

function requireKnown(all: Wanted, path: string): void {
  const ids = new Set(all.map(({ id }) => id))
  all.forEach(({ after }, i) =>
    after.forEach((other, j) => {
      if (!ids.has(other))
        throw new BadInput('unknown-id', `${path}[${i}].after[${j}]`, `no step is called "${other}"`)
    }),
  )
}

/** Takes away, again and again, the steps whose predecessors are all gone; what never goes is a cycle. */
function requireNoCycle(all: Wanted, path: string): void {
  const left = new Map(all.map((step) => [step.id, step]))
  for (;;) {
    const free = [...left.values()].filter(({ after }) => after.every((other) => !left.has(other)))
    if (free.length === 0) break
    for (const { id } of free) left.delete(id)
  }
  if (left.size > 0) throw new BadInput('cycle', path, `${[...left.keys()].join(', ')} wait for each other`)
}
