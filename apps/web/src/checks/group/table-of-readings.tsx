import { Box, chakra } from '@chakra-ui/react'
import { useMemo, useRef, useState } from 'react'
import {
  judgeTyped,
  pasteInto,
  readingBody,
  readingTable,
  unreadBelow,
  type Change,
  type CheckGroup,
  type Condition,
  type JudgedCheck,
  type ReadingTable,
  type TypedJudgement,
} from '@plumb-mark/core'
import { pastedBlock } from '../../ui/pasted-block.js'
import { SmallDanger, SmallPrint } from '../../ui/theme/text.js'
import { useDecimal } from '../../data/preferences.js'
import { choiceOf, useInputDefaults } from '../../data/input-defaults.js'
import { useInspection } from '../../job/inspection.js'
import { useMessageText } from '../../job/message-text.js'
import { useCommit } from '../../job/use-commit.js'
import { ConditionFields, useConditions } from '../conditions.js'
import { CellAtHand } from './cell-at-hand.js'
import { TableCell, readAt } from './table-cell.js'
import { HandButton } from '../../ui/buttons.js'

const SAME_AGAIN = '='

/**
 * Readings of equal things: Enter keeps one and goes down the column, Tab goes along the row, = reads the same as above, a block of
 * figures is pasted whole or not at all.
 */
