import { chakra } from '@chakra-ui/react'
import type { Violation } from '@plumb-mark/core'
import type { PictureProps } from '../../ui/drawings/props.js'
import { shape } from '../../ui/drawings/shape.js'

/** Passes over an order are bolts in a ring; steps with waits are marks on a line of time. */
export function OrderOrTimeline(props: PictureProps) {
  return props.input.order ? <Bolts {...props} /> : <Timeline {...props} />
}

/** The bolt pattern: bolts where their order puts them, the tightenings as they were recorded. */
function Bolts({ input, result }: PictureProps) {
  const order = input.order as string[]
  const recorded = input.recorded as string[]
  const wrong = (result.violations as Violation[]).find(({ kind }) => kind === 'out-of-order')?.index
  const names = [...order].sort((a, b) => a.localeCompare(b, undefined, { numeric: true }))
  const at = (name: string) => {
    const turn = (names.indexOf(name) / names.length) * 2 * Math.PI - Math.PI / 2
    return { x: 150 + 105 * Math.cos(turn), y: 150 + 105 * Math.sin(turn) }
  }
  const path = recorded
    .filter((name) => names.includes(name))
    .slice(0, order.length)
    .map((name) => `${at(name).x} ${at(name).y}`)
  return (
    <chakra.svg viewBox="0 0 300 300" w="280px" role="img" aria-label="Bolt pattern">
      <shape.rect
        x={18}
        y={18}
        width={264}
        height={264}
        rx={30}
        fill="panel"
        stroke="text"
        strokeWidth="2px"
      />
      {path.length > 1 && (
        <shape.path
          d={`M${path.join(' L')}`}
          fill="none"
          stroke="accent"
          strokeWidth="2px"
          strokeDasharray="5 5"
        />
      )}
      {names.map((name) => {
        const { x, y } = at(name)
        const done = recorded.filter((one) => one === name).length
        const bad = wrong !== undefined && recorded[wrong] === name
        return (
          <g key={name}>
            <shape.circle
              cx={x}
              cy={y}
              r={21}
              fill={bad ? 'dangerWash' : done >= input.passes ? 'accentWash' : 'paper'}
              stroke={bad ? 'danger' : 'text'}
              strokeWidth="2px"
            />
            <shape.text x={x} y={y + 2} textAnchor="middle" fontSize="14px" fontWeight={600} fill="text">
              {name}
            </shape.text>
            <shape.text x={x} y={y + 15} textAnchor="middle" fontSize="10px" fill="faint">
              {done}/{input.passes}
            </shape.text>
          </g>
        )
      })}
    </chakra.svg>
  )
}

/** Steps on a line of time, with the waits that must lie before them. */
function Timeline({ input, result }: PictureProps) {
  const recorded = input.recorded as { id: string; at: string }[]
  const steps = input.steps as { id: string; waitSeconds?: number; after?: string[] }[]
  const time = (at: string) => Date.parse(/(Z|[+-]\d\d:?\d\d)$/i.test(at) ? at : `${at}Z`)
  const times = recorded.map(({ at }) => time(at))
  const [low, high] = [Math.min(...times), Math.max(...times)]
  const x = (at: number) => 40 + ((at - low) / Math.max(1, high - low)) * 520
  const wrong = new Set((result.violations as Violation[]).map(({ id }) => id))
  return (
    <chakra.svg
      viewBox={`0 0 620 ${60 + 34 * steps.length}`}
      w="100%"
      maxW="700px"
      role="img"
      aria-label="Steps over time"
    >
      {steps.map(({ id, waitSeconds, after = [] }, i) => {
        const y = 34 + i * 34
        const found = recorded.find((one) => one.id === id)
        const before = recorded.filter((one) => after.includes(one.id)).map(({ at }) => time(at))
        const from = before.length > 0 ? Math.max(...before) : undefined
        const colour = wrong.has(id) ? 'danger' : 'accent'
        return (
          <g key={id}>
            <shape.line x1={40} x2={580} y1={y} y2={y} stroke="hair" />
            {waitSeconds !== undefined && from !== undefined && Number.isFinite(low) && (
              <shape.rect
                x={x(from)}
                y={y - 8}
                width={Math.max(2, Math.min(580 - x(from), x(from + waitSeconds * 1000) - x(from)))}
                height={16}
                fill="unprovenWash"
                stroke="unproven"
              />
            )}
            {found && <shape.circle cx={x(time(found.at))} cy={y} r={8} fill={colour} />}
            <shape.text
              x={
                found && x(time(found.at)) > 420
                  ? x(time(found.at)) - 14
                  : found
                    ? x(time(found.at)) + 14
                    : 44
              }
              y={y - 9}
              fontSize="13px"
              fill={wrong.has(id) ? 'danger' : 'text'}
              textAnchor={found && x(time(found.at)) > 420 ? 'end' : 'start'}
            >
              {id}
              {found ? '' : ': not recorded'}
            </shape.text>
          </g>
        )
      })}
    </chakra.svg>
  )
}
