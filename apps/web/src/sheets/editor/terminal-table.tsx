import { Box, Button, chakra } from '@chakra-ui/react'
import { ArrowDownToLine, Copy, Plus, Trash2 } from 'lucide-react'
import { useRef, useState } from 'react'
import {
  CLAMPS,
  CLAMP_NAMES,
  TERMINAL_COLUMNS,
  TERMINAL_SIDES,
  cellText,
  filledDown,
  hasCell,
  withCell,
  withDuplicate,
  withPasted,
  withPhases,
  withTerminal,
  type TerminalColumn,
  type TerminalDraft,
} from '@plumb-mark/core'
import { useDecimal } from '../../data/preferences.js'
import { pastedBlock } from '../../ui/pasted-block.js'
import { Problem } from '../../ui/problem.js'
import { Faint, SmallDanger, SmallPrint } from '../../ui/theme/text.js'
import { Cluster } from '../../ui/cluster.js'

const HEADS = {
  label: 'As marked',
  side: 'Side',
  clamp: 'How it holds',
  torque: 'Torque',
  strip: 'Strip length',
  conductor: 'Conductor size',
} satisfies Record<TerminalColumn, string>

const EXAMPLES: Partial<Record<TerminalColumn, string>> = {
  torque: '2.2–2.8 N·m',
  strip: '11–13 mm',
  conductor: '4–6 mm²',
}
const CHOICES: Partial<Record<TerminalColumn, readonly (readonly [string, string])[]>> = {
  side: TERMINAL_SIDES.map((side) => [side, side]),
  clamp: CLAMPS.map((clamp) => [clamp, CLAMP_NAMES[clamp]]),
}

/** Where somebody writes: the row and column, and the text of a cell that is not left yet. */
interface Here {
  row: number
  column: TerminalColumn
  typed?: string
}

/**
 * The terminals of a unit as its manual has them, as a table: Enter goes down a column, a row is written once more with the next label, a
 * figure is filled down, three phases are written at once, and a block of cells is pasted.
 */
export function TerminalTable({
  terminals,
  problems,
  onChange,
}: {
  terminals: readonly TerminalDraft[]
  problems: Readonly<Record<string, string>>
  onChange: (terminals: readonly TerminalDraft[]) => void
}) {
  const decimal = useDecimal()
  const [here, setHere] = useState<Here>({ row: Math.max(0, terminals.length - 1), column: 'label' })
  const [refused, setRefused] = useState('')
  const table = useRef<HTMLTableElement>(null)
  const goTo = (row: number, column: TerminalColumn) =>
    // A row that is being added stands in the table a moment later.
    setTimeout(() => table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)?.focus())
  const write = (row: number, column: TerminalColumn, typed: string) =>
    onChange(terminals.map((one, i) => (i === row ? withCell(one, column, typed, { decimal }) : one)))
  const add = (rows: readonly TerminalDraft[], row: number) => {
    onChange(rows)
    goTo(row, 'label')
  }
  const paste = async (event: React.ClipboardEvent, row: number, column: TerminalColumn) => {
    const block = await pastedBlock(event)
    if (!block) return
    const pasted = withPasted(terminals, block, { row, column }, { decimal })
    setRefused(pasted.ok ? '' : pasted.message)
    if (pasted.ok) onChange(pasted.rows)
  }
  const faults = Object.entries(problems).filter(([path]) => path.startsWith('terminals'))
  const at = Math.min(here.row, terminals.length - 1)
  const beneath = terminals.length - 1 - at
  return (
    <Box>
      {terminals.length > 0 && (
        <Box overflowX="auto">
          <Grid ref={table} aria-label="Terminals">
            <thead>
              <tr>
                {TERMINAL_COLUMNS.map((column) => (
                  <th key={column} scope="col">
                    {HEADS[column]}
                  </th>
                ))}
                <td />
              </tr>
            </thead>
            <tbody>
              {terminals.map((row, r) => (
                <tr key={r}>
                  {TERMINAL_COLUMNS.map((column) => (
                    <td key={column}>
                      <Cell
                        row={row}
                        column={column}
                        name={`${HEADS[column]}, ${String(row['label'] || `terminal ${r + 1}`)}`}
                        at={`${r} ${column}`}
                        typed={here.row === r && here.column === column ? here.typed : undefined}
                        wrong={faults.some(([path]) => path.startsWith(`terminals[${r}].${column}`))}
                        onHere={() => setHere({ row: r, column })}
                        onLeave={() => setHere({ row: r, column })}
                        onType={(typed) => {
                          setHere({ row: r, column, typed })
                          write(r, column, typed)
                        }}
                        onDown={() =>
                          r + 1 < terminals.length
                            ? goTo(r + 1, column)
                            : add(withTerminal(terminals), terminals.length)
                        }
                        onPaste={(event) => void paste(event, r, column)}
                      />
                    </td>
                  ))}
                  <td>
                    <Icon
                      variant="plain"
                      aria-label={`Remove ${String(row['label'] || `terminal ${r + 1}`)}`}
                      onClick={() => onChange(terminals.toSpliced(r, 1))}
                    >
                      <Trash2 size={17} />
                    </Icon>
                  </td>
                </tr>
              ))}
            </tbody>
          </Grid>
        </Box>
      )}
      {terminals.length === 0 && <Faint>No terminal yet.</Faint>}
      <Cluster mt="8px">
        <Button variant="outline" onClick={() => add(withTerminal(terminals), terminals.length)}>
          <Plus size={17} /> Terminal
        </Button>
        {terminals.length > 0 && (
          <Button variant="outline" onClick={() => add(withDuplicate(terminals, at), at + 1)}>
            <Copy size={17} /> Duplicate {String(terminals[at]?.['label'] ?? '')}
          </Button>
        )}
        <Button variant="outline" onClick={() => onChange(withPhases(terminals, at))}>
          L1 to L3
        </Button>
        {beneath > 0 && here.column !== 'label' && (
          <Button variant="outline" onClick={() => onChange(filledDown(terminals, at, here.column))}>
            <ArrowDownToLine size={17} /> Fill {HEADS[here.column].toLowerCase()} down
          </Button>
        )}
      </Cluster>
      <Problem>{refused}</Problem>
      {faults.map(([path, message]) => (
        <SmallDanger key={path}>
          {whereIs(path, terminals)}: {message}
        </SmallDanger>
      ))}
      <SmallPrint mt="4px">
        Windows as in the manual: 2.2–2.8 N·m, 2.5 N·m ± 6 %, at least 11 mm. Enter goes down, a block of
        cells can be pasted.
      </SmallPrint>
    </Box>
  )
}

