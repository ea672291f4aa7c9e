import { chakra } from '@chakra-ui/react'
import { inForce, type JudgedCheck, type TypedJudgement } from '@plumb-mark/core'
import { VerdictShape } from '../../ui/verdict-mark.js'
import { useFocus } from '../../job/focus.js'

/** What is in force at a check, as it was typed. */
export function readAt(judged: JudgedCheck | undefined): string | undefined {
  const last = inForce(judged?.history)
  return last?.kind === 'reading' ? last.body.typed : undefined
}

/** The same without the unit that the head of the column says already. */
const withoutUnit = (typed: string, unit: string | undefined): string =>
  unit !== undefined && typed.endsWith(unit) ? typed.slice(0, -unit.length).trim() : typed

/** With the focus a cell is as wide as what stands in it, over its neighbours. */
const CellBox = chakra('div', {
  base: {
    position: 'relative',
    '&:focus-within': { position: 'absolute', insetBlockStart: 0, minW: '100%', zIndex: 1 },
    '&:focus-within input': { fieldSizing: 'content', minW: '100%', letterSpacing: 'normal' },
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

/** One figure of the table and what becomes of it; Enter and Tab keep what is typed. */
export function TableCell({
  judged,
  unit,
  draft,
  trial,
  name,
  at,
  first,
  onFocus,
  onType,
  onKeep,
  onNext,
  onPaste,
}: {
  judged: JudgedCheck
  /** What a figure without a unit is read in. */
  unit: string | undefined
  draft: string | undefined
  trial: TypedJudgement | undefined
  name: string
  at: string
  first: boolean
  onFocus: () => void
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
    <CellBox>
      <CellInput
        value={draft ?? (kept === undefined ? '' : withoutUnit(kept, unit))}
        aria-label={name}
        aria-invalid={trial && !trial.ok ? true : undefined}
        data-cell={at}
        autoFocus={first}
        autoComplete="off"
        onFocus={({ target }) => {
          target.select()
          onFocus()
        }}
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
    </CellBox>
  )
}
