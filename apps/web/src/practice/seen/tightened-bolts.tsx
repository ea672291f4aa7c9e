import { Box } from '@chakra-ui/react'
import { SmallPrint } from '../../ui/theme/text.js'
import { Cover, boltAt } from '../../ui/cover.js'
import { shape } from '../../ui/drawings/shape.js'

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
    <Box as="figure">
      <Cover label={`Bolts as tightened: ${said}`} maxW="340px" picture>
        {items.map((item, i) => {
          const turns = turnsOf(item.id)
          const [cx, cy] = boltAt(item, i, items.length)
          return (
            <g key={item.id}>
              <shape.circle cx={cx} cy={cy} r="22" fill="panel" stroke="text" strokeWidth="2px" />
              <shape.text
                x={cx}
                y={cy + 6}
                fontSize={turns.length > 1 ? '14px' : '18px'}
                mono
                textAnchor="middle"
                fill="text"
              >
                {turns.join('·') || '–'}
              </shape.text>
            </g>
          )
        })}
      </Cover>
      <SmallPrint as="figcaption">As the fitter tightened them, one after the other.</SmallPrint>
    </Box>
  )
}
