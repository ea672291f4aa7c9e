import { Box, chakra } from '@chakra-ui/react'
import { VERDICT_WORDS, type JudgedCheck } from '@plumb-mark/core'
import { verdictColour } from '../../ui/verdict-mark.js'
import { TouchMark } from '../../ui/touch-mark.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { SubTitle } from '../../ui/theme/text.js'
import { shape } from '../../ui/drawings/shape.js'

/** mm around the unit, for the marks and their words. */
const MARGIN = 130
const MARK = 34

/** The front of the unit with the places that are looked at before it is left: touched, the question of the place opens. */
export function Outline({ checks }: { checks: readonly JudgedCheck[] }) {
  const openCheck = useFocus((focus) => focus.openCheck)
  const unit = checks[0]?.check.unit
  const size = useInspection(({ inspection }) =>
    unit ? inspection?.context.sheetOf(unit.id)?.size : undefined,
  )
  const placed = checks.flatMap((judged) => {
    const { requirement } = judged.check
    return requirement.kind === 'observation' && requirement.at ? [{ judged, at: requirement.at }] : []
  })
  if (!unit || !size || placed.length === 0) return null
  const { width, height } = size
  return (
    <Box as="section" aria-label={`Places, ${unit.label}`}>
      <SubTitle mb="8px">{unit.label}, places to look at</SubTitle>
      <chakra.svg
        viewBox={`${-MARGIN} ${-MARGIN / 2} ${width + 5 * MARGIN} ${height + MARGIN}`}
        w="100%"
        maxH="340px"
        fontFamily="body"
      >
        <shape.rect width={width} height={height} rx={18} fill="panel" stroke="text" strokeWidth={6} />
        {placed.map(({ judged: { check, outcome }, at }) => (
          <TouchMark
            key={check.id}
            label={`${check.title}: ${VERDICT_WORDS[outcome.verdict]}`}
            onTouch={() => openCheck(check.id)}
          >
            <shape.line
              x1={at.x * width}
              y1={at.y * height}
              x2={width + 40}
              y2={at.y * height}
              stroke="faint"
              strokeWidth={3}
              strokeDasharray="8 8"
            />
            <shape.circle
              cx={at.x * width}
              cy={at.y * height}
              r={MARK}
              fill="panel"
              stroke={verdictColour(outcome.verdict)}
              strokeWidth={10}
            />
            {outcome.verdict === 'conforms' && (
              <shape.circle cx={at.x * width} cy={at.y * height} r={14} fill={verdictColour('conforms')} />
            )}
            <shape.text x={width + 56} y={at.y * height + 4} fontSize="34px" fontWeight={600} fill="text">
              {check.title}
            </shape.text>
            <shape.text
              x={width + 56}
              y={at.y * height + 42}
              fontSize="28px"
              fill={verdictColour(outcome.verdict)}
            >
              {VERDICT_WORDS[outcome.verdict]}
            </shape.text>
          </TouchMark>
        ))}
      </chakra.svg>
    </Box>
  )
}
