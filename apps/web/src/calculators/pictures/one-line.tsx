import { Box, Text, chakra } from '@chakra-ui/react'
import { formatNumber, type ConductorCheck, type Verdict } from '@plumb-mark/core'
import { VerdictMark, verdictColour } from '../../ui/verdict-mark.js'
import type { PictureProps } from '../../ui/drawings/props.js'
import { shape } from '../../ui/drawings/shape.js'

const CHECK_WORDS: Record<ConductorCheck['id'], string> = {
  'device-carries-design': 'the device carries the design current',
  'cable-carries-device': 'the cable carries what the device lets through',
  'cable-carries-design': 'the cable carries the design current',
  termination: 'the terminal carries it without overheating',
  corrected: 'the corrected ampacity is enough',
  drop: 'the voltage drop is small enough',
  terminal: 'the size fits the terminal',
}

/** Everything that feeds the conductor, summed where it meets, and what each part can carry. */
export function OneLine({ input, result }: PictureProps) {
  const sources = input.sources as { name: string; amps: number }[]
  const rows = Math.max(sources.length, 2)
  const middle = (rows * 54) / 2 + 6
  const colour = verdictColour(result.verdict as Verdict)
  return (
    <Box>
      <chakra.svg
        viewBox={`0 0 620 ${rows * 54 + 30}`}
        w="100%"
        maxW="700px"
        role="img"
        aria-label="One-line diagram"
      >
        {sources.map(({ name, amps }, i) => {
          const y = 30 + i * 54 + (rows - sources.length) * 27
          return (
            <g key={i}>
              <shape.rect
                x={6}
                y={y - 20}
                width={140}
                height={40}
                rx={4}
                fill="panel"
                stroke="text"
                strokeWidth="2px"
              />
              <shape.text x={14} y={y - 3} fontSize="14px" fontWeight={600} fill="text">
                {name}
              </shape.text>
              <shape.text x={14} y={y + 14} fontSize="13px" mono fill="faint">
                {formatNumber(amps, 1)} A
              </shape.text>
              <shape.path d={`M146 ${y} H186 L226 ${middle}`} stroke="text" strokeWidth="2px" fill="none" />
            </g>
          )
        })}
        <shape.circle cx={226} cy={middle} r={6} fill="text" />
        <shape.path d={`M226 ${middle} H560`} stroke={colour} strokeWidth="7px" />
        <shape.text x={240} y={middle - 14} fontSize="17px" mono fontWeight={500} fill={colour}>
          Ib {formatNumber(result.designCurrent, 1)} A
        </shape.text>
        <shape.text x={240} y={middle + 26} fontSize="13px" fill="text">
          {input.size} {input.school === 'iec' ? 'mm²' : 'AWG'}, carries {formatNumber(result.ampacity, 1)} A,
          drop {formatNumber(result.dropPercent, 2)} %
        </shape.text>
        {input.protectiveDevice !== undefined && (
          <g>
            <shape.rect
              x={420}
              y={middle - 13}
              width={26}
              height={26}
              fill="panel"
              stroke="text"
              strokeWidth="2px"
            />
            <shape.path d={`M424 ${middle + 9} L442 ${middle - 9}`} stroke="text" strokeWidth="2px" />
            <shape.text x={433} y={middle - 22} fontSize="13px" mono textAnchor="middle" fill="text">
              {formatNumber(input.protectiveDevice, 1)} A
            </shape.text>
          </g>
        )}
        <shape.rect
          x={560}
          y={middle - 22}
          width={54}
          height={44}
          rx={4}
          fill="panel"
          stroke="text"
          strokeWidth="2px"
        />
      </chakra.svg>
      <chakra.ul mt="6px">
        {(result.checks as ConductorCheck[]).map(({ id, verdict }) => (
          <chakra.li key={id} display="flex" justifyContent="space-between" gap="10px" py="3px">
            <Text>{CHECK_WORDS[id]}</Text>
            <VerdictMark verdict={verdict} />
          </chakra.li>
        ))}
      </chakra.ul>
    </Box>
  )
}

/** The branch from the board to the last unit: the current in every segment. */
export function Branch({ input, result }: PictureProps) {
  const units = Math.min(input.units as number, 24)
  const step = 560 / units
  return (
    <chakra.svg
      viewBox="0 0 620 130"
      w="100%"
      maxW="700px"
      role="img"
      aria-label={`Branch of ${input.units} units, ${result.allowed} allowed`}
    >
      <shape.rect x={4} y={40} width={40} height={50} fill="panel" stroke="text" strokeWidth="2px" />
      <shape.text x={24} y={106} fontSize="12px" textAnchor="middle" fill="faint">
        {formatNumber(input.breaker, 0)} A
      </shape.text>
      {Array.from({ length: units }, (_, i) => {
        const [from, to] = [44 + i * step, 44 + (i + 1) * step]
        const beyond = i + 1 > result.allowed
        return (
          <g key={i}>
            <shape.line
              x1={from}
              x2={to}
              y1={65}
              y2={65}
              stroke={beyond ? 'danger' : 'accent'}
              strokeWidth={`${2 + (6 * (units - i)) / units}px`}
            />
            {step > 44 && (
              <shape.text x={(from + to) / 2} y={52} fontSize="12px" mono textAnchor="middle" fill="text">
                {formatNumber(input.unitCurrent * (input.units - i), 1)} A
              </shape.text>
            )}
            <shape.rect
              x={to - 9}
              y={56}
              width={18}
              height={18}
              fill="panel"
              stroke={beyond ? 'danger' : 'text'}
              strokeWidth="2px"
            />
          </g>
        )
      })}
      <shape.text x={604} y={100} fontSize="14px" textAnchor="end" fill="text">
        {input.units} fitted, {result.allowed} allowed
        {result.risePercent === undefined ? '' : `; rise ${formatNumber(result.risePercent, 2)} %`}
      </shape.text>
    </chakra.svg>
  )
}