export function TableOfReadings({
  group,
  startAt,
  onDone,
}: {
  group: CheckGroup
  /** The check whose cell has the focus first: where one comes back from. */
  startAt: string | undefined
  onDone: () => void
}) {
  const table = useMemo(() => readingTable(group), [group])
  const saying = useMessageText()
  const start = useMemo(() => placeOf(table, startAt), [table, startAt])
  const [[atRow, atColumn], setAt] = useState(start)
  const wanted = useMemo(() => conditionsOf(group.checks), [group])
  const conditions = useConditions(wanted)
  const judgeCell = useJudging(conditions.values)
  const commit = useCommit()
  const [drafts, setDrafts] = useState<Readonly<Record<string, string>>>({})
  const [problem, setProblem] = useState<string>()
  const grid = useRef<HTMLTableElement>(null)
  const cellAt = (row: number, column: number) =>
    grid.current?.querySelector<HTMLInputElement>(`input[data-cell="${row} ${column}"]`)

  const typing = (id: string, typed: string | undefined) =>
    setDrafts(({ [id]: _before, ...rest }) => (typed === undefined ? rest : { ...rest, [id]: typed }))
  /** Keeps what was typed in cells, all as one step; a figure that cannot be read stays as it is typed, with the reason. */
  const keep = (cells: readonly { judged: JudgedCheck; typed: string }[]): boolean => {
    const read = cells.map((cell) => ({ ...cell, ...judgeCell(cell.judged, cell.typed) }))
    const bad = read.find(({ judgement }) => !judgement.ok)
    for (const { judged, typed } of read) typing(judged.check.id, bad ? typed : undefined)
    if (bad && !bad.judgement.ok) {
      setProblem(`${bad.judged.check.title}: ${bad.judgement.problem.message}`)
      return false
    }
    setProblem(undefined)
    const changes = read.map(({ judged, judgement, instrument }): Change => {
      const body = readingBody(judged.check, judgement as Extract<TypedJudgement, { ok: true }>, {
        instrument,
        conditions: conditions.values,
      })
      return { kind: 'reading', body }
    })
    return commit(...changes)
  }
  const trialOf = (judged: JudgedCheck) => {
    const draft = drafts[judged.check.id]
    return draft ? judgeCell(judged, draft).judgement : undefined
  }
  const nameOf = (row: number, column: number) => `${table.rows[row]!.label}, ${table.columns[column]!.title}`
  const atHand = table.rows[atRow]?.cells[atColumn]
  const typedHere = atHand && (drafts[atHand.check.id] ?? readAt(atHand))
  const below = unreadBelow(table, { row: atRow, column: atColumn }).filter(({ check }) => !drafts[check.id])
  /** Typed, and not kept before somebody says so. */
  const fillDown = () => {
    const filled = Object.fromEntries(below.map(({ check }) => [check.id, typedHere!]))
    setDrafts((before) => ({ ...before, ...filled }))
  }
  const unkept = group.checks.flatMap((judged) => {
    const typed = drafts[judged.check.id]?.trim()
    return typed ? [{ judged, typed }] : []
  })
  const next = (row: number, column: number) => {
    const after = table.columns.flatMap((_, c) => table.rows.map((_, r) => [r, c] as const))
    const here = after.findIndex(([r, c]) => r === row && c === column)
    const to = after.slice(here + 1).find(([r, c]) => table.rows[r]!.cells[c])
    if (to) cellAt(...to)?.focus()
    else onDone()
  }
  const above = (row: number, column: number) => {
    const cells = table.rows.slice(0, row).map(({ cells: line }) => line[column])
    return readAt(cells.findLast((judged) => judged && readAt(judged)))
  }
  const paste = async (event: React.ClipboardEvent, row: number, column: number) => {
    const block = await pastedBlock(event)
    if (!block) return
    const pasted = pasteInto(table, block, { row, column })
    if (pasted.ok) keep(pasted.cells)
    else setProblem(pasted.message)
  }
  return (
    <Box>
      <ConditionFields wanted={wanted} problems={conditions.problems} />
      <Box overflowX="auto" mx="-6px">
        <Grid ref={grid} aria-label={group.title}>
          <thead>
            <tr>
              <td />
              {table.columns.map(({ id, title, unit, required }) => (
                <th key={id} scope="col">
                  {title}
                  {unit && <chakra.span color="faint">, {unit}</chakra.span>}
                  {required && table.columns.length > 1 && <Required>{saying(required)}</Required>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.rows.map((row, r) => (
              <tr key={row.id}>
                <th scope="row">
                  {row.label}
                  {row.required && <Required>{saying(row.required)}</Required>}
                </th>
                {row.cells.map((judged, c) => (
                  <td key={table.columns[c]!.id}>
                    {judged && (
                      <TableCell
                        judged={judged}
                        unit={table.columns[c]!.unit}
                        draft={drafts[judged.check.id]}
                        trial={trialOf(judged)}
                        name={nameOf(r, c)}
                        at={`${r} ${c}`}
                        first={r === start[0] && c === start[1]}
                        onFocus={() => setAt([r, c])}
                        onType={(typed) => {
                          if (typed.trim() !== SAME_AGAIN) return typing(judged.check.id, typed)
                          const same = above(r, c)
                          if (same !== undefined && keep([{ judged, typed: same }])) next(r, c)
                        }}
                        onKeep={(typed) => keep([{ judged, typed }])}
                        onNext={() => next(r, c)}
                        onPaste={(event) => void paste(event, r, c)}
                      />
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Grid>
      </Box>
      {atHand && (
        <CellAtHand
          key={atHand.check.id}
          judged={atHand}
          name={nameOf(atRow, atColumn)}
          trial={trialOf(atHand)}
          onBack={() => cellAt(atRow, atColumn)?.focus()}
          onFillDown={typedHere && below.length > 0 ? fillDown : undefined}
        />
      )}
      {unkept.length > 0 && (
        <HandButton mt="6px" onClick={() => keep(unkept)}>
          Save {unkept.length === 1 ? 'this reading' : `${unkept.length} readings`}
        </HandButton>
      )}
      {problem && (
        <SmallDanger role="alert" mt="4px">
          {problem}
        </SmallDanger>
      )}
      <SmallPrint mt="4px">
        Enter keeps and goes down, = reads as above, a block of figures can be pasted. Touch a mark to open
        its check.
      </SmallPrint>
    </Box>
  )
}

const Grid = chakra('table', {
  base: {
    w: '100%',
    borderSpacing: '6px 4px',
    borderCollapse: 'separate',
    '& th': {
      fontWeight: 500,
      fontSize: '13px',
      textAlign: 'left',
      lineHeight: 1.2,
      verticalAlign: 'bottom',
    },
    '& tbody th': { fontSize: '15px', fontWeight: 600, verticalAlign: 'middle', pr: '2px', maxW: '84px' },
    '& td': { position: 'relative', minW: '72px', h: '46px' },
    // The last of a row grows towards the others.
    '& td:last-of-type:not(:first-of-type) > :focus-within': { insetInlineEnd: 0 },
  },
})

/** At a head only as much as fits; whole with the cell at hand. */
const Required = chakra('div', { base: { fontWeight: 400, color: 'faint', lineClamp: 3 } })

/** Row and column of a check; the first cell where it is not in the table. */
function placeOf({ rows }: ReadingTable, checkId: string | undefined): [row: number, column: number] {
  const row = rows.findIndex(({ cells }) => cells.some((judged) => judged?.check.id === checkId))
  if (checkId === undefined || row < 0) return [0, rows[0]?.cells.findIndex(Boolean) ?? 0]
  return [row, rows[row]!.cells.findIndex((judged) => judged?.check.id === checkId)]
}

const conditionsOf = (checks: readonly JudgedCheck[]): Condition[] => [
  ...new Set(checks.flatMap(({ check: { ask } }) => (ask.kind === 'reading' ? ask.conditions : []))),
]

/** What comes of a figure at a check, with the instrument in hand for what it measures. */
function useJudging(conditions: Partial<Record<Condition, number>>) {
  const { inspection, instruments } = useInspection()
  const lastUsed = useInputDefaults((habits) => habits.instruments)
  const decimal = useDecimal()
  return ({ check }: JudgedCheck, typed: string) => {
    const { ask } = check
    const instrument =
      ask.kind === 'reading'
        ? choiceOf(instruments, ask.dimension, lastUsed[ask.dimension]).offered
        : undefined
    const judgement = judgeTyped(check, typed, { instrument, conditions }, inspection!.context, { decimal })
    return { judgement, instrument }
  }
}
