import { Box, Button, Flex, Grid, HStack, Input, Textarea, chakra } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { variantOf, type JsonSchema } from '@plumb-mark/core'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { Field } from '../ui/field.js'
import { useDecimal } from '../data/preferences.js'
import { TableFields, columnsOf } from './table-fields.js'
import { useFormWords } from './words/context.js'
import type { FieldWords } from './words/fields.js'
import { Danger, Strong } from '../ui/theme/text.js'
import { IconButton } from '../ui/buttons.js'

interface Props {
  schema: JsonSchema
  value: unknown
  path: string
  label: string
  /** What stands beside the label: what it is about, what is usual. */
  about?: FieldWords
  problems: Readonly<Record<string, string>>
  onChange: (value: unknown) => void
}

/** A form made from the shape that the calculator itself reads: every figure takes any unit of its kind. */
export function SchemaForm(props: Props) {
  const { schema } = props
  if (schema.oneOf && schema.oneOf.every(({ type }) => type === 'object')) return <VariantFields {...props} />
  if (schema.type === 'array') return <ListFields {...props} />
  if (schema.type === 'object' && schema.additionalProperties) return <DictionaryFields {...props} />
  if (schema.type === 'object') return <ObjectFields {...props} />
  return <OneField {...props} />
}

const join = (path: string, name: string) => (path ? `${path}.${name}` : name)
const isPlain = ({ type, oneOf }: JsonSchema) =>
  type !== 'object' && type !== 'array' && !(oneOf && oneOf.every((one) => one.type === 'object'))

/** Fields that hold a sentence, and those that hold a line of words: both take the whole width. */
const LONG = /(^|\.)(remedy|question|statement|source)$/
const WIDE = /(^|\.)title$/

function OneField({ schema, value, path, label, about, problems, onChange }: Props) {
  const words = useFormWords()
  const problem = problems[path]
  if (schema.type === 'boolean') {
    return (
      <chakra.label display="flex" alignItems="center" gap="10px" minH="44px" pt="18px">
        <chakra.input
          type="checkbox"
          checked={value === true || (value === undefined && schema.default === true)}
          onChange={(event) => onChange(event.target.checked)}
          w="22px"
          h="22px"
        />
        {label}
      </chakra.label>
    )
  }
  if (schema.enum) {
    return (
      <ChoiceField
        label={label}
        problem={problem}
        value={String(value ?? schema.default ?? '')}
        hint={hintOf(schema, about)}
        options={[['', '–'], ...optionsOf(schema.enum.map(String), words.option)]}
        onChange={onChange}
      />
    )
  }
  if (schema.type === 'string' && LONG.test(path)) {
    return (
      <chakra.div gridColumn="1 / -1">
        <Field label={label} problem={problem} hint={schema.description}>
          {(ids) => (
            <Textarea
              {...ids}
              value={typeof value === 'string' ? value : ''}
              onChange={(event) => onChange(event.target.value)}
              rows={2}
              minH="60px"
            />
          )}
        </Field>
      </chakra.div>
    )
  }
  const unit = schema['x-unit']
  const hint = hintOf(schema, about)
  const field = (
    <Field label={unit ? `${label}, ${unit}` : label} problem={problem} hint={hint}>
      {(ids) => (
        <Input
          {...ids}
          value={typeof value === 'string' || typeof value === 'number' ? String(value) : ''}
          onChange={(event) => onChange(event.target.value)}
          fontFamily={schema.type === 'string' ? 'body' : 'mono'}
          autoComplete="off"
        />
      )}
    </Field>
  )
  return WIDE.test(path) ? <chakra.div gridColumn="1 / -1">{field}</chakra.div> : field
}

/** What a field is about, what is usual, and what counts where it is left empty. */
function hintOf(schema: JsonSchema, about: FieldWords | undefined): string | undefined {
  const unit = schema['x-unit']
  const parts = [
    about ? about.help : schema.description,
    about?.usual && `usually ${about.usual}`,
    schema.default !== undefined &&
      typeof schema.default !== 'object' &&
      `${String(schema.default)}${unit ? ` ${unit}` : ''} when left empty`,
  ]
  return parts.filter(Boolean).join('; ') || undefined
}

