import type { AnswerOf } from '../../answer/forms.js'
import { answered } from '../evidence-input.js'
import { sequence, type Violation } from '../../power-up/sequence.js'
import { quantity } from '../../quantity/quantity-field.js'
import { seconds } from '../../quantity/figure.js'
import { msg, type Message, joinMessages } from '../../quantity/message.js'
import { flag, list, num, object, oneOf, optional, refine, text, join } from '../../shape/shape.js'
import { pointShape } from '../../device/point.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** Orders of one direction meet in the order of the whole site. */
const DIRECTIONS = ['up', 'down'] as const

const steps = list(
  object({
    id: text(),
    label: text(),
    after: optional(list(text(), { mayBeEmpty: true }), []),
    wait: optional(quantity('time', 'after the latest of the steps before')),
    thing: optional(text('what is switched, by a name that other sheets use too: their orders meet there')),
    qualified: optional(flag('for qualified people only: no customer is told to do it')),
    seen: optional(
      object(
        { from: pointShape, atLeast: optional(num()), equals: optional(num()) },
        'where a device shows that it is done',
      ),
    ),
  }),
)

/** Steps that follow one another, with waits: the maker's own order of powering up or down, of landing leads, of an activation. */
export const orderedSteps = defineKind(
  refine(
    requirementOf({ steps, direction: optional(oneOf(DIRECTIONS, 'which way the unit is switched by it')) }),
    (requirement, path) => {
      try {
        sequence({ steps: asSteps(requirement.steps), recorded: [] })
      } catch (problem) {
        // The calculator names the place within its own input: here it stands within the requirement.
        if (problem instanceof Error && 'path' in problem)
          Object.assign(problem, { path: join(path, String(problem.path)) })
        throw problem
      }
    },
  ),
  {
    minutes: 8,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: (requirement) => ({
      kind: 'record',
      form: 'steps',
      steps: requirement.steps.map(({ id, label, wait }, i) => ({
        id,
        label,
        after: afterOf(requirement.steps, i),
        waitSeconds: wait,
      })),
    }),
    required: (requirement) =>
      joinMessages(
        requirement.steps.map(({ label, wait }) => (wait ? msg`${label} (wait ${seconds(wait)})` : label)),
        ', then ',
      ),
    judge(requirement, _subject, evidence) {
      const answer = answered(evidence, 'steps')
      if (!answer) return undefined
      const { verdict, violations, working, notes } = sequence({
        steps: asSteps(requirement.steps),
        recorded: answer.done,
      })
      const onlyMissing = violations.length > 0 && violations.every(({ kind }) => kind === 'missing')
      return {
        verdict: onlyMissing ? 'not-proven' : verdict,
        working,
        notes: [...notes, ...answer.done.flatMap((step) => despiteStop(step, requirement.steps))],
        finding: violations[0] ? said(violations[0], requirement.steps) : 'in the maker’s order',
        wanting: `record ${violations.map(({ id }) => nameOf(id, requirement.steps)).join(', ')}`,
      }
    },
  },
)

type Steps = readonly { id: string; label: string; after: string[]; wait?: number | undefined }[]

const asSteps = (all: Steps) =>
  all.map(({ id, wait }, i) => ({
    id,
    after: afterOf(all, i),
    ...(wait !== undefined && { waitSeconds: wait }),
  }))

/** A wait without anything to wait for counts from the step before, unless that one comes after it. */
export function afterOf(all: Steps, at: number): string[] {
  const { id, after, wait } = all[at]!
  const before = all[at - 1]
  return wait !== undefined && after.length === 0 && before && !comesAfter(all, before.id, id)
    ? [before.id]
    : after
}

function comesAfter(all: Steps, id: string, earlier: string, seen: readonly string[] = []): boolean {
  const { after = [] } = all.find((step) => step.id === id) ?? {}
  return after.some(
    (one) => one === earlier || (!seen.includes(one) && comesAfter(all, one, earlier, [...seen, one])),
  )
}

/** Said of a step that was taken although a stop stood: whoever signs reads it. */
const despiteStop = ({ id, allowed }: AnswerOf<'steps'>['done'][number], all: Steps): Message[] =>
  allowed
    ? [`${nameOf(id, all)} was done while a stop stood, allowed by ${allowed.by}: ${allowed.reason}`]
    : []

const nameOf = (id: string | undefined, all: Steps) => all.find((step) => step.id === id)?.label ?? id ?? ''

function said({ kind, id, other, secondsShort }: Violation, all: Steps): Message {
  const words: Record<Violation['kind'], Message> = {
    missing: `${nameOf(id, all)} was not recorded`,
    unknown: `${id} is not asked for`,
    repeated: `${nameOf(id, all)} was done more than once`,
    'out-of-order': `${nameOf(id, all)} came before ${nameOf(other, all)}`,
    'too-soon': msg`${nameOf(id, all)} came ${seconds(secondsShort ?? 0)} too soon after ${nameOf(other, all)}`,
  }
  return words[kind]
}
