import {
  formatNumber,
  formatQuantity,
  mayCarry,
  unjudgedCables,
  worst,
  RESIDUAL_KINDS,
  unitsOf,
  type Dimension,
  type Inspection,
} from '@plumb-mark/core'
import { figure, quiet, type Block } from '../block.js'

/** The AC side: what every cable carries and may carry, and the protection of every part. */
export function cableTests({ context, checks, state }: Inspection): Block[] {
  const school = state.header?.school ?? 'iec'
  const { size: gauge, cable: run } = unitsOf(state.header)
  const verdictOf = (id: string, what: 'conductor' | 'part') =>
    worst(checks.flatMap(({ check, outcome }) => (check.subject[what]?.id === id ? [outcome.verdict] : [])))
  const loads = context.loads()
  const unasked = new Map(
    unjudgedCables({ checks, context }).map(({ conductor, verdict }) => [conductor.id, CABLE_WORDS[verdict]]),
  )
  const parts = context.asBuilt.network.parts.filter(
    ({ rating, residual, surge }) =>
      rating !== undefined || surge || (residual && residual !== RESIDUAL_KINDS[0]),
  )
  const cables: Block[] =
    loads.length === 0
      ? []
      : [
          { kind: 'heading', text: 'Cables' },
          {
            kind: 'table',
            columns: [
              { head: 'cable', share: 2.4 },
              { head: 'size' },
              { head: 'length' },
              { head: 'carries' },
              { head: 'may carry' },
              { head: 'protected by' },
              { head: 'verdict', share: 1.5 },
            ],
            rows: loads.map((load) => {
              const { conductor, sources, carries, protectiveDevice } = load
              const may = mayCarry(load, { school })
              return [
                `${context.labelOf(conductor.from)} to ${context.labelOf(conductor.to)}`,
                known(conductor.size, 'conductor-size', gauge),
                known(conductor.length, 'cable-length', run),
                sources.length === 0 ? quiet('not fed') : figure(`${formatNumber(carries, 1)} A`),
                may === undefined ? quiet('–') : figure(`${formatNumber(may, 0)} A`),
                protectiveDevice === undefined
                  ? quiet('–')
                  : figure(`${formatNumber(protectiveDevice, 0)} A`),
                unasked.has(conductor.id)
                  ? `${String(unasked.get(conductor.id))}; no sheet asks`
                  : { verdict: verdictOf(conductor.id, 'conductor') },
              ]
            }),
          },
        ]
  const protection: Block[] =
    parts.length === 0
      ? []
      : [
          { kind: 'heading', text: 'Protection' },
          {
            kind: 'table',
            columns: [
              { head: 'part', share: 2 },
              { head: 'rating' },
              { head: 'residual current' },
              { head: 'surge' },
              { head: 'label of two supplies' },
              { head: 'verdict', share: 1.4 },
            ],
            rows: parts.map(({ id, label, rating, residual, surge, labelled }) => [
              label,
              rating === undefined ? quiet('–') : figure(`${formatNumber(rating, 0)} A`),
              residual === undefined ? quiet('–') : residual === 'none' ? 'none' : figure(`type ${residual}`),
              surge === undefined ? quiet('–') : surge ? 'fitted' : 'none',
              labelled === undefined ? quiet('–') : labelled ? 'there' : 'missing',
              { verdict: verdictOf(id, 'part') },
            ]),
          },
        ]
  return [...cables, ...protection]
}

const known = (value: number | undefined, dimension: Dimension, unit: string) =>
  value === undefined ? quiet('not read') : figure(formatQuantity(value, dimension, { unit }))

/** What the tables say of a cable that no sheet speaks of. */
const CABLE_WORDS = {
  conforms: 'carries it',
  'does-not-conform': 'carries too much',
  'not-proven': 'not proven',
} as const
