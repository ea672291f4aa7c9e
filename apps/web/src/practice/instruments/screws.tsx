import { Box, chakra } from '@chakra-ui/react'
import { besides } from '@plumb-mark/practice'
import { SmallPrint } from '../../look/text.js'
import { TouchMark } from '../../marks/touch-mark.js'
import type { HoldProps } from './props.js'

const STEP = 78

/** The screws of the unit that are alike, each with its mark: the driver goes on the one that is touched. */
export function Screws({ check, scenario, hold, onHold }: HoldProps) {
  const screws = besides(scenario, check)
  return (
    <Box mt="10px">
      <SmallPrint>Touch the screw on which the driver goes.</SmallPrint>
      <chakra.svg
        viewBox={`0 0 ${screws.length * STEP + 16} 112`}
        w="100%"
        maxW={`${screws.length * 96 + 16}px`}
        mt="6px"
        role="group"
        aria-label="Screws"
        fontFamily="body"
      >
        <chakra.rect
          x="4"
          y="4"
          width={screws.length * STEP + 8}
          height="104"
          rx="6"
          fill="sunk"
          stroke="hair"
        />
        {screws.map(({ point, subject }, i) => (
          <TouchMark
            key={point}
            label={`Driver on ${subject.label}`}
            chosen={hold.screw === point}
            onTouch={() => onHold({ ...hold, screw: point })}
          >
            <Screw
              at={8 + i * STEP + STEP / 2}
              label={subject.label || check.unit.label}
              driven={hold.screw === point}
            />
          </TouchMark>
        ))}
      </chakra.svg>
    </Box>
  )
}

function Screw({ at, label, driven }: { at: number; label: string; driven: boolean }) {
  return (
    <g transform={`translate(${at} 44)`}>
      <chakra.rect x="-35" y="-36" width="70" height="96" fill="transparent" />
      <chakra.circle
        r="24"
        fill="panel"
        stroke={driven ? 'accent' : 'text'}
        strokeWidth={driven ? '5px' : '2.5px'}
      />
      <g transform={`rotate(${driven ? 45 : 15})`}>
        <chakra.path d="M-14 0h28M0 -14v28" stroke="text" strokeWidth="5px" />
      </g>
      {driven && (
        <chakra.path
          d="M-33 -14a36 36 0 0 1 54 -15m-2 -10l4 11 -11 5"
          stroke="accent"
          strokeWidth="4px"
          fill="none"
          strokeLinecap="round"
        />
      )}
      <chakra.text y="52" fontSize="14px" fontWeight={600} textAnchor="middle" fill="text">
        {label}
      </chakra.text>
    </g>
  )
}
