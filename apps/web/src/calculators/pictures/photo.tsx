import { chakra } from '@chakra-ui/react'
import { formatNumber, type PhotoMeasureResult } from '@plumb-mark/core'
import type { PictureProps } from '../../ui/drawings/props.js'
import { shape } from '../../ui/drawings/shape.js'

interface Pixel {
  px: number
  py: number
}

/** The clicks as they lie in the photo: the known points with their places, the lengths with what they came to. */
export function RectifiedPhoto({ input, result }: PictureProps) {
  const points = input.points as (Pixel & { x: number; y: number })[]
  const lengths = input.measure as { id: string; from: Pixel; to: Pixel }[]
  const all = [...points, ...lengths.flatMap(({ from, to }) => [from, to])]
  const [left, right] = [Math.min(...all.map(({ px }) => px)), Math.max(...all.map(({ px }) => px))]
  const [top, bottom] = [Math.min(...all.map(({ py }) => py)), Math.max(...all.map(({ py }) => py))]
  const scale = Math.min(460 / Math.max(1, right - left), 300 / Math.max(1, bottom - top))
  const x = ({ px }: Pixel) => 60 + (px - left) * scale
  const y = ({ py }: Pixel) => 40 + (py - top) * scale
  return (
    <chakra.svg
      viewBox={`0 0 600 ${80 + (bottom - top) * scale}`}
      w="100%"
      maxW="680px"
      role="img"
      aria-label="Known points and lengths as they lie in the photo"
    >
      {points.map((point, i) => (
        <g key={i}>
          <shape.path
            d={`M${x(point) - 9} ${y(point)} h18 M${x(point)} ${y(point) - 9} v18`}
            stroke="text"
            strokeWidth="2px"
          />
          <shape.text
            x={x(point)}
            y={y(point) + (y(point) > 180 ? 28 : -16)}
            textAnchor="middle"
            fontSize="13px"
            mono
            fill="faint"
          >
            {formatNumber(point.x, 0)}, {formatNumber(point.y, 0)} mm
          </shape.text>
        </g>
      ))}
      {lengths.map((length, i) => {
        const { distance, uncertainty } = (result as PhotoMeasureResult).distances[i]!
        return (
          <g key={length.id}>
            <shape.line
              x1={x(length.from)}
              y1={y(length.from)}
              x2={x(length.to)}
              y2={y(length.to)}
              stroke="accent"
              strokeWidth="3px"
            />
            <shape.text
              x={(x(length.from) + x(length.to)) / 2}
              y={(y(length.from) + y(length.to)) / 2 - 10}
              textAnchor="middle"
              fontSize="16px"
              mono
              fill="accent"
            >
              {length.id}: {formatNumber(distance, 1)} ± {formatNumber(uncertainty, 1)} mm
            </shape.text>
          </g>
        )
      })}
    </chakra.svg>
  )
}
