import { Box, Button } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import { SmallPrint } from '../../ui/theme/text.js'
import { ChoiceField, named, optionsOf } from '../../ui/choice-field.js'
import type { FormProps } from './form-props.js'
import { Cluster } from '../../ui/cluster.js'
import { IconButton } from '../../ui/buttons.js'

/** The data leads as they are plugged, and where the terminator sits. */
export function ChainForm({ form: { ports, leads: kinds }, answer, onChange }: FormProps<'chain'>) {
  const leads = answer?.leads ?? []
  const terminators = answer?.terminators ?? []
  const set = (next: typeof leads) => onChange({ leads: next, terminators })
  const change = (i: number, part: Partial<(typeof leads)[number]>) =>
    set(leads.map((lead, at) => (at === i ? { ...lead, ...part } : lead)))
  return (
    <Box>
      {leads.map((lead, i) => (
        <Cluster key={i} alignItems="flex-end" mb="8px">
          <Box flex="1" minW="130px">
            <ChoiceField
              label="from"
              value={lead.from}
              options={named(ports)}
              onChange={(from) => change(i, { from })}
            />
          </Box>
          <Box flex="1" minW="130px">
            <ChoiceField
              label="to"
              value={lead.to}
              options={named(ports)}
              onChange={(to) => change(i, { to })}
            />
          </Box>
          <Box flex="1" minW="130px">
            <ChoiceField
              label="lead"
              value={lead.lead}
              options={optionsOf(kinds, (kind) => kind)}
              onChange={(next) => change(i, { lead: next })}
            />
          </Box>
          <IconButton onClick={() => set(leads.filter((_, at) => at !== i))} aria-label="Take this lead away">
            <X size={18} />
          </IconButton>
        </Cluster>
      ))}
      <Button
        variant="outline"
        onClick={() =>
          set([
            ...leads,
            {
              from: ports[2 * leads.length]?.id ?? ports[0]!.id,
              to: ports[2 * leads.length + 1]?.id ?? ports[1]!.id,
              lead: kinds[0]!,
            },
          ])
        }
      >
        <Plus size={17} /> Lead
      </Button>
      <Box mt="10px" maxW="260px">
        <ChoiceField
          label="Terminator in"
          value={terminators[0] ?? ''}
          options={[['', 'no port'], ...named(ports)]}
          onChange={(port) => onChange({ leads, terminators: port ? [port] : [] })}
        />
      </Box>
      {leads.length === 0 && (
        <SmallPrint mt="6px">Follow the chain from the inverter: one row for each lead.</SmallPrint>
      )}
    </Box>
  )
}
