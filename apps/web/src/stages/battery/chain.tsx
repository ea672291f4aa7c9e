import { chakra } from '@chakra-ui/react'
import type { AnswerOf, JudgedCheck } from '@plumb-mark/core'
import { verdictColour } from '../../ui/verdict-mark.js'
import { useFocus } from '../../job/focus.js'
import { useAnswerOf } from '../answer-of.js'
import { SubTitle } from '../../ui/theme/text.js'
import { shape } from '../../ui/drawings/shape.js'
import { PicturePart } from '../picture-part.js'

const BOX = { w: 150, h: 150 }
const GAP = 70

/** The data chain: boxes with their ports, the leads as plugged, the terminator. */
export function Chain({ judged }: { judged: JudgedCheck }) {
  const openCheck = useFocus((focus) => focus.openCheck)
  const answer = useAnswerOf(judged) as AnswerOf<'chain'> | undefined
  const { check, outcome } = judged
  if (check.requirement.kind !== 'data-chain') return null
  const { ports, leads: allowed } = check.requirement
  const boxes = [...new Set(ports.map(({ box }) => box))]
  const at = (id: string) => {
    const port = ports.find((one) => one.id === id)!
    const own = ports.filter(({ box }) => box === port.box)
    return {
      x: boxes.indexOf(port.box) * (BOX.w + GAP) + 20 + ((own.indexOf(port) + 1) * BOX.w) / (own.length + 1),
      y: 118,
    }
  }
  const w = boxes.length * (BOX.w + GAP) - GAP + 40
  const colour = verdictColour(outcome.verdict)
  return (
    <PicturePart pb="0">
      <SubTitle>Data chain, {check.unit.label}</SubTitle>
      <chakra.svg
        viewBox={`0 0 ${w} 230`}
        w="100%"
        maxW={`${w * 1.2}px`}
        role="button"
        tabIndex={0}
        cursor="pointer"
        aria-label={`Data chain of ${check.unit.label}`}
        onClick={() => openCheck(check.id)}
        onKeyDown={(event) => event.key === 'Enter' && openCheck(check.id)}
      >
        {boxes.map((box, i) => (
          <g key={box}>
            <shape.rect
              x={20 + i * (BOX.w + GAP)}
              y={10}
              width={BOX.w}
              height={BOX.h}
              rx={8}
              fill="panel"
              stroke="text"
              strokeWidth="2px"
            />
            <shape.text
              x={20 + i * (BOX.w + GAP) + BOX.w / 2}
              y={44}
              textAnchor="middle"
              fontSize="17px"
              fontWeight={600}
              fill="text"
            >
              {box}
            </shape.text>
          </g>
        ))}
        {answer?.leads.map(({ from, to, lead }, i) => {
          const [a, b] = [at(from), at(to)]
          const wrong = !allowed.includes(lead)
          return (
            <g key={i}>
              <shape.path
                d={`M${a.x} ${a.y + 12} C${a.x} 210 ${b.x} 210 ${b.x} ${b.y + 12}`}
                fill="none"
                stroke={wrong ? 'danger' : 'accent'}
                strokeWidth="4px"
                strokeDasharray={wrong ? '8 6' : undefined}
              />
              <shape.text
                x={(a.x + b.x) / 2}
                y={208}
                textAnchor="middle"
                fontSize="13px"
                fill={wrong ? 'danger' : 'faint'}
              >
                {lead}
              </shape.text>
            </g>
          )
        })}
        {ports.map(({ id, label, direction }) => {
          const { x, y } = at(id)
          const ended = answer?.terminators.includes(id)
          return (
            <g key={id}>
              <shape.rect
                x={x - 16}
                y={y - 12}
                width={32}
                height={24}
                rx={3}
                fill={ended ? 'unprovenWash' : 'paper'}
                stroke={ended ? 'unproven' : 'faint'}
                strokeWidth={ended ? '4px' : '2px'}
              />
              <shape.text x={x} y={y - 20} textAnchor="middle" fontSize="13px" fill="text">
                {label}
              </shape.text>
              {/* Above the port: a lead leaves it below. */}
              <shape.text
                x={x}
                y={y - 36}
                textAnchor="middle"
                fontSize="12px"
                fill={ended ? 'unproven' : 'faint'}
              >
                {ended ? 'terminator' : label.toLowerCase() === direction ? '' : direction}
              </shape.text>
            </g>
          )
        })}
        {!answer && (
          <shape.text x={w / 2} y={206} textAnchor="middle" fontSize="14px" fill={colour}>
            not looked at yet
          </shape.text>
        )}
      </chakra.svg>
    </PicturePart>
  )
}
