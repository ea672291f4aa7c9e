import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import {
  CLAMP_NAMES,
  worst,
  type JudgedCheck,
  type Terminal,
  type UnitBuilt,
  type UnitKind,
  type Verdict,
} from '@plumb-mark/core'
import { verdictColour } from '../../marks/verdict-mark.js'
import { useInspection } from '../../store/inspection.js'
import { useFocus } from '../focus.js'

/**
 * The terminal strips of every unit: what each terminal asks for and how it was found. Touching one opens its
 * first check that wants something.
 */
export function Terminals({ side, of }: { side: 'dc' | 'ac' | 'battery'; of?: UnitKind }) {
  const inspection = useInspection((state) => state.inspection)
  const units = (inspection?.state.asBuilt.units ?? [])
    .filter(({ sheetId }) =>
      of ? inspection?.sheets.get(sheetId)?.kind === of : inspection?.sheets.get(sheetId)?.kind !== 'meter',
    )
    .map((unit) => ({
      unit,
      terminals: terminalsOf(inspection?.sheets.get(unit.sheetId)?.terminals ?? [], side),
    }))
    .filter(({ terminals }) => terminals.length > 0)
  if (units.length === 0) return null
  return (
    <Box p={{ base: '12px', lg: '24px' }}>
      <Text as="h2" fontFamily="heading" fontSize="22px" fontWeight={600}>
        Terminals
      </Text>
      {units.map(({ unit, terminals }) => (
        <Strip
          key={unit.id}
          unit={unit}
          terminals={terminals}
          checks={(inspection?.checks ?? []).filter(
            ({ check }) => check.unit.id === unit.id && check.subject.terminal,
          )}
        />
      ))}
    </Box>
  )
}

/** The protective conductor is landed on the AC side of the walk. */
function terminalsOf(terminals: readonly Terminal[], side: 'dc' | 'ac' | 'battery'): Terminal[] {
  return terminals.filter(
    (terminal) => terminal.side === side || (side === 'ac' && terminal.side === 'earth'),
  )
}

function Strip({
  unit,
  terminals,
  checks,
}: {
  unit: UnitBuilt
  terminals: readonly Terminal[]
  checks: readonly JudgedCheck[]
}) {
  return (
    <Box mt="14px">
      <Text fontWeight={600} mb="6px">
        {unit.label}
      </Text>
      <Flex gap="6px" wrap="wrap">
        {terminals.map((terminal) => (
          <TerminalBlock
            key={terminal.id}
            terminal={terminal}
            checks={checks.filter(({ check }) => check.subject.terminal?.id === terminal.id)}
          />
        ))}
      </Flex>
    </Box>
  )
}

const Block = chakra('button', {
  base: {
    w: '104px',
    minH: '150px',
    bg: 'panel',
    border: '2px solid',
    borderRadius: '4px',
    cursor: 'pointer',
    display: 'flex',
    flexDirection: 'column',
    alignItems: 'center',
    p: '4px',
  },
})

function TerminalBlock({ terminal, checks }: { terminal: Terminal; checks: readonly JudgedCheck[] }) {
  const { checkId, openCheck } = useFocus()
  const verdict = worst(checks.map(({ outcome }) => outcome.verdict))
  const wanting = checks.find(({ outcome }) => outcome.verdict !== 'conforms') ?? checks[0]
  const here = checks.some(({ check }) => check.id === checkId)
  return (
    <Block
      type="button"
      borderColor={here ? 'accent' : 'hair'}
      onClick={() => wanting && openCheck(wanting.check.id)}
      aria-label={`Terminal ${terminal.label}`}
    >
      <chakra.svg
        viewBox="0 0 96 116"
        w="96px"
        h="116px"
        aria-hidden
        fill="none"
        stroke="currentColor"
        color={verdictColour(verdict)}
      >
        <chakra.text
          x="48"
          y="18"
          fontSize="17px"
          fontWeight={600}
          textAnchor="middle"
          fill="text"
          stroke="none"
        >
          {terminal.label}
        </chakra.text>
        {terminal.clamp === 'torque' ? <Screw /> : <Spring />}
        <Conductor terminal={terminal} />
      </chakra.svg>
      <Flex gap="5px">
        {checks.map(({ check, outcome }) => (
          <Dot key={check.id} verdict={outcome.verdict} />
        ))}
      </Flex>
      <Text fontSize="11px" color="faint" mt="2px">
        {CLAMP_NAMES[terminal.clamp]}
      </Text>
    </Block>
  )
}

const Screw = () => (
  <g strokeWidth="2.4px">
    <circle cx="48" cy="42" r="14" />
    <path d="M39 42 H57 M48 33 V51" />
  </g>
)
const Spring = () => <path d="M34 30 H62 M34 30 V54 L62 46 V54" strokeWidth="2.4px" />

/** Conductor and bare end, the bare end as long as the sheet wants it: 2 px to the millimetre. */
function Conductor({ terminal }: { terminal: Terminal }) {
  const bare =
    2 *
    (terminal.strip ? ((terminal.strip.min ?? 0) + (terminal.strip.max ?? terminal.strip.min ?? 0)) / 2 : 8)
  return (
    <>
      <chakra.rect x="45" y="58" width="6" height={bare} fill="unproven" stroke="none" />
      <chakra.rect
        x="40"
        y={58 + bare}
        width="16"
        height={56 - bare}
        fill="faint"
        stroke="none"
        opacity={0.75}
      />
    </>
  )
}

function Dot({ verdict }: { verdict: Verdict }) {
  const filled = verdict === 'conforms' || verdict === 'does-not-conform'
  return (
    <chakra.svg
      viewBox="0 0 10 10"
      w="11px"
      h="11px"
      color={verdictColour(verdict)}
      fill={filled ? 'currentColor' : 'none'}
      stroke="currentColor"
      strokeWidth="1.6px"
      aria-hidden
    >
      {verdict === 'does-not-conform' ? <path d="M2 2 L8 8 M8 2 L2 8" /> : <circle cx="5" cy="5" r="3.6" />}
    </chakra.svg>
  )
}
