import { Box, Button, Grid, Input } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import type { AnswerOf } from '@plumb-mark/core'
import { ChoiceField } from '../../ui/choice-field.js'
import { Field } from '../../ui/field.js'
import { TextField } from '../../ui/text-field.js'
import { Tick } from '../../ui/tick.js'
import type { FormProps } from './form-props.js'
import { Cluster } from '../../ui/cluster.js'
import { IconButton } from '../../ui/buttons.js'

type Bus = AnswerOf<'bus'>
const WORDS = {
  cable: { 'twisted-pair': 'twisted pair', 'single-wires': 'single wires', other: 'another cable' },
  polarity: { 'a-to-a': 'A to A, B to B', crossed: 'crossed' },
  shield: {
    'one-end': 'earthed at one end',
    'both-ends': 'earthed at both ends',
    'not-earthed': 'not earthed',
    'no-shield': 'no shield',
  },
} as const

/** The bus as it runs: its devices one after the other, their addresses and terminators, the cable. */
export function BusForm({ form: { suggested }, answer, onChange }: FormProps<'bus'>) {
  const bus: Bus = answer ?? { devices: [], cable: 'twisted-pair', polarity: 'a-to-a', shield: 'one-end' }
  const set = (part: Partial<Bus>) => onChange({ ...bus, ...part })
  const device = (i: number, part: Partial<Bus['devices'][number]>) =>
    set({ devices: bus.devices.map((one, at) => (at === i ? { ...one, ...part } : one)) })
  return (
    <Box>
      {bus.devices.map(({ name, address, terminated }, i) => (
        <Cluster key={i} alignItems="flex-end" mb="8px">
          <Box flex="2" minW="140px">
            <Field label={`${i + 1}. device along the cable`}>
              {(ids) => (
                <Input {...ids} value={name} onChange={(event) => device(i, { name: event.target.value })} />
              )}
            </Field>
          </Box>
          <Box flex="1" minW="80px">
            <TextField
              label="address"
              fontFamily="mono"
              inputMode="numeric"
              value={address === undefined ? '' : String(address)}
              onChange={(text) => device(i, { address: /^\d+$/.test(text) ? Number(text) : undefined })}
            />
          </Box>
          <Tick
            label="terminator"
            checked={terminated}
            onChange={(next) => device(i, { terminated: next })}
          />
          <IconButton
            onClick={() => set({ devices: bus.devices.filter((_, at) => at !== i) })}
            aria-label={`Take ${name} off the bus`}
          >
            <X size={18} />
          </IconButton>
        </Cluster>
      ))}
      <Button
        variant="outline"
        onClick={() =>
          set({
            devices: [
              ...bus.devices,
              {
                name:
                  suggested.find((one) => !bus.devices.some(({ name }) => name === one)) ??
                  `device ${bus.devices.length + 1}`,
                terminated: false,
              },
            ],
          })
        }
      >
        <Plus size={17} /> Device
      </Button>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }} gap="10px" mt="12px">
        {(['cable', 'polarity', 'shield'] as const).map((part) => (
          <ChoiceField
            key={part}
            label={part}
            value={bus[part]}
            options={Object.entries<string>(WORDS[part])}
            onChange={(value) => set({ [part]: value })}
          />
        ))}
      </Grid>
    </Box>
  )
}
