import { Box } from '@chakra-ui/react'
import { besides } from '@plumb-mark/practice'
import { SmallPrint } from '../../ui/theme/text.js'
import type { HoldProps } from './props.js'
import { Tile } from './tile.js'
import { Cluster } from '../../ui/cluster.js'
import { shape } from '../../ui/drawings/shape.js'

/** The screws of the unit that are alike, each with its mark: the driver goes on the one that is touched. */
export function Screws({ check, scenario, hold, onHold }: HoldProps) {
  const screws = besides(scenario, check)
  return (
    <Box mt="10px">
      <SmallPrint>Touch the screw on which the driver goes.</SmallPrint>
      <Cluster role="group" aria-label="Screws" gap="6px" mt="6px">
        {screws.map(({ point, subject, unit }) => (
          <Tile
            key={point}
            label={`Driver on ${subject.label}`}
            name={subject.label || unit.label}
            chosen={hold.screw === point}
            onTouch={() => onHold({ ...hold, screw: point })}
          >
            <Screw driven={hold.screw === point} />
          </Tile>
        ))}
      </Cluster>
    </Box>
  )
}

function Screw({ driven }: { driven: boolean }) {
  return (
    <>
      <shape.circle
        r="24"
        fill="panel"
        stroke={driven ? 'accent' : 'text'}
        strokeWidth={driven ? '5px' : '2.5px'}
      />
      <g transform={`rotate(${driven ? 45 : 15})`}>
        <shape.path d="M-14 0h28M0 -14v28" stroke="text" strokeWidth="5px" />
      </g>
      {driven && (
        <shape.path
          d="M-33 -14a36 36 0 0 1 54 -15m-2 -10l4 11 -11 5"
          stroke="accent"
          strokeWidth="4px"
          fill="none"
          strokeLinecap="round"
        />
      )}
    </>
  )
}
