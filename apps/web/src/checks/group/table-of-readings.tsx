import { Box, Button, Text, chakra } from '@chakra-ui/react'
import { useMemo, useRef, useState } from 'react'
import {
  inForce,
  judgeTyped,
  pasteInto,
  readingBody,
  readingTable,
  type Change,
  type CheckGroup,
  type Condition,
  type JudgedCheck,
  type TypedJudgement,
} from '@plumb-mark/core'
import { SmallPrint } from '../../ui/theme/text.js'
import { VerdictShape } from '../../ui/verdict-mark.js'
import { useDecimal } from '../../data/preferences.js'
import { choiceOf, useInputDefaults } from '../../data/input-defaults.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'
import { ConditionFields, useConditions } from '../conditions.js'

const SAME_AGAIN = '='

/**
 * Readings of equal things: Enter keeps one and goes down the column, Tab goes along the row, = reads the same as above, a block of
 * figures is pasted whole or not at all.
 */
export function TableOfReadings({ group, onDone }: { group: CheckGroup; onDone: () => void }) {
  const table = useMemo(() => readingTable(group), [group])
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
    const text = event.clipboardData.getData('text/plain')
    if (!/[\t\n]/.test(text.trim())) return
    event.preventDefault()
    const { default: Papa } = await import('papaparse')
    const { data } = Papa.parse<string[]>(text.trim(), { delimiter: text.includes('\t') ? '\t' : '' })
    const pasted = pasteInto(table, data, { row, column })
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
              {table.columns.map(({ id, title, unit }) => (
                <th key={id} scope="col">
                  {title}
                  {unit && <chakra.span color="faint">, {unit}</chakra.span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.rows.map((row, r) => (
              <tr key={row.id}>
                <th scope="row">{row.label}</th>
                {row.cells.map((judged, c) => (
                  <td key={table.columns[c]!.id}>
                    {judged && (
                      <Cell
                        judged={judged}
                        draft={drafts[judged.check.id]}
                        trial={
                          drafts[judged.check.id]
                            ? judgeCell(judged, drafts[judged.check.id]!).judgement
                            : undefined
                        }
                        name={`${row.label}, ${table.columns[c]!.title}`}
                        at={`${r} ${c}`}
                        first={r === 0 && c === 0}
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
      {unkept.length > 0 && (
        <Button mt="6px" h="52px" onClick={() => keep(unkept)}>
          Save {unkept.length === 1 ? 'this reading' : `${unkept.length} readings`}
        </Button>
      )}
      {problem && (
        <Text role="alert" color="danger" fontSize="15px" mt="4px">
          {problem}
        </Text>
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
    '& td': { position: 'relative', minW: '72px' },
  },
})

const CellInput = chakra('input', {
  base: {
    w: '100%',
    h: '46px',
    pl: '5px',
    pr: '23px',
    fontFamily: 'mono',
    fontSize: '15px',
    letterSpacing: '-0.06em',
    bg: 'paper',
    border: '1px solid',
    borderColor: 'hair',
    borderRadius: '4px',
    '&[aria-invalid]': { borderColor: 'danger' },
  },
})

function Cell({
  judged,
  draft,
  trial,
  name,
  at,
  first,
  onType,
  onKeep,
  onNext,
  onPaste,
}: {
  judged: JudgedCheck
  draft: string | undefined
  trial: TypedJudgement | undefined
  name: string
  at: string
  first: boolean
  onType: (typed: string) => void
  onKeep: (typed: string) => boolean
  onNext: () => void
  onPaste: (event: React.ClipboardEvent) => void
}) {
  const openCheck = useFocus((focus) => focus.openCheck)
  const kept = readAt(judged)
  // The same figure typed once more is a new reading: the instrument in hand may be another.
  const changed = draft !== undefined && draft.trim() !== ''
  const outcome = trial?.ok ? trial.outcome : judged.outcome
  return (
    <>
      <CellInput
        value={draft ?? kept ?? ''}
        aria-label={name}
        aria-invalid={trial && !trial.ok ? true : undefined}
        data-cell={at}
        autoFocus={first}
        autoComplete="off"
        onFocus={({ target }) => target.select()}
        onChange={({ target }) => onType(target.value)}
        onPaste={onPaste}
        onKeyDown={(event) => {
          // Enter and Tab keep; a figure that is left otherwise stays as it is typed, and counts for nothing yet.
          if (event.key === 'Tab' && changed && !onKeep(draft)) event.preventDefault()
          if (event.key !== 'Enter') return
          event.preventDefault()
          if (!changed || onKeep(draft)) onNext()
        }}
      />
      <Mark
        type="button"
        tabIndex={-1}
        aria-label={`Open ${name}: ${outcome.verdict.replaceAll('-', ' ')}`}
        data-check={judged.check.id}
        data-verdict={outcome.verdict}
        onClick={() => openCheck(judged.check.id)}
      >
        <VerdictShape verdict={outcome.verdict} size={16} />
      </Mark>
    </>
  )
}

const Mark = chakra('button', {
  base: {
    position: 'absolute',
    right: 0,
    top: 0,
    h: '46px',
    w: '26px',
    display: 'grid',
    placeItems: 'center',
    cursor: 'pointer',
  },
})

/** What is in force at a check, as it was typed. */
function readAt(judged: JudgedCheck | undefined): string | undefined {
  const last = inForce(judged?.history)
  return last?.kind === 'reading' ? last.body.typed : undefined
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
