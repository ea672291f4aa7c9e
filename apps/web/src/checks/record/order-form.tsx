import { Box, Button } from '@chakra-ui/react'
import { Undo2 } from 'lucide-react'
import { Note, Small } from '../../ui/theme/text.js'
import { COVER, boltAt, Cover } from '../../ui/cover.js'
import { TouchMark } from '../../ui/touch-mark.js'
import type { FormProps } from './form-props.js'
import { Cluster } from '../../ui/cluster.js'
import { shape } from '../../ui/drawings/shape.js'

/** The bolt pattern: touch the bolts as they were tightened; how often each was gone over is counted on it. */
export function OrderForm({ form: { items, passes }, answer, onChange }: FormProps<'order'>) {
  const done = answer?.done ?? []
  const touch = (id: string) => onChange({ done: [...done, id] })
  const next = done.length < items.length * passes ? items[done.length % items.length]?.id : undefined
  const pass = Math.min(passes, Math.floor(done.length / items.length) + 1)
  return (
    <Box>
      <Small mb="6px">
        Touch the bolts in the order in which they were tightened.{' '}
        <b>
          {done.length >= items.length * passes ? 'Complete' : `Pass ${pass} of ${passes}`}, {done.length} of{' '}
          {items.length * passes}
        </b>
      </Small>
      <Cover label="Bolt pattern" maxW="440px">
        <shape.rect
          x="30"
          y="30"
          width={COVER.w - 60}
          height={COVER.h - 60}
          rx="8"
          fill="none"
          stroke="hair"
          strokeDasharray="4 4"
        />
        {items.map((item, i) => {
          const { id, label } = item
          const times = done.filter((one) => one === id).length
          const [cx, cy] = boltAt(item, i, items.length)
          return (
            <TouchMark key={id} label={`Bolt ${label}, tightened ${times} times`} onTouch={() => touch(id)}>
              {id === next && <shape.circle cx={cx} cy={cy} r="29" fill="unproven" opacity={0.35} />}
              <shape.circle
                cx={cx}
                cy={cy}
                r="24"
                fill={times >= passes ? 'accentWash' : 'panel'}
                stroke={times > 0 ? 'accent' : 'faint'}
                strokeWidth="2.5px"
              />
              <shape.path
                d={hexagon(cx, cy, 15)}
                fill="none"
                stroke={times > 0 ? 'accent' : 'faint'}
                strokeWidth="1.5px"
              />
              <shape.text
                x={cx}
                y={cy}
                dominantBaseline="central"
                textAnchor="middle"
                fontSize="12px"
                fontWeight={600}
                fill="text"
              >
                {label.length > 4
                  ? label
                      .replace(/[^A-Za-z0-9 ]/g, '')
                      .split(' ')
                      .map((word) => word[0])
                      .join('')
                  : label}
              </shape.text>
              <shape.text
                x={cx}
                y={cy + 36}
                textAnchor="middle"
                fontSize="12px"
                mono
                fill={times > passes ? 'danger' : 'faint'}
              >
                {times} / {passes}
              </shape.text>
            </TouchMark>
          )
        })}
      </Cover>
      <Cluster mt="8px">
        <Button
          variant="outline"
          disabled={done.length === 0}
          onClick={() => onChange({ done: done.slice(0, -1) })}
        >
          <Undo2 size={18} /> Last one back
        </Button>
        <Note fontFamily="mono">
          {done.map((id) => items.find((item) => item.id === id)?.label).join(' · ')}
        </Note>
      </Cluster>
    </Box>
  )
}

const hexagon = (cx: number, cy: number, r: number) =>
  `${Array.from({ length: 6 }, (_, i) => `${i === 0 ? 'M' : 'L'}${cx + r * Math.cos((i * Math.PI) / 3)} ${cy + r * Math.sin((i * Math.PI) / 3)}`).join(' ')} Z`
