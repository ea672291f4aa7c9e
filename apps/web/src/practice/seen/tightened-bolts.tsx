import { Box, chakra } from '@chakra-ui/react'
import { SmallPrint } from '../../look/text.js'

const W = 320
const H = 250

/** A cover with its bolts: on each, as which it was tightened; a dash on one that was left out. */
export function TightenedBolts({
  items,
  done,
}: {
  items: readonly { id: string; label: string; x?: number | undefined; y?: number | undefined }[]
  done: readonly string[]
}) {
  const turnsOf = (id: string) => done.flatMap((one, i) => (one === id ? [i + 1] : []))
  const said = items.map(({ id, label }) => `${label}: ${turnsOf(id).join(' and ') || 'never'}`).join(', ')
  return (
    <Box as="figure" w="340px" maxW="100%">
      <chakra.svg viewBox={`0 0 ${W} ${H}`} w="100%" role="img" aria-label={`Bolts as tightened: ${said}`}>
        <chakra.rect
          x="14"
          y="14"
          width={W - 28}
          height={H - 28}
          rx="14"
          fill="sunk"
          stroke="text"
          strokeWidth="2px"
        />
        {items.map(({ id, x, y }, i) => {
          const [cx, cy] = [48 + (x ?? (i + 0.5) / items.length) * (W - 96), 48 + (y ?? 0.5) * (H - 96)]
          return (
            <g key={id}>
              <chakra.circle cx={cx} cy={cy} r="22" fill="panel" stroke="text" strokeWidth="2px" />
              <chakra.text
                x={cx}
                y={cy + 6}
                fontSize={turnsOf(id).length > 1 ? '14px' : '18px'}
                fontFamily="mono"
                textAnchor="middle"
                fill="text"
              >
                {turnsOf(id).join('·') || '–'}
              </chakra.text>
            </g>
          )
        })}
      </chakra.svg>
      <SmallPrint as="figcaption">As the fitter tightened them, one after the other.</SmallPrint>
    </Box>
  )
}
