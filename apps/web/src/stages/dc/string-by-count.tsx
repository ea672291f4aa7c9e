import { Box, Button } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { countedString, isModuleOf, type StringBuilt } from '@plumb-mark/core'
import { named } from '../../ui/choice-field.js'
import { EntityFields } from '../../ui/entity-fields.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { PanelForm } from '../panel-form.js'
import { useWritable } from '../../job/use-writable.js'
import { Cluster } from '../../ui/cluster.js'

const ENDS_IN = ['hybrid-inverter', 'string-inverter']

/** Strings for which nobody draws an array map: entered by their count, and changed the same way. */
export function StringByCount() {
  const strings = useInspection(({ inspection }) => inspection?.state.asBuilt.strings) ?? []
  const writable = useWritable()
  const [open, setOpen] = useState<string>()
  const undrawn = strings.filter(({ path }) => path === undefined)
  if (!writable) return null
  return (
    <Box px={{ base: '12px', lg: '24px' }} pb="12px">
      <Cluster mb={open && '10px'}>
        <Button variant="outline" onClick={() => setOpen('new')}>
          <Plus size={17} /> String by count
        </Button>
        {undrawn.map(({ id, label }) => (
          <Button key={id} variant="plain" onClick={() => setOpen(id)} aria-label={`Change ${label}`}>
            {label}
          </Button>
        ))}
      </Cluster>
      {open && (
        <Form key={open} string={undrawn.find(({ id }) => id === open)} onClose={() => setOpen(undefined)} />
      )}
    </Box>
  )
}

function Form({ string, onClose }: { string: StringBuilt | undefined; onClose: () => void }) {
  const inspection = useInspection((state) => state.inspection)!
  const commit = useCommit()
  const { units, strings } = inspection.state.asBuilt
  const sheetOf = (unitId: string) => inspection.context.sheetOf(unitId)
  const inverters = units.filter(({ id }) => ENDS_IN.includes(sheetOf(id)?.kind ?? ''))
  const modules = units.filter(({ id }) => sheetOf(id)?.module)
  const [draft, setDraft] = useState({
    label: string?.label ?? `String ${strings.length + 1}`,
    unitId: string?.unitId ?? inverters[0]?.id ?? '',
    input: string?.input ?? 'PV1',
    // Nobody has counted them yet: how many there are is never the usual number.
    count: string?.count,
    coldMethod: string?.coldMethod ?? ('coefficient' as const),
    moduleId: modules.find(({ id }) => string && isModuleOf(string, sheetOf(id)))?.id ?? modules[0]?.id ?? '',
  })
  const { count, moduleId, ...rest } = draft
  const built =
    count === undefined
      ? undefined
      : countedString({ ...rest, count, id: string?.id ?? `string-${uuid()}` }, sheetOf(moduleId))
  return (
    <PanelForm
      title={string?.label ?? 'A string by its count'}
      what="string"
      writable
      lacking={!built || draft.label.trim() === '' || draft.unitId === '' || draft.input.trim() === ''}
      columns={3}
      onKeep={() => built && commit({ kind: 'string-built', body: built })}
      onRemove={string && (() => commit({ kind: 'string-removed', body: { stringId: string.id } }))}
      onClose={onClose}
    >
      <EntityFields
        draft={draft}
        onChange={setDraft}
        fields={[
          { text: 'label', label: 'Name' },
          { choice: 'unitId', label: 'Ends in', options: named(inverters) },
          { text: 'input', label: 'Input' },
          { choice: 'moduleId', label: 'Modules', options: named(modules) },
          { count: 'count', label: 'How many', most: 200, required: true },
          { choice: 'coldMethod', label: 'Coldest morning by', options: COLD_METHODS },
        ]}
      />
    </PanelForm>
  )
}

const COLD_METHODS = [
  ['coefficient', 'the module’s coefficient'],
  ['table', 'the table by temperature'],
] as const