const Fields = chakra('div', {
  base: {
    display: 'grid',
    gridTemplateColumns: 'repeat(auto-fill, minmax(132px, 1fr))',
    gap: '10px',
    alignItems: 'start',
  },
})

function ObjectFields({ schema, value, path, problems, onChange }: Props) {
  const words = useFormWords()
  const given = (value ?? {}) as Record<string, unknown>
  const names = Object.keys(schema.properties ?? {}).filter(
    (name) => schema.properties![name]!.enum?.length !== 1,
  )
  const part = (name: string) => (
    <SchemaForm
      key={name}
      schema={schema.properties![name]!}
      value={given[name]}
      path={join(path, name)}
      label={words.field(join(path, name), name).label}
      about={words.field(join(path, name), name)}
      problems={problems}
      onChange={(next) => onChange({ ...given, [name]: next })}
    />
  )
  return (
    <Box>
      <Fields>{names.filter((name) => isPlain(schema.properties![name]!)).map(part)}</Fields>
      {names
        .filter((name) => !isPlain(schema.properties![name]!))
        .map((name) => (
          <chakra.fieldset key={name} mt="12px" pl="12px" borderLeft="2px solid" borderColor="hair">
            <chakra.legend fontWeight={600} fontSize="15px" mb="4px">
              {words.field(join(path, name), name).label}
            </chakra.legend>
            {part(name)}
          </chakra.fieldset>
        ))}
    </Box>
  )
}

function VariantFields({ schema, value, path, label, problems, onChange }: Props) {
  const words = useFormWords()
  const variants = schema.oneOf!
  const at = variantOf(variants, value)
  const names = variants.map(({ properties }, i) =>
    String(
      Object.values(properties ?? {}).find(({ enum: values }) => values?.length === 1)?.enum?.[0] ??
        Object.keys(properties ?? {})[0] ??
        i,
    ),
  )
  const tag = Object.entries(variants[at]!.properties ?? {}).find(
    ([, { enum: values }]) => values?.length === 1,
  )?.[0]
  const choose = (name: string) =>
    onChange(tag ? { ...(value as object), [tag]: name } : name === names[at] ? value : {})
  return (
    <Box>
      <Box maxW="220px" mb="8px">
        <ChoiceField
          label={tag ? words.field(join(path, tag), tag).label : label}
          value={names[at] ?? ''}
          options={optionsOf(names, words.option)}
          onChange={choose}
        />
      </Box>
      <ObjectFields
        schema={variants[at]!}
        value={value}
        path={path}
        label={label}
        problems={problems}
        onChange={onChange}
      />
    </Box>
  )
}

/** Longer than this, a list of figures is easier to paste than to fill in. */
const PASTE_FROM = 9

function ListFields(props: Props) {
  const { schema, value, path, label, problems, onChange } = props
  const rows = Array.isArray(value) ? value : []
  const item = schema.items ?? {}
  const columns = Object.keys(item.properties ?? {})
  const figures = columns.length > 0 && columns.every((name) => item.properties![name]!.type === 'number')
  const [pasting, setPasting] = useState(figures && rows.length > PASTE_FROM)
  const replace = (i: number, next: unknown) => onChange(rows.map((row, j) => (j === i ? next : row)))
  const table = columnsOf(item)
  if (pasting) return <PastedRows {...props} columns={columns} onFields={() => setPasting(false)} />
  if (table)
    return (
      <TableFields
        item={item}
        columns={table}
        rows={rows as Record<string, unknown>[]}
        path={path}
        label={label}
        problems={problems}
        onChange={onChange}
      />
    )
  return (
    <Box>
      {problems[path] && <Danger role="alert">{problems[path]}</Danger>}
      {rows.map((row, i) => (
        <Flex
          key={i}
          gap="6px"
          align="flex-start"
          py="6px"
          borderBottom={isPlain(item) ? 'none' : '1px dashed'}
          borderColor="hair"
        >
          <Box flex="1" minW={0}>
            <SchemaForm
              schema={item}
              value={row}
              path={`${path}[${i}]`}
              label={isPlain(item) ? `${label} ${i + 1}` : label}
              problems={problems}
              onChange={(next) => replace(i, next)}
            />
          </Box>
          <IconButton
            mt="18px"
            onClick={() => onChange(rows.filter((_, j) => j !== i))}
            aria-label={`Remove ${label} ${i + 1}`}
          >
            <X size={18} />
          </IconButton>
        </Flex>
      ))}
      <HStack>
        <Button
          variant="plain"
          onClick={() => onChange([...rows, isPlain(item) ? '' : structuredClone(rows.at(-1) ?? {})])}
        >
          <Plus size={16} /> Add
        </Button>
      </HStack>
    </Box>
  )
}

