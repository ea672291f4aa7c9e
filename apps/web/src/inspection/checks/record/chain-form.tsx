import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import { Field } from '../../../marks/field.js'
import { Select } from '../../../marks/select.js'
import type { FormProps } from './form-props.js'

/** The data leads as they are plugged, and where the terminator sits. */
export function ChainForm({ form: { ports, leads: kinds }, answer, onChange }: FormProps<'chain'>) {
  const leads = answer?.leads ?? []
  const terminators = answer?.terminators ?? []
  const set = (next: typeof leads) => onChange({ leads: next, terminators })
  const portOptions = ports.map(({ id, label }) => (
    <option key={id} value={id}>
      {label}
    </option>
  ))
  const change = (i: number, part: Partial<(typeof leads)[number]>) => set(leads.map((lead, at) => (at === i ? { ...lead, ...part } : lead)))
  return (
    <Box>
      {leads.map((lead, i) => (
        <Flex key={i} gap="8px" align="flex-end" mb="8px" wrap="wrap">
          <Box flex="1" minW="130px">
            <Field label="from">{(ids) => <Select {...ids} value={lead.from} onChange={(event) => change(i, { from: event.target.value })}>{portOptions}</Select>}</Field>
          </Box>
          <Box flex="1" minW="130px">
            <Field label="to">{(ids) => <Select {...ids} value={lead.to} onChange={(event) => change(i, { to: event.target.value })}>{portOptions}</Select>}</Field>
          </Box>
          <Box flex="1" minW="130px">
            <Field label="lead">
              {(ids) => (
                <Select {...ids} value={lead.lead} onChange={(event) => change(i, { lead: event.target.value })}>
                  {kinds.map((kind) => (
                    <option key={kind}>{kind}</option>
                  ))}
                </Select>
              )}
            </Field>
          </Box>
          <Button variant="plain" px="0" minW="44px" onClick={() => set(leads.filter((_, at) => at !== i))} aria-label="Take this lead away">
            <X size={18} />
          </Button>
        </Flex>
      ))}
      <Button variant="outline" onClick={() => set([...leads, { from: ports[2 * leads.length]?.id ?? ports[0]!.id, to: ports[2 * leads.length + 1]?.id ?? ports[1]!.id, lead: kinds[0]! }])}>
        <Plus size={17} /> Lead
      </Button>
      <Box mt="10px" maxW="260px">
        <Field label="Terminator in">
          {(ids) => (
            <Select {...ids} value={terminators[0] ?? ''} onChange={(event) => onChange({ leads, terminators: event.target.value ? [event.target.value] : [] })}>
              <option value="">no port</option>
              {portOptions}
            </Select>
          )}
        </Field>
      </Box>
      {leads.length === 0 && (
        <Text fontSize="13px" color="faint" mt="6px">
          Follow the chain from the inverter: one row for each lead.
        </Text>
      )}
    </Box>
  )
}
