import { Button, Flex, Grid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import {
  formatQuantity,
  orderOf,
  placeWords,
  serialOf,
  type DeviceBuilt,
  type UnitBuilt,
} from '@plumb-mark/core'
import { Note, Strong } from '../../ui/theme/text.js'
import { ChoiceField, type Option } from '../../ui/choice-field.js'
import { TextField } from '../../ui/text-field.js'
import { Tick } from '../../ui/tick.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'
import { HandButton } from '../../ui/buttons.js'
import { Numbered } from '../../ui/list.js'

const REASONS: readonly Option[] = [
  ['', 'choose'],
  ['it does not start', 'it does not start'],
  ['it shows a fault that does not go', 'it shows a fault that does not go'],
  ['damaged', 'damaged'],
  ['recalled by its maker', 'recalled by its maker'],
  ['other', 'another reason'],
]

/**
 * Replacing a unit, or one device under the modules, as one guided step: the maker's order of taking off, the old serial out and the new one
 * in, why, and where the old one went. What was proved on the old one is asked again by itself.
 */
export function ReplaceUnit({
  unit,
  device,
  onDone,
}: {
  unit: UnitBuilt
  device?: DeviceBuilt
  onDone: () => void
}) {
  const inspection = useInspection(({ committed }) => committed)!
  const commit = useCommit()
  const ofUnit = inspection.checks.filter(({ check }) => check.unit.id === unit.id)
  const steps = ofUnit.map(({ check }) => orderOf(check, 'down')).find(Boolean)?.steps ?? []
  const [done, setDone] = useState<ReadonlySet<string>>(new Set())
  const known = device ? device.serial : (serialOf(unit, inspection.checks).found ?? unit.serial)
  const [out, setOut] = useState(known ?? '')
  const [into, setInto] = useState('')
  const [reason, setReason] = useState('')
  const [words, setWords] = useState('')
  const [whereabouts, setWhereabouts] = useState('')
  const why = reason === 'other' ? words.trim() : reason
  const ready =
    steps.every(({ id }) => done.has(id)) && into.trim() !== '' && why !== '' && whereabouts.trim() !== ''
  const flip = (id: string) => {
    const next = new Set(done)
    if (!next.delete(id)) next.add(id)
    setDone(next)
  }
  const replace = () => {
    const kept = commit({
      kind: 'replaced',
      body: {
        unitId: unit.id,
        ...(device && { deviceId: device.id }),
        serialOut: out.trim(),
        serialIn: into.trim(),
        reason: why,
        whereabouts: whereabouts.trim(),
      },
    })
    if (kept) onDone()
  }
  return (
    <Panel
      title={`Replace ${device ? `the device at ${placeWords(device.at)}` : unit.label}`}
      onClose={onDone}
    >
      <Note mb="8px">
        Only qualified people open live equipment. What was proved on the old one is void; what hangs on it is
        asked again, the rest stands.
      </Note>
      {steps.length > 0 ? (
        <>
          <Strong>Taken off in its maker’s order</Strong>
          <Numbered mb="8px">
            {steps.map(({ id, label, wait }) => (
              <li key={id}>
                <Tick
                  label={wait ? `${label} (wait ${formatQuantity(wait, 'time')})` : label}
                  checked={done.has(id)}
                  onChange={() => flip(id)}
                />
              </li>
            ))}
          </Numbered>
        </>
      ) : (
        <Text mb="8px">Its sheet gives no order of taking off: follow the maker’s manual.</Text>
      )}
      <form onSubmit={(event) => (event.preventDefault(), replace())}>
        <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="10px">
          <TextField
            label="Serial taken out"
            value={out}
            onChange={setOut}
            fontFamily="mono"
            autoComplete="off"
          />
          <TextField
            label="Serial put in"
            value={into}
            onChange={setInto}
            fontFamily="mono"
            autoComplete="off"
            required
          />
          <ChoiceField label="Why" value={reason} options={REASONS} onChange={setReason} required />
          {reason === 'other' && (
            <TextField label="Why, in words" value={words} onChange={setWords} required />
          )}
          <TextField
            label="Where the old one is now"
            value={whereabouts}
            onChange={setWhereabouts}
            required
          />
        </Grid>
        <Flex gap="8px" mt="12px">
          <HandButton type="submit" disabled={!ready}>
            Replaced
          </HandButton>
          <Button variant="plain" onClick={onDone}>
            Cancel
          </Button>
        </Flex>
      </form>
    </Panel>
  )
}
