import { Stack, chakra } from '@chakra-ui/react'
import { formatNumber } from '@plumb-mark/core'
import { Note } from '../../ui/theme/text.js'
import type { PictureProps } from '../../ui/drawings/props.js'
import { shape } from '../../ui/drawings/shape.js'

const PARTS = [
  ['grid', 'accent'],
  ['solar', 'unproven'],
  ['battery', 'faint'],
] as const

/** What flows in and out at each moment; the rest is the load. */
export function Balance({ input }: PictureProps) {
  const samples = input.samples as Record<'grid' | 'solar' | 'battery', number>[]
  const largest = Math.max(1, ...samples.flatMap((sample) => PARTS.map(([name]) => Math.abs(sample[name]))))
  return (
    <Stack gap="10px">
      {samples.map((sample, i) => (
        <div key={i}>
          <Note>
            moment {i + 1}: load {formatNumber(sample.grid + sample.solar + sample.battery, 0)} W
          </Note>
          <chakra.svg viewBox="0 0 600 74" w="100%" maxW="660px" role="img" aria-label={`Moment ${i + 1}`}>
            <shape.line x1={300} x2={300} y1={0} y2={74} stroke="text" strokeWidth="1.5px" />
            {PARTS.map(([name, colour], k) => {
              const width = (Math.abs(sample[name]) / largest) * 200
              return (
                <g key={name}>
                  <shape.rect
                    x={sample[name] < 0 ? 300 - width : 300}
                    y={4 + k * 24}
                    width={width}
                    height={17}
                    fill={colour}
                  />
                  <shape.text
                    x={sample[name] < 0 ? 306 : 294}
                    y={17 + k * 24}
                    fontSize="13px"
                    textAnchor={sample[name] < 0 ? 'start' : 'end'}
                    fill="text"
                  >
                    {name} {formatNumber(sample[name], 0)} W
                  </shape.text>
                </g>
              )
            })}
          </chakra.svg>
        </div>
      ))}
    </Stack>
  )
}
