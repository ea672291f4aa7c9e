import { list, oneOf, optional } from '../shape/shape.js'
import type { Proposal } from '../shape/proposed-field.js'
import type { AsBuilt } from './as-built.js'

export const DRAWN_FIGURES = ['x', 'y', 'w', 'h'] as const
export type DrawnFigure = (typeof DRAWN_FIGURES)[number]

/** Of what stands on a wall: the figures that were drawn, dragged, copied or put by default, and not measured. */
export const drawnField = optional(
  list(oneOf(DRAWN_FIGURES), { mayBeEmpty: true, about: 'figures that nobody has measured yet' }),
)

/** What is left to be measured once some figures were; undefined when nothing is. */
export function drawnWithout(
  drawn: readonly DrawnFigure[] | undefined,
  ...measured: readonly DrawnFigure[]
): DrawnFigure[] | undefined {
  const left = drawn?.filter((one) => !measured.includes(one))
  return left && left.length > 0 ? left : undefined
}

export const PROPOSED_KINDS = [
  'place',
  'obstruction',
  'plane',
  'device',
  'branch',
  'string',
  'earth-part',
  'bond',
  'part',
  'conductor',
] as const
export type ProposedKind = (typeof PROPOSED_KINDS)[number]

/** The part of a job that a thing belongs to, as judgements name what they read. */
export type ProposedArea = 'walls' | 'array' | 'earthing' | 'network'

/** One thing that a copy, a template, a default or a drawing put there, and nobody has seen. */
export interface Proposed {
  kind: ProposedKind
  id: string
  label: string
  area: ProposedArea
}

const AREA_OF = {
  place: 'walls',
  obstruction: 'walls',
  plane: 'array',
  device: 'array',
  branch: 'array',
  string: 'array',
  'earth-part': 'earthing',
  bond: 'earthing',
  part: 'network',
  conductor: 'network',
} satisfies Record<ProposedKind, ProposedArea>

/** What each is called where it stands in a list. */
export const PROPOSED_WORDS = {
  place: 'place of',
  obstruction: 'obstruction',
  plane: 'plane',
  device: 'device at',
  branch: 'branch',
  string: 'string',
  'earth-part': 'part to be bonded',
  bond: 'bond',
  part: 'part of the one-line',
  conductor: 'cable',
} satisfies Record<ProposedKind, string>

interface Thing {
  id: string
  label?: string
  at?: string
  proposed?: Proposal | undefined
  drawn?: readonly DrawnFigure[] | undefined
}

const isProposal = ({ proposed, drawn = [] }: Thing): boolean => proposed !== undefined || drawn.length > 0

/** Everything that is proposed and not confirmed, in the order of the walk. */
export function proposalsIn({ units, walls, array, strings, earth, network }: AsBuilt): Proposed[] {
  const labels = new Map([...earth.parts, ...network.parts].map(({ id, label }) => [id as string, label]))
  const tied = ({ from, to }: { from: string; to: string }) =>
    `${labels.get(from) ?? from} to ${labels.get(to) ?? to}`
  const of = (kind: ProposedKind, all: readonly Thing[], label: (one: never) => string): Proposed[] =>
    all
      .filter(isProposal)
      .map((one) => ({ kind, id: one.id, label: label(one as never), area: AREA_OF[kind] }))
  const labelled = ({ label }: { label: string }) => label
  return [
    ...of(
      'place',
      units.flatMap(({ id, label, place }) => (place ? [{ id, label, drawn: place.drawn }] : [])),
      labelled,
    ),
    ...of(
      'obstruction',
      walls.flatMap(({ obstructions }) => obstructions),
      labelled,
    ),
    ...of('plane', array.planes, labelled),
    ...of('device', array.devices, ({ at }: { at: string }) => at),
    ...of('branch', array.branches, labelled),
    ...of('string', strings, labelled),
    ...of('earth-part', earth.parts, labelled),
    ...of('bond', earth.bonds, tied),
    ...of('part', network.parts, labelled),
    ...of('conductor', network.conductors, tied),
  ]
}
