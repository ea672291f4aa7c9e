import { PROPOSED_WORDS, type Proposed, type ProposedArea } from '../as-built/proposal.js'
import { joinAnd } from '../quantity/phrases.js'
import { kindOf } from '../requirements/kinds.js'
import type { Reads } from '../requirements/kind.js'
import type { JudgementContext } from '../requirements/judgement-context.js'
import type { Check } from './check.js'

const AREAS = {
  walls: 'walls',
  array: 'array',
  earthing: 'earthing',
  network: 'network',
} as const satisfies Partial<Record<Reads, ProposedArea>>
const MOST_NAMED = 3

/** Why what a check reads proves nothing yet, and whether its own thing is among it. */
export interface Unconfirmed {
  wanting: string
  /** Then not even a failure is proven: nobody has seen the thing that fails. */
  own: boolean
}

/**
 * What a check looks at that a copy, a template or a drawing put there and nobody has seen on site. What is asked because something is not
 * entered, and the walls, which know it figure by figure, are judged without it.
 */
export function unconfirmed(
  { requirement, subject }: Check,
  context: JudgementContext,
): Unconfirmed | undefined {
  if (requirement.kind === 'presence') return undefined
  const areas = kindOf(requirement)
    .reads(requirement)
    .flatMap((what) => (what in AREAS && what !== 'walls' ? [what as Exclude<ProposedArea, 'walls'>] : []))
  const open = areas.flatMap((area) => context.proposals().get(area) ?? [])
  if (open.length === 0) return undefined
  const own = open.find(({ id }) => id === subject.id)
  return {
    wanting: `confirm on site what is only proposed: ${named(own ? [own] : open)}`,
    own: own !== undefined,
  }
}

function named(open: readonly Proposed[]): string {
  const names = open.slice(0, MOST_NAMED).map(({ kind, label }) => `${PROPOSED_WORDS[kind]} ${label}`)
  const more = open.length - names.length
  return more > 0 ? `${names.join(', ')} and ${more} more` : joinAnd(names)
}
