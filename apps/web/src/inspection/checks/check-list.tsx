import { Box, HStack, Text, chakra } from '@chakra-ui/react'
import { memo, useEffect, useMemo, useState } from 'react'
import {
  STAGE_CAUTIONS,
  STAGE_TITLES,
  expiredInstrument,
  isLeft,
  type JudgedCheck,
  type Said,
  type Stage,
  type Verdict,
} from '@plumb-mark/core'
import { SmallPrint } from '../../look/text.js'
import { Select } from '../../marks/select.js'
import { VerdictMark } from '../../marks/verdict-mark.js'
import { useInspection } from '../../store/inspection.js'
import { useSaying } from '../../store/reader.js'
import { useFocus } from '../focus.js'
import { LongList } from './long-list.js'
import { OpenCheck } from './open-check.js'

/** With more rows than this only those in sight are drawn. */
const LONG = 120

/** The checks of a stage, one row each; the row in focus opens. */
export function CheckList({ stage }: { stage: Stage }) {
  const all = useInspection(({ inspection }) => inspection?.checks)
  const { checkId, openCheck } = useFocus()
  const saying = useSaying()
  const [filter, setFilter] = useState<StageFilter>('all')
  const [unitId, setUnitId] = useState('')
  const here = useMemo(() => (all ?? []).filter(({ check }) => check.stage === stage), [all, stage])
  const ofUnit = here.filter(({ check }) => unitId === '' || check.unit.id === unitId)
  const shown = ofUnit.filter((judged) => PASSES[filter](judged) || judged.check.id === checkId)
  useArrows(shown, checkId, openCheck)
  const draw = (i: number) => {
    const judged = shown[i]!
    const { unit, sheet, id } = judged.check
    return (
      <>
        {unit.id !== shown[i - 1]?.check.unit.id && (
          <UnitHeading label={unit.label} sheet={`${sheet.maker} ${sheet.model}, sheet ${sheet.revision}`} />
        )}
        {id === checkId ? (
          <OpenCheck judged={judged} onDone={() => openCheck(nextAfter(shown, id))} />
        ) : (
          <Row judged={judged} saying={saying} />
        )}
      </>
    )
  }
  return (
    <Box pb="40px">
      <StageHead
        stage={stage}
        here={here}
        ofUnit={ofUnit}
        filter={filter}
        onFilter={setFilter}
        unitId={unitId}
        onUnit={setUnitId}
      />
      {shown.length === 0 && <Text p="18px">{NOTHING[filter]}</Text>}
      {shown.length > LONG ? (
        <LongList
          count={shown.length}
          keyOf={(i) => shown[i]!.check.id}
          draw={draw}
          open={shown.findIndex(({ check }) => check.id === checkId)}
        />
      ) : (
        <chakra.ul listStyleType="none">
          {shown.map(({ check }, i) => (
            <li key={check.id}>{draw(i)}</li>
          ))}
        </chakra.ul>
      )}
    </Box>
  )
}

type StageFilter = 'all' | 'left' | 'wrong' | 'not-proven'
const PASSES: Record<StageFilter, (judged: JudgedCheck) => boolean> = {
  all: () => true,
  left: isLeft,
  wrong: ({ outcome }) => outcome.verdict === 'does-not-conform',
  'not-proven': ({ outcome }) => outcome.verdict === 'not-proven',
}
const FILTER_WORDS: Record<StageFilter, string> = {
  all: 'All',
  left: 'Left',
  wrong: 'Wrong',
  'not-proven': 'Not proven',
}
const NOTHING: Record<StageFilter, string> = {
  all: 'Nothing is asked in this stage.',
  left: 'Nothing is left in this stage.',
  wrong: 'Nothing is wrong in this stage.',
  'not-proven': 'Everything that was read here is proven.',
}

const FilterButton = chakra('button', {
  base: {
    minH: '44px',
    px: '11px',
    fontSize: '15px',
    fontWeight: 600,
    color: 'accent',
    borderRadius: '4px',
    cursor: 'pointer',
    whiteSpace: 'nowrap',
    '&[aria-pressed=true]': { bg: 'accentWash', color: 'text' },
  },
})