/** What stands between the figures of a pasted row: where the comma is the decimal mark it is none of them. */
const BETWEEN = { point: { read: /[,;\t]/, write: ', ' }, comma: { read: /[;\t]/, write: '; ' } } as const

/** One row a line, figures between commas, semicolons or tabs: as they come out of a file. */
function PastedRows({
  value,
  columns,
  path,
  label,
  onChange,
  onFields,
}: Props & { columns: string[]; onFields: () => void }) {
  const words = useFormWords()
  const rows = (Array.isArray(value) ? value : []) as Record<string, unknown>[]
  const { read: between, write } = BETWEEN[useDecimal()]
  const [text, setText] = useState(() =>
    rows.map((row) => columns.map((name) => String(row[name] ?? '')).join(write)).join('\n'),
  )
  const read = (typed: string) => {
    setText(typed)
    const lines = typed.split('\n').filter((line) => line.trim() !== '')
    onChange(
      lines.map((line) =>
        Object.fromEntries(
          line.split(between).map((figure, i) => [columns[i] ?? `column ${i + 1}`, figure.trim()]),
        ),
      ),
    )
  }
  return (
    <Box>
      <Field
        label={`${label}: one line each, ${columns.map((name) => words.field(`${path}[0].${name}`, name).label).join(', ')}`}
      >
        {(ids) => (
          <Textarea
            {...ids}
            rows={8}
            fontFamily="mono"
            value={text}
            onChange={(event) => read(event.target.value)}
          />
        )}
      </Field>
      <Button variant="plain" onClick={onFields}>
        Show fields
      </Button>
    </Box>
  )
}

function DictionaryFields({ schema, value, path, problems, onChange }: Props) {
  const given = (value ?? {}) as Record<string, unknown>
  const [name, setName] = useState('')
  const add = () => {
    if (name.trim() === '' || name in given) return
    onChange({ ...given, [name.trim()]: schema.additionalProperties!.type === 'object' ? {} : '' })
    setName('')
  }
  return (
    <Box>
      {Object.entries(given).map(([key, one]) => (
        <Grid key={key} templateColumns="1fr auto" gap="6px" alignItems="start" py="4px">
          <Box>
            {schema.additionalProperties!.type === 'object' && <Strong>{key}</Strong>}
            <SchemaForm
              schema={schema.additionalProperties!}
              value={one}
              path={join(path, key)}
              label={key}
              problems={problems}
              onChange={(next) => onChange({ ...given, [key]: next })}
            />
          </Box>
          <IconButton
            mt="18px"
            onClick={() =>
              onChange(Object.fromEntries(Object.entries(given).filter(([other]) => other !== key)))
            }
            aria-label={`Remove ${key}`}
          >
            <X size={18} />
          </IconButton>
        </Grid>
      ))}
      <HStack>
        <Input
          value={name}
          onChange={(event) => setName(event.target.value)}
          placeholder="name"
          aria-label="Name of a new row"
          maxW="200px"
          onKeyDown={(event) => event.key === 'Enter' && (event.preventDefault(), add())}
        />
        <Button variant="plain" onClick={add}>
          <Plus size={16} /> Add
        </Button>
      </HStack>
    </Box>
  )
}
