import { Box, Text, chakra } from '@chakra-ui/react'
import { memo, useEffect, useMemo, useState } from 'react'
import { checksOf, isLeft, listedChecks, type JudgedCheck, type ListItem, type Stage } from '@plumb-mark/core'
import { SmallPrint, Strong } from '../ui/theme/text.js'
import { useInspection } from '../job/inspection.js'
import { prefer, usePreferences } from '../data/preferences.js'
import { useFocus } from '../job/focus.js'
import { GroupPanel, GroupRow } from './group/group-panel.js'
import { OpenCheck } from './open-check.js'
import { CheckRow, useRowWords } from './row.js'
import { NOTHING, PASSES, StageHead, type StageFilter } from './stage-head.js'
import { lazyPart } from '../ui/lazy-part.js'
import { Cluster } from '../ui/cluster.js'

/** With more rows than this only those in sight are drawn, by a library of its own. */
const LONG = 120
const LongList = lazyPart(async () => (await import('./long-list.js')).LongList)

/** The checks of a stage, those that are answered together as one row; the row in focus opens. */
export function CheckList({ stage, id }: { stage: Stage; id?: string }) {
  const all = useInspection(({ inspection }) => inspection?.checks)
  const { checkId, groupKey, openCheck, openGroup } = useFocus()
  const [filter, setFilter] = useState<StageFilter>('all')
  const [unitId, setUnitId] = useState('')
  const words = useRowWords()
  const order = usePreferences(({ listOrder }) => listOrder)
  const here = useMemo(() => (all ?? []).filter(({ check }) => check.stage === stage), [all, stage])
  const ofUnit = useMemo(
    () => here.filter(({ check }) => unitId === '' || check.unit.id === unitId),
    [here, unitId],
  )
  const items = useMemo(
    () =>
      listedChecks(
        ofUnit.filter((judged) => PASSES[filter](judged) || judged.check.id === checkId),
        order,
      ),
    [ofUnit, filter, checkId, order],
  )
  const openAt = items.findIndex((item) =>
    checkId === undefined ? item.kind === 'group' && item.key === groupKey : holds(item, checkId),
  )
  const stops = stopsOf(items, openAt)
  useArrows(stops, { checkId, openKey: items[openAt]?.key })
  const goOn = () => {
    const next = nextAfter(items, openAt, checkId)
    if (next?.kind === 'group') openGroup(next.key)
    else openCheck(next?.key)
  }
  const draw = (item: ListItem, at: number) => {
    if (item.kind === 'heading') return <Heading label={item.label} sheet={item.sheet} />
    if (item.kind === 'check')
      return item.key === checkId ? (
        <OpenCheck judged={item.judged} onDone={goOn} />
      ) : (
        <CheckRow
          judged={item.judged}
          words={words}
          name={order === 'worst' ? nameWithUnit(item.judged) : undefined}
        />
      )
    if (at !== openAt) return <GroupRow group={item.group} />
    const open = item.group.checks.find(({ check }) => check.id === checkId)
    return <GroupPanel group={item.group} open={open} onDone={goOn} onNext={goOn} />
  }
  return (
    <Box pb={{ base: checkId ? '60dvh' : '40px', lg: '40px' }}>
      <StageHead
        stage={stage}
        here={here}
        ofUnit={ofUnit}
        filter={filter}
        onFilter={setFilter}
        unitId={unitId}
        onUnit={setUnitId}
        order={order}
        onOrder={(listOrder) => prefer({ listOrder })}
      />
      <Box id={id} tabIndex={-1} _focusVisible={{ outline: 'none' }}>
        {items.length === 0 && <Text p="18px">{NOTHING[filter]}</Text>}
        {items.length > LONG ? (
          <LongList
            count={items.length}
            keyOf={(i) => items[i]!.key}
            draw={(i) => draw(items[i]!, i)}
            open={openAt}
          />
        ) : (
          <Items>
            {items.map((item, i) => (
              <li key={item.key} data-open={i === openAt || undefined}>
                {draw(item, i)}
              </li>
            ))}
          </Items>
        )}
      </Box>
    </Box>
  )
}

/**
 * A closed row that is not in sight is neither laid out nor painted: with every key the page is painted anew. The list says it for all its
 * rows, so that a key works out no styles for each.
 */
const Items = chakra('ul', {
  base: {
    '& > li:not([data-open])': { contentVisibility: 'auto', containIntrinsicBlockSize: 'auto 50px' },
  },
})

const holds = (item: ListItem, checkId: string): boolean =>
  item.kind === 'check'
    ? item.key === checkId
    : item.kind === 'group' && item.group.checks.some(({ check }) => check.id === checkId)

const nameWithUnit = ({ check }: JudgedCheck) => `${check.title}, ${check.unit.label}`

/** Where the list can stand still: a group as one, and its checks once it is open. */
type Stop = { kind: 'check' | 'group'; key: string }
const stopsOf = (items: readonly ListItem[], openAt: number): Stop[] =>
  items.flatMap((item, at): Stop[] => {
    if (item.kind === 'heading') return []
    if (item.kind === 'check') return [{ kind: 'check', key: item.key }]
    const inside =
      at === openAt ? checksOf([item]).map(({ check }) => ({ kind: 'check' as const, key: check.id })) : []
    return [{ kind: 'group', key: item.key }, ...inside]
  })

/** The next that still wants something: first in the group at hand, then further down; else simply the next one. */
function nextAfter(
  items: readonly ListItem[],
  openAt: number,
  checkId: string | undefined,
): Stop | undefined {
  const wants = ({ outcome }: JudgedCheck) => outcome.verdict === 'not-inspected'
  const inside = checkId === undefined ? [] : checksOf(items.slice(openAt, openAt + 1))
  const sibling = inside.slice(inside.findIndex(({ check }) => check.id === checkId) + 1).find(wants)
  if (sibling) return { kind: 'check', key: sibling.check.id }
  const rest = items.slice(openAt + 1).filter(({ kind }) => kind !== 'heading') as Exclude<
    ListItem,
    { kind: 'heading' }
  >[]
  const next = rest.find((item) => checksOf([item]).some((one) => isLeft(one) && wants(one))) ?? rest[0]
  return next && { kind: next.kind, key: next.key }
}

const Heading = memo(function Heading({ label, sheet }: { label: string; sheet: string }) {
  return (
    <Cluster px="18px" pt="16px" pb="4px" alignItems="baseline" rowGap={0}>
      <Strong>{label}</Strong>
      <SmallPrint>{sheet}</SmallPrint>
    </Cluster>
  )
})

/** Arrow keys move from check to check while no field is being typed in; Escape goes from a check to its group, and closes that. */
function useArrows(
  stops: readonly Stop[],
  { checkId, openKey }: { checkId: string | undefined; openKey: string | undefined },
): void {
  const { openCheck, openGroup } = useFocus.getState()
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented) return
      if (event.key === 'Escape')
        return checkId !== undefined && openKey !== checkId ? openGroup(openKey) : openGroup(undefined)
      const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
      // Where arrows mean something of their own they are left alone.
      const field =
        event.target instanceof Element &&
        event.target.closest(
          'select, textarea, input[type=number], input[type=date], input[type=datetime-local]',
        )
      if (step === 0 || field || event.altKey) return
      event.preventDefault()
      const at = stops.findIndex(({ key }) => key === (checkId ?? openKey))
      const next = stops[Math.min(stops.length - 1, Math.max(0, at + step))]
      if (next?.kind === 'check') openCheck(next.key)
      else if (next) openGroup(next.key)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [stops, checkId, openKey, openCheck, openGroup])
}