function StageHead({
  stage,
  here,
  ofUnit,
  filter,
  onFilter,
  unitId,
  onUnit,
}: {
  stage: Stage
  here: readonly JudgedCheck[]
  ofUnit: readonly JudgedCheck[]
  filter: StageFilter
  onFilter: (filter: StageFilter) => void
  unitId: string
  onUnit: (unitId: string) => void
}) {
  const units = new Map(here.map(({ check: { unit } }) => [unit.id, unit.label]))
  return (
    <Box
      px="18px"
      pt="8px"
      pb="6px"
      position={{ lg: 'sticky' }}
      top="0"
      bg="paper"
      zIndex={2}
      borderBottom="1px solid"
      borderColor="hair"
    >
      <HStack justify="space-between" gap="12px" minH="44px">
        <Text as="h2" fontFamily="heading" fontWeight={600} fontSize="27px" lineHeight={1}>
          {STAGE_TITLES[stage]}
        </Text>
        {units.size > 1 && (
          <Select
            aria-label="Unit"
            value={unitId}
            onChange={({ target }) => onUnit(target.value)}
            w="auto"
            maxW="180px"
          >
            <option value="">every unit</option>
            {[...units].map(([id, label]) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </Select>
        )}
      </HStack>
      <HStack role="group" aria-label="What is shown" gap="2px" ml="-11px" wrap="wrap">
        {(Object.keys(PASSES) as StageFilter[]).map((one) => {
          const count = ofUnit.filter(PASSES[one]).length
          return (
            <FilterButton key={one} type="button" aria-pressed={filter === one} onClick={() => onFilter(one)}>
              {FILTER_WORDS[one]} {count}
            </FilterButton>
          )
        })}
      </HStack>
      {STAGE_CAUTIONS[stage] && <SmallPrint lineHeight={1.3}>{STAGE_CAUTIONS[stage]}</SmallPrint>}
    </Box>
  )
}

/** The next check that still wants something, else the next one. */
function nextAfter(shown: readonly JudgedCheck[], id: string): string | undefined {
  const at = shown.findIndex(({ check }) => check.id === id)
  const rest = shown.slice(at + 1)
  return (rest.find(({ outcome }) => outcome.verdict === 'not-inspected') ?? rest[0])?.check.id
}

const UnitHeading = memo(function UnitHeading({ label, sheet }: { label: string; sheet: string }) {
  return (
    <HStack px="18px" pt="16px" pb="4px" gap="10px" align="baseline">
      <Text fontWeight={600}>{label}</Text>
      <SmallPrint>{sheet}</SmallPrint>
    </HStack>
  )
})

const RowButton = chakra('button', {
  base: {
    w: '100%',
    textAlign: 'left',
    display: 'grid',
    gridTemplateColumns: '1fr auto',
    columnGap: '10px',
    alignItems: 'center',
    minH: '50px',
    px: '18px',
    py: '5px',
    cursor: 'pointer',
    _hover: { bg: 'panel' },
  },
})

/** A row is put into words again only when it was judged again, and drawn again only when one of its own words changes. */
const Row = memo(function Row({ judged, saying }: { judged: JudgedCheck; saying: (said: Said) => string }) {
  const { check, outcome } = judged
  const expired = expiredInstrument(judged)
  const said = expired
    ? `${expired.name} was out of calibration`
    : 'finding' in outcome
      ? saying(outcome.finding)
      : saying(check.required)
  const colour = outcome.verdict === 'does-not-conform' ? 'danger' : expired ? 'unproven' : 'faint'
  return <PlainRow id={check.id} title={check.title} said={said} colour={colour} verdict={outcome.verdict} />
})

const PlainRow = memo(function PlainRow({
  id,
  title,
  said,
  colour,
  verdict,
}: {
  id: string
  title: string
  said: string
  colour: string
  verdict: Verdict
}) {
  return (
    <RowButton type="button" onClick={() => useFocus.getState().openCheck(id)} data-check={id}>
      <Box minW={0}>
        <Text lineHeight={1.2}>{title}</Text>
        <Text fontSize="13px" color={colour} lineHeight={1.25} lineClamp={1}>
          {said}
        </Text>
      </Box>
      <VerdictMark verdict={verdict} />
    </RowButton>
  )
})

/** Arrow keys move from check to check while no field is being typed in. */
function useArrows(
  shown: readonly JudgedCheck[],
  checkId: string | undefined,
  openCheck: (id: string | undefined) => void,
): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented) return
      const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
      // Where arrows mean something of their own they are left alone.
      const field =
        event.target instanceof Element &&
        event.target.closest(
          'select, textarea, input[type=number], input[type=date], input[type=datetime-local]',
        )
      if (event.key === 'Escape') return openCheck(undefined)
      if (step === 0 || field || event.altKey) return
      event.preventDefault()
      const at = shown.findIndex(({ check }) => check.id === checkId)
      const next = shown[Math.min(shown.length - 1, Math.max(0, at + step))]
      if (next) openCheck(next.check.id)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [shown, checkId, openCheck])
}
