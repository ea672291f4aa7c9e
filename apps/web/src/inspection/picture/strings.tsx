import { Box, Text, chakra } from '@chakra-ui/react'
import { expectedString, givenOf, inForce, stringBand, type GivenReading, type Inspection, type JudgedCheck } from '@plumb-mark/core'
import { verdictColour } from '../../marks/verdict-mark.js'
import { useInspection } from '../../store/inspection.js'
import { useFocus } from '../focus.js'

const W = 660
const LEFT = 176
const ROW = 64

/** Each string's open-circuit voltage against the expected band and the unit's limit; touching a string opens its check. */
export function Strings() {
  const inspection = useInspection((state) => state.inspection)
  const openCheck = useFocus((focus) => focus.openCheck)
  const rows = rowsOf(inspection)
  if (rows.length === 0) return <Text p="24px" color="faint">No strings have been entered.</Text>
  const limit = Math.max(...rows.map(({ limit: max }) => max))
  const x = (volt: number) => LEFT + (Math.max(0, volt) / (limit * 1.06)) * (W - LEFT - 20)
  return (
    <Box p={{ base: '12px', lg: '24px' }}>
      <Text as="h2" fontFamily="heading" fontSize="22px" fontWeight={600}>
        Strings: measured on the expected band
      </Text>
      <chakra.svg viewBox={`0 0 ${W} ${rows.length * ROW + 34}`} w="100%" maxW="760px" role="group" aria-label="Strings">
        <Scale limit={limit} x={x} bottom={rows.length * ROW + 8} />
        {rows.map((row, i) => (
          <StringRow key={row.judged.check.id} row={row} x={x} y={i * ROW + 10} onOpen={() => openCheck(row.judged.check.id)} />
        ))}
      </chakra.svg>
    </Box>
  )
}

interface StringOnChart {
  judged: JudgedCheck
  limit: number
  measured: number | undefined
  expected: { at: number; spread: number } | undefined
}

function rowsOf(inspection: Inspection | undefined): StringOnChart[] {
  return (inspection?.checks ?? []).flatMap((judged) => {
    const { requirement, subject } = judged.check
    if (requirement.kind !== 'string-open-circuit' || !subject.string) return []
    const given = givenOf(judged.check, inForce(judged.history)) as GivenReading | undefined
    const expectation = given && expectedString(subject.string, given)
    return [{ judged, limit: requirement.max, measured: given?.value, expected: expectation && { at: expectation.expected, spread: stringBand(expectation.expected, given.uncertainty) } }]
  })
}

function Scale({ limit, x, bottom }: { limit: number; x: (volt: number) => number; bottom: number }) {
  const step = limit > 600 ? 200 : 100
  const ticks = Array.from({ length: Math.floor(limit / step) + 1 }, (_, i) => i * step)
  return (
    <>
      {ticks.map((volt) => (
        <g key={volt}>
          <chakra.line x1={x(volt)} x2={x(volt)} y1={0} y2={bottom} stroke="hair" />
          <chakra.text x={x(volt)} y={bottom + 16} fontSize="12px" fill="faint" textAnchor="middle" fontFamily="mono">
            {volt} V
          </chakra.text>
        </g>
      ))}
      <chakra.line x1={x(limit)} x2={x(limit)} y1={0} y2={bottom} stroke="oxide" strokeWidth="2px" />
      <chakra.text x={x(limit) - 6} y={11} fontSize="12px" fill="oxide" textAnchor="end">
        limit
      </chakra.text>
    </>
  )
}

function StringRow({ row: { judged, measured, expected }, x, y, onOpen }: { row: StringOnChart; x: (volt: number) => number; y: number; onOpen: () => void }) {
  const { subject, unit } = judged.check
  const colour = verdictColour(judged.outcome.verdict)
  return (
    <chakra.g role="button" tabIndex={0} cursor="pointer" aria-label={`${subject.label}: ${measured ?? 'not read'}`} onClick={onOpen} onKeyDown={(event) => event.key === 'Enter' && onOpen()}>
      <rect x={0} y={y} width={W} height={ROW - 8} fill="transparent" />
      <chakra.text x={0} y={y + 24} fontSize="16px" fontWeight={600} fill="ink">{subject.label}</chakra.text>
      <chakra.text x={0} y={y + 42} fontSize="12px" fill="faint">{unit.label}, {subject.string?.input} · {subject.string?.count} modules</chakra.text>
      <chakra.line x1={LEFT} x2={W - 20} y1={y + 28} y2={y + 28} stroke="faint" strokeDasharray="2 4" />
      {expected && <chakra.rect x={x(expected.at - expected.spread)} y={y + 12} width={x(expected.at + expected.spread) - x(expected.at - expected.spread)} height={32} fill="chalkWash" stroke="chalk" />}
      {measured !== undefined && (
        <>
          <chakra.line x1={x(measured)} x2={x(measured)} y1={y + 6} y2={y + 50} stroke={colour} strokeWidth="4px" />
          <chakra.text x={x(measured) + (expected && measured < expected.at ? -8 : 8)} y={y + 22} textAnchor={expected && measured < expected.at ? 'end' : 'start'} fontSize="14px" fontFamily="mono" fill={colour}>{measured} V</chakra.text>
        </>
      )}
      {measured === undefined && <chakra.text x={LEFT + 10} y={y + 22} fontSize="13px" fill="faint">not read yet</chakra.text>}
    </chakra.g>
  )
}
