import { Box, Button, Flex, chakra } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import type { JsonSchema } from '@plumb-mark/core'
import { pastedBlock } from '../ui/pasted-block.js'
import { Select } from '../ui/select.js'
import { useFormWords } from './words/context.js'
import { Danger, SmallDanger } from '../ui/theme/text.js'
import { IconButton } from '../ui/buttons.js'

const MOST_COLUMNS = 6

/** The columns of a list that is a small table: rows of plain fields, few of them. Undefined for any other list. */
export function columnsOf({ type, properties, oneOf }: JsonSchema): string[] | undefined {
  const names = Object.keys(properties ?? {})
  const plain = names.every((name) => {
    const one = properties![name]!
    return one.type !== 'object' && one.type !== 'array' && !one.oneOf
  })
  return type === 'object' && !oneOf && plain && names.length > 1 && names.length <= MOST_COLUMNS
    ? names
    : undefined
}

/** A list as a small table: filled by keyboard, or with a block of figures out of a spreadsheet. */
export function TableFields({
  item,
  columns,
  rows,
  path,
  label,
  problems,
  onChange,
}: {
  item: JsonSchema
  columns: readonly string[]
  rows: readonly Record<string, unknown>[]
  path: string
  label: string
  problems: Readonly<Record<string, string>>
  onChange: (rows: Record<string, unknown>[]) => void
}) {
  const words = useFormWords()
  const set = (at: number, name: string, value: unknown) =>
    onChange(rows.map((row, i) => (i === at ? { ...row, [name]: value } : row)))
  const paste = async (event: React.ClipboardEvent, row: number, column: number) => {
    const block = await pastedBlock(event)
    if (!block) return
    const next = rows.map((one) => ({ ...one }))
    block.forEach((line, i) =>
      line.forEach((cell, j) => {
        const name = columns[column + j]
        if (name !== undefined) (next[row + i] ??= {})[name] = cell.trim()
      }),
    )
    onChange(next)
  }
  const wrong = Object.entries(problems).filter(([at]) => at.startsWith(`${path}[`))
  return (
    <Box>
      {problems[path] && <Danger role="alert">{problems[path]}</Danger>}
      <Box overflowX="auto">
        <Grid aria-label={label}>
          <thead>
            <tr>
              {columns.map((name) => {
                const unit = item.properties![name]!['x-unit']
                return (
                  <th key={name} scope="col">
                    {words.field(`${path}[0].${name}`, name).label}
                    {unit && <chakra.span color="faint">, {unit}</chakra.span>}
                  </th>
                )
              })}
              <td />
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                {columns.map((name, k) => {
                  const at = `${path}[${i}].${name}`
                  return (
                    <td key={name}>
                      <TableCell
                        schema={item.properties![name]!}
                        name={`${words.field(at, name).label}, row ${i + 1}`}
                        value={row[name]}
                        wrong={at in problems}
                        onChange={(value) => set(i, name, value)}
                        onPaste={(event) => void paste(event, i, k)}
                      />
                    </td>
                  )
                })}
                <td>
                  <IconButton
                    aria-label={`Remove ${label} ${i + 1}`}
                    onClick={() => onChange(rows.filter((_, j) => j !== i))}
                  >
                    <X size={18} />
                  </IconButton>
                </td>
              </tr>
            ))}
          </tbody>
        </Grid>
      </Box>
      {wrong.map(([at, problem]) => (
        <SmallDanger key={at} role="alert">
          {rowWords(at, path)}: {problem}
        </SmallDanger>
      ))}
      <Flex>
        <Button variant="plain" onClick={() => onChange([...rows, structuredClone(rows.at(-1) ?? {})])}>
          <Plus size={16} /> Add
        </Button>
      </Flex>
    </Box>
  )
}

/** “strings[2].voc” → “row 3”. */
const rowWords = (at: string, path: string): string =>
  `row ${Number(at.slice(path.length + 1).split(']')[0]) + 1}`

const Grid = chakra('table', {
  base: {
    borderSpacing: '4px',
    borderCollapse: 'separate',
    '& th': { textAlign: 'left', fontWeight: 400, fontSize: '13px', color: 'faint', verticalAlign: 'bottom' },
  },
})

const CellInput = chakra('input', {
  base: {
    w: '100%',
    minW: '78px',
    h: '44px',
    px: '8px',
    bg: 'panel',
    border: '1px solid',
    borderColor: 'faint',
    borderRadius: '4px',
    fontFamily: 'mono',
    fontSize: '15px',
    '&[aria-invalid]': { borderColor: 'danger' },
  },
})

function TableCell({
  schema,
  name,
  value,
  wrong,
  onChange,
  onPaste,
}: {
  schema: JsonSchema
  name: string
  value: unknown
  wrong: boolean
  onChange: (value: unknown) => void
  onPaste: (event: React.ClipboardEvent) => void
}) {
  const words = useFormWords()
  if (schema.type === 'boolean')
    return (
      <chakra.input
        type="checkbox"
        w="22px"
        h="22px"
        aria-label={name}
        checked={value === true || (value === undefined && schema.default === true)}
        onChange={({ target }) => onChange(target.checked)}
      />
    )
  if (schema.enum)
    return (
      <Select aria-label={name} value={String(value ?? '')} onChange={({ target }) => onChange(target.value)}>
        <option value="">–</option>
        {schema.enum.map((one) => (
          <option key={String(one)} value={String(one)}>
            {words.option(String(one))}
          </option>
        ))}
      </Select>
    )
  return (
    <CellInput
      aria-label={name}
      aria-invalid={wrong || undefined}
      autoComplete="off"
      value={typeof value === 'string' || typeof value === 'number' ? String(value) : ''}
      onChange={({ target }) => onChange(target.value)}
      onPaste={onPaste}
    />
  )
}
