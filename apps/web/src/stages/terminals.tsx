import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { Table } from 'lucide-react'
import {
  CLAMP_NAMES,
  formatQuantity,
  VERDICT_WORDS,
  inForce,
  sayEvidence,
  togetherKey,
  worst,
  type Dimension,
  type JudgedCheck,
  type Terminal,
  type UnitBuilt,
  type UnitKind,
} from '@plumb-mark/core'
import { VerdictShape, verdictColour } from '../ui/verdict-mark.js'
import { useInspection } from '../job/inspection.js'
import { useFocus } from '../job/focus.js'
import { prefer } from '../data/preferences.js'
import { SmallPrint, Strong, SubTitle } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'
import { shape } from '../ui/drawings/shape.js'
import { PicturePart } from './picture-part.js'

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
    <PicturePart>
      <SubTitle>Terminals</SubTitle>
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
    </PicturePart>
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
  const openGroup = useFocus((focus) => focus.openGroup)
  const readings = checks.filter(
    ({ check: { ask, subject } }) =>
      ask.kind === 'reading' && terminals.some(({ id }) => id === subject.terminal?.id),
  )
  const asTable = () => {
    prefer({ listOrder: 'requirement' })
    openGroup(togetherKey(readings[0]!))
  }
  return (
    <Box mt="14px">
      <Flex align="center" justify="space-between" gap="10px" mb="6px">
        <Strong>{unit.label}</Strong>
        {readings.length > 1 && (
          <Button variant="plain" onClick={asTable}>
            <Table size={17} /> As a table
          </Button>
        )}
      </Flex>
      <Cluster gap="0" layerStyle="ruleBelow">
        {terminals.map((terminal) => (
          <TerminalBlock
            key={terminal.id}
            terminal={terminal}
            checks={checks.filter(({ check }) => check.subject.terminal?.id === terminal.id)}
          />
        ))}
      </Cluster>
    </Box>
  )
}

const Block = chakra('button', {
  base: {
    flex: '1 1 118px',
    maxW: '190px',
    bg: 'panel',
    borderTop: '3px solid',
    borderX: '1px solid',
    borderLeftColor: 'hair',
    borderRightColor: 'hair',
    cursor: 'pointer',
    display: 'flex',
    flexDirection: 'column',
    alignItems: 'stretch',
    p: '6px 8px',
    textAlign: 'left',
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
      borderTopColor={verdictColour(verdict)}
      bg={here ? 'accentWash' : 'panel'}
      onClick={() => wanting && openCheck(wanting.check.id)}
      aria-label={`Terminal ${terminal.label}: ${VERDICT_WORDS[verdict]}`}
    >
      <Flex justify="space-between" align="center" gap="4px">
        <Text fontWeight={600} fontSize="17px" lineHeight={1.1}>
          {terminal.label}
        </Text>
        <VerdictShape verdict={verdict} size={17} />
      </Flex>
      <Clamped terminal={terminal} bare={readAs('length', checks)} size={readAs('conductor-size', checks)} />
      {checks.map((judged) => (
        <Flex
          key={judged.check.id}
          gap="5px"
          align="center"
          fontFamily="mono"
          fontSize="14px"
          lineHeight={1.45}
        >
          <VerdictShape verdict={judged.outcome.verdict} size={12} />
          {asRead(judged)}
        </Flex>
      ))}
      <SmallPrint>{terminal.torque ? torqueWords(terminal.torque) : CLAMP_NAMES[terminal.clamp]}</SmallPrint>
    </Block>
  )
}

/** “2.2–2.8 N·m”: what the driver is set to. */
function torqueWords({ min, max }: NonNullable<Terminal['torque']>): string {
  const ends = [min, max].flatMap((end) =>
    end === undefined ? [] : [formatQuantity(end, 'torque', { bare: true })],
  )
  return `${[...new Set(ends)].join('–')} N·m`
}

/** What was read at a check, as it was typed. */
function asRead({ check, history }: JudgedCheck): string {
  const last = inForce(history)
  if (last?.kind === 'observation') return last.body.seen ? 'yes' : 'no'
  return last ? sayEvidence(check, last) : 'not read'
}

/** The canonical figure that was read of a dimension at a terminal. */
function readAs(dimension: Dimension, checks: readonly JudgedCheck[]): number | undefined {
  const read = checks.find(({ check: { ask } }) => ask.kind === 'reading' && ask.dimension === dimension)
  const last = inForce(read?.history)
  return last?.kind === 'reading' ? last.body.value : undefined
}

/** Drawing units to the millimetre, and where the clamp ends. */
const SCALE = 3
const CLAMP_END = 34
/** Drawn where nobody has read a size yet. */
const USUAL_SIZE = 4

/** The clamp with its conductor, to scale: the bare end as long as it was read, in the band that the sheet asks for. */
function Clamped({
  terminal: { clamp, strip },
  bare,
  size = USUAL_SIZE,
}: {
  terminal: Terminal
  bare: number | undefined
  size: number | undefined
}) {
  const thick = SCALE * Math.sqrt((4 * size) / Math.PI)
  const length = SCALE * (bare ?? strip?.min ?? strip?.max ?? 0)
  return (
    <chakra.svg viewBox="0 0 118 118" w="100%" maxW="130px" mx="auto" h="96px" aria-hidden fill="none">
      <shape.g stroke="text" strokeWidth="2.2px">
        {clamp === 'torque' ? (
          <path d="M46 17 a13 13 0 1 0 26 0 a13 13 0 1 0 -26 0 M50 17 H68 M59 8 V26" />
        ) : (
          <path d="M46 5 H72 M46 5 V28 L72 20 V28" />
        )}
        <path d="M32 3 V34 M86 3 V34" />
      </shape.g>
      {strip && (
        <shape.rect
          x="38"
          width="42"
          y={CLAMP_END + SCALE * (strip.min ?? 0)}
          height={Math.max(2, SCALE * ((strip.max ?? strip.min ?? 0) - (strip.min ?? 0)))}
          fill="accentWash"
        />
      )}
      <shape.rect
        x={59 - thick / 2}
        y={CLAMP_END}
        width={thick}
        height={length}
        fill={bare === undefined ? 'none' : 'unproven'}
        stroke="unproven"
        strokeWidth="1.2px"
        strokeDasharray={bare === undefined ? '3 3' : undefined}
      />
      <shape.rect
        x={59 - thick * 0.9}
        y={CLAMP_END + length}
        width={thick * 1.8}
        height="118"
        fill="faint"
        opacity={0.7}
      />
    </chakra.svg>
  )
}
