import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import type { JudgedCheck } from '@plumb-mark/core'
import { besides, type Probe } from '@plumb-mark/practice'
import { SmallPrint } from '../../ui/theme/text.js'
import { Choose } from '../../ui/choose.js'
import type { HoldProps } from './props.js'
import { Tile } from './tile.js'
import { Cluster } from '../../ui/cluster.js'
import { shape } from '../../ui/drawings/shape.js'

const PROBES = { red: ['Red probe', 'R'], black: ['Black probe', 'B'] } as const
type Colour = keyof typeof PROBES

/** The unplugged ends of every string of the unit, and earth: the probe in hand goes where one touches. */
export function Probes({ check, scenario, hold, onHold }: HoldProps) {
  const [inHand, take] = useState<Colour>('red')
  const ends = endsOf(besides(scenario, check))
  const put = (probe: Probe) => {
    onHold({ ...hold, [inHand]: probe })
    take(inHand === 'red' ? 'black' : 'red')
  }
  return (
    <Box mt="10px">
      <Cluster>
        <Choose
          label="Probe in hand"
          value={inHand}
          options={[
            ['red', PROBES.red[0]],
            ['black', PROBES.black[0]],
          ]}
          onChoose={(next) => take(next as Colour)}
        />
        <SmallPrint>Touch where it goes.</SmallPrint>
      </Cluster>
      <Cluster role="group" aria-label="Ends of the strings" gap="6px" mt="8px">
        {ends.map(({ probe, name, sign }) => (
          <Tile key={name} label={`${PROBES[inHand][0]} on ${name}`} name={name} onTouch={() => put(probe)}>
            {probe.end === 'earth' ? <Earth /> : <Plug sign={sign} />}
            {(['red', 'black'] as const).map((colour) => (
              <Tip key={colour} colour={colour} shown={isAt(hold[colour], probe)} />
            ))}
          </Tile>
        ))}
      </Cluster>
    </Box>
  )
}

const endsOf = (checks: readonly JudgedCheck['check'][]): { probe: Probe; name: string; sign: string }[] => [
  ...checks.flatMap(({ point, subject }) =>
    (['plus', 'minus'] as const).map((end) => {
      const sign = end === 'plus' ? '+' : '−'
      return { probe: { at: point, end }, name: `${subject.label} ${sign}`, sign }
    }),
  ),
  { probe: { end: 'earth' }, name: 'earth', sign: '' },
]

const isAt = (put: Probe | undefined, probe: Probe): boolean =>
  put !== undefined &&
  put.end === probe.end &&
  ('at' in put ? put.at : '') === ('at' in probe ? probe.at : '')

/** A connector at the end of its cable, its contact open upwards. */
function Plug({ sign }: { sign: string }) {
  return (
    <>
      <shape.path d="M0 26v24" stroke="text" strokeWidth="7px" fill="none" />
      <shape.path
        d="M-15 -20h30v34l-6 12h-18l-6 -12z"
        fill="panel"
        stroke="text"
        strokeWidth="2.5px"
        strokeLinejoin="round"
      />
      <shape.path d="M-6 -20v-8h12v8" fill="none" stroke="text" strokeWidth="2.5px" />
      <shape.text y="8" fontSize="22px" fontWeight={700} textAnchor="middle" fill="text">
        {sign}
      </shape.text>
    </>
  )
}

function Earth() {
  return (
    <shape.path
      d="M0 -28v34M-22 6h44M-14 16h28M-6 26h12"
      stroke="text"
      strokeWidth="4px"
      fill="none"
      strokeLinecap="round"
    />
  )
}

/** Told apart by its letter and its side, not by its colour alone. */
function Tip({ colour, shown }: { colour: Colour; shown: boolean }) {
  if (!shown) return null
  const side = colour === 'red' ? -1 : 1
  const tint = colour === 'red' ? 'danger' : 'text'
  return (
    <g>
      <shape.path
        d={`M${side * 4} -26 L${side * 24} -50`}
        stroke={tint}
        strokeWidth="6px"
        strokeLinecap="round"
      />
      <shape.circle cx={side * 27} cy={-48} r="11" fill={tint} />
      <shape.text x={side * 27} y={-43.5} fontSize="12.5px" fontWeight={700} textAnchor="middle" fill="paper">
        {PROBES[colour][1]}
      </shape.text>
    </g>
  )
}
