import { Stack, Text, chakra } from '@chakra-ui/react'
import { formatNumber, phaseCurrents, type CtPhasingInput, type Phasor, type Wiring } from '@plumb-mark/core'
import type { PictureProps } from './props.js'
import { Lead } from '../theme/text.js'
import { Cluster } from '../cluster.js'
import { shape } from './shape.js'

const SIZE = 270
const COLOURS = ['accent', 'danger', 'unproven'] as const

/** Voltage and current of each phase: as they should be, and as these readings say that they are. Angles run against the clock. */
export function Phasors({ input, result }: PictureProps) {
  const { voltages, truth } = input as CtPhasingInput
  const { flowing, seen } = phaseCurrents({ voltages, truth }, result.best as Wiring)
  return (
    <Stack>
      <Cluster>
        <Diagram title="as they should be" voltages={voltages} currents={flowing} />
        <Diagram
          title={result.status === 'unexplained' ? 'nearest wiring' : 'as they are wired'}
          voltages={voltages}
          currents={seen}
        />
      </Cluster>
      {(result.fix as string[]).map((line) => (
        <Text key={line} fontSize="20px" fontWeight={600} lineHeight={1.25}>
          {line}
        </Text>
      ))}
      {result.fix.length === 0 && <Lead>Every transformer sits on its own phase, the right way round.</Lead>}
    </Stack>
  )
}

function Diagram({ title, voltages, currents }: { title: string; voltages: Phasor[]; currents: Phasor[] }) {
  const largest = Math.max(...currents.map(({ magnitude }) => magnitude), 1e-9)
  const volt = Math.max(...voltages.map(({ magnitude }) => magnitude))
  return (
    <chakra.figure m="0">
      <chakra.svg
        viewBox={`${-SIZE / 2} ${-SIZE / 2} ${SIZE} ${SIZE}`}
        w={{ base: '160px', md: '240px' }}
        role="img"
        aria-label={`Phasors ${title}`}
      >
        <shape.circle r={SIZE / 2 - 6} fill="none" stroke="hair" />
        {voltages.map(({ magnitude, angle }, k) => (
          <Arrow
            key={`v${k}`}
            angle={angle}
            length={(magnitude / volt) * (SIZE / 2 - 30)}
            colour={COLOURS[k]!}
            label={`U${k + 1}`}
            thin
          />
        ))}
        {currents.map(({ magnitude, angle }, k) => (
          <Arrow
            key={`i${k}`}
            angle={angle}
            length={24 + (magnitude / largest) * (SIZE / 2 - 78)}
            colour={COLOURS[k]!}
            label={`I${k + 1} ${formatNumber(magnitude, 1)} A`}
          />
        ))}
      </chakra.svg>
      <chakra.figcaption fontSize="14px" color="faint" textAlign="center">
        {title}
      </chakra.figcaption>
    </chakra.figure>
  )
}

function Arrow({
  angle,
  length,
  colour,
  label,
  thin = false,
}: {
  angle: number
  length: number
  colour: string
  label: string
  thin?: boolean
}) {
  const turn = (angle * Math.PI) / 180
  const at = (by: number, swing = 0) => [by * Math.cos(turn + swing), -by * Math.sin(turn + swing)] as const
  const [x, y] = at(length)
  const head = (by: number) => `${x - 11 * Math.cos(turn + by)} ${y + 11 * Math.sin(turn + by)}`
  // Voltages are named outside of their tips, currents beside their arrow: neither is cut, and neither lies on the other.
  const along = Math.max(44, length * 0.62)
  const [lx, ly] = thin ? at(length + 13) : at(along, -22 / along)
  return (
    <shape.g stroke={colour} fill="none" opacity={thin ? 0.65 : 1}>
      <shape.path
        d={`M0 0 L${x} ${y} M${head(0.4)} L${x} ${y} L${head(-0.4)}`}
        strokeWidth={thin ? '1.5px' : '4px'}
        strokeDasharray={thin ? '5 4' : undefined}
      />
      <shape.text
        x={lx}
        y={ly + 4}
        fontSize="13px"
        stroke="none"
        fill={colour}
        textAnchor={thin ? 'middle' : Math.abs(lx) < 30 ? 'middle' : lx < 0 ? 'end' : 'start'}
      >
        {label}
      </shape.text>
    </shape.g>
  )
}
