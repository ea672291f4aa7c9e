import type { Fact } from '../finders/spot.js'
import { clauseOf, figure, idOf, placeOf, type Data } from './proposed.js'

const SIDE: Record<string, string> = { left: 'left', right: 'right', above: 'top', below: 'bottom' }
const sideOf = ({ subject }: Fact) => SIDE[subject.replace(/^[a-z]+, /, '')]

/** Free space to all sides is one requirement, with neighbours and openings. A side that nobody accepted is left out: the sheet asks for it. */
export function clearanceOf(facts: readonly Fact[]): { requirement: Data; of: Fact[] } | undefined {
  const sides = facts.filter((fact) => sideOf(fact))
  if (sides.length === 0) return undefined
  const clear: Record<string, string> = {}
  for (const side of ['left', 'right', 'top', 'bottom']) {
    const demands = sides.filter((fact) => sideOf(fact) === side).flatMap(leastOf)
    if (demands.length > 0) clear[side] = figure(Math.max(...demands), 'mm')
  }
  const neighbour = facts.find(({ subject }) => /between units/.test(subject))
  const openings = facts.filter(({ subject }) => /^from an opening/.test(subject))
  const first = sides[0]!
  return {
    of: [...sides, ...(neighbour ? [neighbour] : []), ...openings],
    requirement: {
      kind: 'clearance',
      stage: 'place-and-mount',
      clause: clauseOf(first),
      title: 'Free space',
      severity: 'major',
      clear,
      ...(neighbour && { neighbour: { rule: 'stated', ...distanceOf(neighbour) } }),
      ...(openings.length > 0 && {
        keepOut: openings.map((fact) => ({
          from: fact.subject.replace(/^from an opening,? ?/, '') || 'opening',
          ...distanceOf(fact),
        })),
      }),
      remedy: 'Move the unit, or what stands too near, until the gap is at least the figure.',
      printed: placeOf(first),
    },
  }
}

const leastOf = ({ min, value, max }: Fact): number[] =>
  [min ?? value ?? max].filter((one) => one !== undefined)

/** Nothing where the fact has no figure: the sheet asks for it. */
const distanceOf = (fact: Fact) => {
  const [least] = leastOf(fact)
  return least === undefined ? {} : { distance: figure(least, 'mm') }
}

/** The steps of putting into service, in their order. */
export function stepsOf(facts: readonly Fact[]): Data | undefined {
  // Of two that bear one number the first counts.
  const ordered = facts.filter(({ subject }, i) => facts.findIndex((one) => one.subject === subject) === i)
  const first = ordered[0]
  if (!first) return undefined
  return {
    kind: 'ordered-steps',
    stage: 'power-up',
    clause: clauseOf(first),
    title: 'Order of powering up',
    severity: 'stop',
    direction: 'up',
    steps: ordered.map(({ subject, text }, i) => ({
      id: `step-${subject}`,
      label: text.slice(0, 160) || `step ${subject}`,
      ...(i > 0 && { after: [`step-${ordered[i - 1]!.subject}`] }),
    })),
    remedy: 'Switch off in the reverse order, wait, and begin again from the first step.',
    printed: placeOf(first),
  }
}

export function settingsOf(facts: readonly Fact[]): Data | undefined {
  const first = facts[0]
  if (!first) return undefined
  const taken = new Set<string>()
  return {
    kind: 'settings',
    stage: 'commission',
    clause: clauseOf(first),
    title: 'Settings',
    severity: 'major',
    settings: facts.map(({ subject, min, max, value, unit }) => ({
      id: idOf(subject, taken),
      label: subject || 'setting',
      ...(unit !== '' && { unit }),
      rule:
        value !== undefined
          ? { equals: value }
          : { ...(min !== undefined && { min }), ...(max !== undefined && { max }) },
    })),
    remedy: 'Set it within what the maker allows, and read it back.',
    printed: placeOf(first),
  }
}

/** Whether a pattern is a good one nobody has said yet: it is left out, and the sheet asks for it. */
export function indicatorOf(facts: readonly Fact[]): Data | undefined {
  const first = facts[0]
  if (!first) return undefined
  const taken = new Set<string>()
  return {
    kind: 'indicator',
    stage: 'power-up',
    clause: clauseOf(first),
    title: 'What the lamps say',
    severity: 'major',
    question: 'Which of these does the unit show?',
    patterns: facts.map(({ subject, text }) => {
      const [colour, ...rhythm] = subject.split(/,\s*/)
      return {
        id: idOf(subject, taken),
        colour: colour || 'lamp',
        rhythm: rhythm.join(', ') || 'steady',
        means: text || 'see the manual',
      }
    }),
    remedy: 'Do as the manual says for what is shown, and look again.',
    printed: placeOf(first),
  }
}

export function alarmsOf(facts: readonly Fact[]): Data | undefined {
  const first = facts.find(({ subject }) => subject !== '')
  if (!first) return undefined
  return {
    kind: 'alarm-codes',
    stage: 'commission',
    clause: clauseOf(first),
    title: 'Codes in the display',
    severity: 'major',
    codes: facts
      .filter(({ subject }, i) => subject !== '' && facts.findIndex((one) => one.subject === subject) === i)
      .map(({ subject, text }) => ({
        id: subject,
        means: text || 'see the manual',
        next: 'see the manual',
      })),
    remedy: 'Remove the cause, clear the code, and look whether it comes back.',
    printed: placeOf(first),
  }
}