/** “PV1 +, torque” for the path of a fault. */
function whereIs(path: string, terminals: readonly TerminalDraft[]): string {
  const [, row, column] = /^terminals\[(\d+)\](?:\.(\w+))?/.exec(path) ?? []
  if (row === undefined) return 'Terminals'
  const label = String(terminals[Number(row)]?.['label'] || `terminal ${Number(row) + 1}`)
  const head = column && HEADS[column as TerminalColumn]
  return head ? `${label}, ${head.toLowerCase()}` : label
}

function Cell({
  row,
  column,
  name,
  at,
  typed,
  wrong,
  onHere,
  onLeave,
  onType,
  onDown,
  onPaste,
}: {
  row: TerminalDraft
  column: TerminalColumn
  name: string
  at: string
  typed: string | undefined
  wrong: boolean
  onHere: () => void
  onLeave: () => void
  onType: (typed: string) => void
  onDown: () => void
  onPaste: (event: React.ClipboardEvent) => void
}) {
  const decimal = useDecimal()
  const choices = CHOICES[column]
  const shared = {
    'aria-label': name,
    'aria-invalid': wrong || undefined,
    'data-cell': at,
    onFocus: onHere,
  }
  if (!hasCell(row, column))
    return (
      <Faint as="span" px="8px" aria-label={`${name}: none`}>
        –
      </Faint>
    )
  if (choices) {
    const value = cellText(row, column)
    const known = choices.some(([one]) => one === value)
    return (
      <CellSelect {...shared} value={value} onChange={({ target }) => onType(target.value)}>
        {!known && <option value={value}>{value || '–'}</option>}
        {choices.map(([one, word]) => (
          <option key={one} value={one}>
            {word}
          </option>
        ))}
      </CellSelect>
    )
  }
  return (
    <CellInput
      {...shared}
      value={typed ?? cellText(row, column, { decimal })}
      placeholder={EXAMPLES[column]}
      autoComplete="off"
      onBlur={onLeave}
      onChange={({ target }) => onType(target.value)}
      onPaste={onPaste}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return
        event.preventDefault()
        onDown()
      }}
    />
  )
}

const Grid = chakra('table', {
  base: {
    w: '100%',
    minW: '900px',
    borderCollapse: 'collapse',
    '& th': { fontWeight: 500, fontSize: '14px', textAlign: 'left', pb: '4px' },
    '& td': { p: '2px' },
    // On a phone the table is moved under what each row is called.
    '& td:first-of-type, & th:first-of-type': {
      w: '120px',
      position: 'sticky',
      left: 0,
      bg: 'paper',
      zIndex: 1,
    },
    '& td:nth-of-type(2)': { w: '94px' },
    '& td:nth-of-type(3)': { w: '206px' },
    '& td:last-of-type': { w: '48px' },
  },
})

const cell = {
  w: '100%',
  h: '44px',
  px: '8px',
  fontSize: '15px',
  bg: 'paper',
  border: '1px solid',
  borderColor: 'hair',
  borderRadius: '4px',
  '&[aria-invalid]': { borderColor: 'danger' },
  _placeholder: { color: 'faint', opacity: 0.55 },
}
const CellInput = chakra('input', { base: cell })
const CellSelect = chakra('select', { base: cell })
const Icon = chakra(Button, { base: { px: '0', minW: '44px' } })
