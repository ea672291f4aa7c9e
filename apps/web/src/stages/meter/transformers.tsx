import { chakra } from '@chakra-ui/react'
import { arrowTowards, type AnswerOf, type JudgedCheck } from '@plumb-mark/core'
import { TouchMark } from '../../ui/touch-mark.js'
import { verdictColour } from '../../ui/verdict-mark.js'
import { useFocus } from '../../job/focus.js'
import { useAnswerOf } from '../answer-of.js'
import { SubTitle } from '../../ui/theme/text.js'
import { shape } from '../../ui/drawings/shape.js'
import { PicturePart } from '../picture-part.js'

const W = 620
const ROW = 74

/** Each transformer on its conductor between grid and loads: the arrow as it must point, and as it was found. */
export function Transformers({ checks }: { checks: readonly JudgedCheck[] }) {
  return (
    <PicturePart>
      <SubTitle>Transformers: which way the arrow points</SubTitle>
      <chakra.svg
        viewBox={`0 0 ${W} ${checks.length * ROW + 26}`}
        w="100%"
        maxW="760px"
        role="group"
        aria-label="Transformers"
      >
        <shape.text x={8} y={16} fontSize="14px" fontWeight={600} fill="text">
          grid
        </shape.text>
        <shape.text x={W - 8} y={16} fontSize="14px" fontWeight={600} fill="text" textAnchor="end">
          loads and inverters
        </shape.text>
        {checks.map((judged, i) => (
          <OnConductor key={judged.check.id} judged={judged} y={i * ROW + 56} />
        ))}
      </chakra.svg>
    </PicturePart>
  )
}

function OnConductor({ judged, y }: { judged: JudgedCheck; y: number }) {
  const openCheck = useFocus((focus) => focus.openCheck)
  const found = (useAnswerOf(judged) as AnswerOf<'choice'> | undefined)?.chosen as
    'grid' | 'loads' | undefined
  const { check, outcome } = judged
  const wanted = check.requirement.kind === 'arrow-convention' ? arrowTowards(check.requirement) : 'grid'
  const colour = verdictColour(outcome.verdict)
  return (
    <TouchMark
      label={`${check.unit.label}, ${check.subject.label}: ${found ? `found towards the ${found}` : 'not looked at'}`}
      onTouch={() => openCheck(check.id)}
    >
      <rect x={0} y={y - 34} width={W} height={ROW - 6} fill="transparent" />
      <shape.line x1={8} x2={W - 8} y1={y} y2={y} stroke="text" strokeWidth="5px" />
      <shape.text x={8} y={y - 12} fontSize="13px" fill="faint">
        {check.unit.label}, {check.subject.label}
      </shape.text>
      <shape.rect
        x={W / 2 - 62}
        y={y - 24}
        width={124}
        height={48}
        rx={22}
        fill="panel"
        stroke={colour}
        strokeWidth="3px"
        strokeDasharray={found ? undefined : '5 5'}
      />
      {found && <Arrow x={W / 2} y={y} to={found} colour={colour} />}
      <Arrow x={W / 2 + 150} y={y + 22} to={wanted} colour="faint" small />
      <shape.text x={W / 2 + 186} y={y + 27} fontSize="12.5px" fill="faint">
        must be
      </shape.text>
    </TouchMark>
  )
}

/** Which side the sheet's words speak of: "arrow towards the grid", "K towards the grid". */
function Arrow({
  x,
  y,
  to,
  colour,
  small = false,
}: {
  x: number
  y: number
  to: 'grid' | 'loads'
  colour: string
  small?: boolean
}) {
  const d = to === 'grid' ? -1 : 1
  const l = small ? 22 : 40
  return (
    <shape.path
      d={`M${x - d * l} ${y} H${x + d * l} m${-d * 12} -9 l${d * 12} 9 l${-d * 12} 9`}
      fill="none"
      stroke={colour}
      strokeWidth={small ? '2px' : '4px'}
    />
  )
}
