import { Box, Text } from '@chakra-ui/react'
import { Bar, ComposedChart, ReferenceLine, ResponsiveContainer, Scatter, XAxis, YAxis } from 'recharts'
import { expectedString, fig, givenOf, inForce, stringBand, type GivenReading, type Inspection, type JudgedCheck, type Verdict } from '@plumb-mark/core'
import { TouchMark } from '../../marks/touch-mark.js'
import { verdictColour } from '../../marks/verdict-mark.js'
import { useInspection } from '../../store/inspection.js'
import { useFocus } from '../focus.js'

const ROW = 62
const css = (colour: string) => `var(--chakra-colors-${colour.replace(/([A-Z])/g, '-$1').toLowerCase()})`

/** Each string's open-circuit voltage against the expected band and the unit's limit; touching a string opens its check. */
export function Strings() {
  const inspection = useInspection((state) => state.inspection)
  const openCheck = useFocus((focus) => focus.openCheck)
  const rows = rowsOf(inspection)
  if (rows.length === 0) return <Text p="24px" color="faint">No strings have been entered: draw them on the array map of the roof.</Text>
  const limit = Math.max(...rows.map((row) => row.limit))
  return (
    <Box p={{ base: '12px', lg: '24px' }}>
      <Text as="h2" fontFamily="heading" fontSize="22px" fontWeight={600}>
        Strings: measured on the expected band
      </Text>
      <Box h={`${rows.length * ROW + 54}px`} maxW="760px" fontSize="12px" role="group" aria-label="Strings">
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart layout="vertical" data={rows} margin={{ top: 16, right: 26, bottom: 4, left: 4 }} accessibilityLayer={false}>
            <XAxis type="number" domain={[0, Math.ceil(limit * 1.05)]} unit=" V" stroke={css('faint')} tickCount={6} />
            <YAxis type="category" dataKey="id" width={168} axisLine={false} tickLine={false} interval={0} tick={<Name rows={rows} onOpen={openCheck} />} />
            <Bar dataKey="from" stackId="band" fill="transparent" isAnimationActive={false} barSize={34} />
            <Bar dataKey="band" stackId="band" fill={css('chalkWash')} stroke={css('chalk')} isAnimationActive={false} />
            <Scatter dataKey="measured" shape={<Mark />} isAnimationActive={false} />
            <ReferenceLine x={limit} stroke={css('oxide')} strokeWidth={2} label={{ value: 'limit', fill: css('oxide'), position: 'top' }} />
          </ComposedChart>
        </ResponsiveContainer>
      </Box>
    </Box>
  )
}

interface StringOnChart {
  id: string
  label: string
  below: string
  verdict: Verdict
  limit: number
  measured: number | undefined
  /** The expected band: where it begins and how wide it is, V. */
  from: number | undefined
  band: number | undefined
}

function rowsOf(inspection: Inspection | undefined): StringOnChart[] {
  return (inspection?.checks ?? []).flatMap(({ check, history, outcome }: JudgedCheck) => {
    const { requirement, subject, unit } = check
    if (requirement.kind !== 'string-open-circuit' || !subject.string) return []
    const given = givenOf(check, inForce(history)) as GivenReading | undefined
    const expectation = given && expectedString(subject.string, given)
    const spread = expectation && stringBand(expectation.expected, given.uncertainty)
    return [
      {
        id: check.id,
        label: subject.label,
        below: `${unit.label}, ${subject.string.input} · ${subject.string.count} modules`,
        verdict: outcome.verdict,
        limit: requirement.max,
        measured: given?.value,
        from: expectation && spread !== undefined ? Math.max(0, expectation.expected - spread) : undefined,
        band: spread === undefined ? undefined : 2 * spread,
      },
    ]
  })
}

/** The name of a string beside its row: the way to its check, by touch and by keyboard. The chart gives place and value. */
function Name({ rows, onOpen, x = 0, y = 0, payload }: { rows: readonly StringOnChart[]; onOpen: (id: string) => void; x?: number; y?: number; payload?: { value: string } }) {
  const row = rows.find(({ id }) => id === payload?.value)
  if (!row) return null
  return (
    <TouchMark label={`${row.label}: ${row.measured === undefined ? 'not read' : `${fig(row.measured, 1)} V`}`} onTouch={() => onOpen(row.id)}>
      <rect x={0} y={y - ROW / 2 + 4} width={x + 8} height={ROW - 8} fill="transparent" />
      <text x={4} y={y - 3} style={{ fontSize: '16px', fontWeight: 600, fill: css('ink') }}>
        {row.label}
      </text>
      <text x={4} y={y + 15} style={{ fontSize: '12px', fill: css('faint') }}>
        {row.measured === undefined ? 'not read yet' : row.below}
      </text>
    </TouchMark>
  )
}

/** What was measured: a stroke across the band, with its figure. */
function Mark({ cx, cy, payload }: { cx?: number; cy?: number; payload?: StringOnChart }) {
  if (cx === undefined || cy === undefined || payload?.measured === undefined) return null
  const colour = css(verdictColour(payload.verdict))
  const left = payload.from !== undefined && payload.measured < payload.from
  return (
    <g>
      <line x1={cx} x2={cx} y1={cy - 22} y2={cy + 22} stroke={colour} strokeWidth={4} />
      <text x={cx + (left ? -8 : 8)} y={cy - 9} textAnchor={left ? 'end' : 'start'} style={{ fontSize: '14px', fontFamily: 'var(--chakra-fonts-mono)', fill: colour, stroke: css('sunk'), strokeWidth: 4, paintOrder: 'stroke' }}>
        {fig(payload.measured, 1)} V
      </text>
    </g>
  )
}
