import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { STAGE_TITLES, sheetSchema, type JsonSchema, type Stage } from '@plumb-mark/core'
import { SmallPrint, Strong } from '../../ui/theme/text.js'
import { SchemaForm } from '../../calculators/schema-form.js'
import { FormWordsContext } from '../../calculators/words/context.js'
import { schemaAt } from './schema-at.js'
import { TerminalTable } from './terminal-table.js'
import { SHEET_WORDS } from './words.js'
import { Summary } from '../../ui/buttons.js'

interface Props {
  data: Record<string, unknown>
  problems: Readonly<Record<string, string>>
  /** Number of the requirement at hand. */
  open: number | undefined
  onOpen: (i: number | undefined) => void
  onChange: (data: Record<string, unknown>) => void
}

const SCHEMA = sheetSchema()
const HEAD = [
  'maker',
  'model',
  'revision',
  'date',
  'kind',
  'title',
  'source',
  'mass',
  'size',
  'ratings',
  'tools',
  'equipment',
  'module',
]
const REQUIREMENT: JsonSchema = SCHEMA.properties!['requirements']!.items!

const Row = chakra('button', {
  base: {
    w: '100%',
    textAlign: 'left',
    minH: '48px',
    px: '10px',
    py: '6px',
    display: 'flex',
    gap: '10px',
    alignItems: 'baseline',
    borderTop: '1px solid',
    borderColor: 'hair',
    cursor: 'pointer',
    _hover: { bg: 'panel' },
  },
})

/** The same sheet as a form, in step with the text beside it: the head, and the requirement at hand. */
export function SheetForm({ data, problems, open, onOpen, onChange }: Props) {
  const requirements = listIn(data, 'requirements')
  const terminals = listIn(data, 'terminals')
  const setRequirement = (i: number, next: unknown) =>
    onChange({ ...data, requirements: requirements.map((one, at) => (at === i ? next : one)) })
  const add = () => {
    onChange({
      ...data,
      requirements: [
        ...requirements,
        {
          id: freeId(requirements),
          kind: 'observation',
          stage: 'identify',
          clause: '',
          title: 'New requirement',
          severity: 'minor',
          question: '',
          remedy: '',
        },
      ],
    })
    onOpen(requirements.length)
  }
  return (
    <FormWordsContext value={SHEET_WORDS}>
      <Box p="14px">
        <chakra.details open={open === undefined} mb="10px">
          <Summary fontWeight={600}>The unit</Summary>
          <SchemaForm
            schema={{
              type: 'object',
              properties: Object.fromEntries(HEAD.map((name) => [name, SCHEMA.properties![name]!])),
              required: SCHEMA.required ?? [],
            }}
            value={data}
            path=""
            label="sheet"
            problems={problems}
            onChange={(next) => onChange(next as Record<string, unknown>)}
          />
        </chakra.details>
        <chakra.details open={open === undefined} mb="10px">
          <Summary fontWeight={600}>Terminals ({terminals.length})</Summary>
          <TerminalTable
            terminals={terminals}
            problems={problems}
            onChange={(next) => onChange({ ...data, terminals: next })}
          />
        </chakra.details>
        <Flex align="center">
          <Strong flex="1">Requirements ({requirements.length})</Strong>
          <Button variant="outline" onClick={add}>
            <Plus size={17} /> Requirement
          </Button>
        </Flex>
        <Box mt="8px">
          {requirements.map((requirement, i) => (
            <Box key={i}>
              <Row
                type="button"
                aria-expanded={open === i}
                onClick={() => onOpen(open === i ? undefined : i)}
              >
                <Text flex="1" fontWeight={open === i ? 600 : 400}>
                  {String(requirement?.['title'] ?? 'without a title')}
                </Text>
                <SmallPrint>
                  {[
                    STAGE_TITLES[requirement?.['stage'] as Stage] ?? '',
                    SHEET_WORDS.option(String(requirement?.['kind'] ?? '')),
                    requirement?.['clause'] ? `clause ${String(requirement['clause'])}` : '',
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </SmallPrint>
              </Row>
              {open === i && (
                <Box bg="panel" p="12px" borderLeft="4px solid" borderColor="accent">
                  <SchemaForm
                    schema={REQUIREMENT}
                    value={requirement}
                    path={`requirements[${i}]`}
                    label="requirement"
                    problems={problems}
                    onChange={(next) =>
                      setRequirement(i, ofItsKind(requirement, next as Record<string, unknown>))
                    }
                  />
                  <Button
                    variant="plain"
                    mt="10px"
                    onClick={() => (
                      onChange({ ...data, requirements: requirements.filter((_, at) => at !== i) }),
                      onOpen(undefined)
                    )}
                  >
                    Remove this requirement
                  </Button>
                </Box>
              )}
            </Box>
          ))}
        </Box>
      </Box>
    </FormWordsContext>
  )
}

/** A list of the sheet; none while what is written there is no list. An item without content is one of no fields. */
const listIn = (data: Record<string, unknown>, name: string): Record<string, unknown>[] =>
  Array.isArray(data[name])
    ? data[name].map((one) =>
        typeof one === 'object' && one !== null ? (one as Record<string, unknown>) : {},
      )
    : []

/** Where the kind was changed: without the fields that the new one has no place for. */
function ofItsKind(before: Record<string, unknown>, after: Record<string, unknown>): Record<string, unknown> {
  const fields = schemaAt(REQUIREMENT, [], after)?.properties
  return before['kind'] === after['kind'] || !fields
    ? after
    : Object.fromEntries(Object.entries(after).filter(([name]) => name in fields))
}

function freeId(all: readonly Record<string, unknown>[]): string {
  const used = new Set(all.map((one) => one?.['id']))
  let n = all.length + 1
  while (used.has(`r${n}`)) n++
  return `r${n}`
}
