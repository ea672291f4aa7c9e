import { chakra } from '@chakra-ui/react'
import { type Verdict } from '@plumb-mark/core'
import { verdictColour } from '../../ui/verdict-mark.js'
import { shown } from '../shown.js'
import type { PictureProps } from '../../ui/drawings/props.js'
import { shape } from '../../ui/drawings/shape.js'

interface Gauge {
  value: number
  spread?: number
  min?: number | undefined
  max?: number | undefined
  unit: string
  over?: boolean
}

/** How each of these calculators looks as one value on one scale. */
const GAUGES = {
  decision: ({ input }) => ({
    value: input.value,
    spread: input.uncertainty,
    min: input.min,
    max: input.max,
    unit: '',
    over: input.relation === '>',
  }),
  'driver-torque': ({ input }) => ({
    value: input.set ?? 0,
    spread: ((input.set ?? 0) * input.driver.tolerancePercent) / 100,
    min: input.required.min,
    max: input.required.max,
    unit: 'N·m',
  }),
  insulation: ({ input, result }) => ({
    value: input.measured.value,
    spread: input.measured.uncertainty,
    min: result.minimum,
    unit: 'MΩ',
    over: input.measured.relation === '>',
  }),
  'safe-voltage': ({ input, result }) => ({
    value: input.measured.value,
    spread: input.measured.uncertainty,
    min: result.expected - input.count * input.perUnitTolerance,
    max: result.expected + input.count * input.perUnitTolerance,
    unit: 'V',
  }),
  'string-cold-limit': ({ input, result }) => ({ value: result.maxVoc, max: input.inverterMax, unit: 'V' }),
  'protective-earth': ({ input, result }) => ({ value: input.fitted, min: result.required, unit: 'mm²' }),
  fixings: ({ result }) => ({ value: result.utilisation, max: 1, unit: 'of what is allowed' }),
  'expected-power': ({ input, result }) => ({
    value: input.measured.power,
    spread: result.uncertainty,
    min: result.least,
    unit: 'W',
  }),
  reserve: ({ input, result }) => ({ value: result.usableKwh, max: input.capacityKwh, unit: 'kWh' }),
} satisfies Record<string, (props: PictureProps) => Gauge>

const W = 560
const PAD = 30

/** A value with its uncertainty on a scale, what is allowed shown as the band. */
export function GaugePicture(of: keyof typeof GAUGES) {
  return function Picture(props: PictureProps) {
    const { value, spread = 0, min, max, unit, over } = (GAUGES[of] as (props: PictureProps) => Gauge)(props)
    const verdict = (props.result.verdict ?? 'conforms') as Verdict
    const ends = [value - spread, value + spread, min, max].filter((end): end is number => end !== undefined)
    const [low, high] = [Math.min(...ends), Math.max(...ends)]
    const room = Math.max((high - low) * 0.35, Math.abs(high) * 0.05, 1e-6)
    const x = (at: number) => PAD + ((at - low + room) / (high - low + 2 * room)) * (W - 2 * PAD)
    const colour = verdictColour(verdict)
    const bandFrom = min === undefined ? PAD : x(min)
    const bandTo = max === undefined ? W - PAD : x(max)
    return (
      <chakra.svg
        viewBox={`0 0 ${W} 120`}
        w="100%"
        maxW="640px"
        role="img"
        aria-label={`${shown(value)} ${unit}`}
      >
        <shape.rect
          x={bandFrom}
          y={46}
          width={Math.max(0, bandTo - bandFrom)}
          height={28}
          fill="accentWash"
        />
        {[min, max].map(
          (limit, i) =>
            limit !== undefined && <Limit key={i} x={x(limit)} text={shown(limit)} right={i === 1} />,
        )}
        <shape.line x1={PAD} x2={W - PAD} y1={60} y2={60} stroke="faint" />
        {spread > 0 && (
          <shape.line
            x1={x(value - spread)}
            x2={x(value + spread)}
            y1={60}
            y2={60}
            stroke={colour}
            strokeWidth="8px"
          />
        )}
        <shape.line x1={x(value)} x2={x(value)} y1={36} y2={84} stroke={colour} strokeWidth="4px" />
        {over && (
          <shape.path
            d={`M${x(value)} 60 H${W - PAD} m-9 -7 l9 7 l-9 7`}
            stroke={colour}
            strokeWidth="2.5px"
            fill="none"
            strokeDasharray="6 5"
          />
        )}
        <shape.text
          x={x(value)}
          y={28}
          textAnchor="middle"
          fontSize="17px"
          mono
          fontWeight={500}
          fill={colour}
        >
          {over ? '> ' : ''}
          {shown(value)} {unit}
        </shape.text>
      </chakra.svg>
    )
  }
}

function Limit({ x, text, right }: { x: number; text: string; right: boolean }) {
  return (
    <>
      <shape.line x1={x} x2={x} y1={40} y2={92} stroke="text" strokeWidth="2px" />
      <shape.text x={x} y={110} textAnchor={right ? 'start' : 'end'} fontSize="13px" mono fill="text">
        {right ? 'at most ' : 'at least '}
        {text}
      </shape.text>
    </>
  )
}
