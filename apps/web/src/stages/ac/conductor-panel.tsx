import { Box, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { amps, joinAnd, unitsOf, type ConductorLoad, type NetworkConductor } from '@plumb-mark/core'
import { ChoiceField, named } from '../../ui/choice-field.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { CountField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'
import { ToCalculator } from '../../checks/to-calculator.js'
import { useCommit } from '../../job/use-commit.js'
import { PanelForm } from '../panel-form.js'
import { useProposal } from '../proposed.js'

/** One cable: what it ties, what it is, and everything that can feed it. */
export function ConductorPanel({
  conductor,
  load,
  writable,
  onDone,
}: {
  conductor: NetworkConductor | undefined
  load: ConductorLoad | undefined
  writable: boolean
  onDone: () => void
}) {
  const { state, checks } = useInspection((open) => open.inspection)!
  const sized = checks.find(
    ({ check }) =>
      check.requirement.kind === 'conductor-size' && check.subject.conductor?.id === conductor?.id,
  )
  const commit = useCommit()
  const proposed = useProposal('conductor', conductor?.id)
  const { parts } = state.asBuilt.network
  const units = unitsOf(state.header)
  const [draft, setDraft] = useState<Omit<NetworkConductor, 'id'>>(
    conductor ?? {
      from: parts.find(({ kind }) => kind === 'board')?.id ?? parts[0]?.id ?? '',
      to: parts.at(-1)?.id ?? '',
    },
  )
  const set = (part: Partial<NetworkConductor>) => setDraft({ ...draft, ...part })
  const keep = () => {
    // What stands in the form was looked at by whoever saves it: it is a proposal no longer.
    const known = { ...draft, proposed: undefined }
    const body = Object.fromEntries(Object.entries(known).filter(([, value]) => value !== undefined))
    commit({
      kind: 'conductor-run',
      body: { ...(body as typeof known), id: conductor?.id ?? `net-${uuid()}` },
    })
  }
  return (
    <PanelForm
      title={conductor ? 'Cable' : 'A new cable'}
      what="cable"
      writable={writable}
      lacking={draft.from === draft.to}
      onKeep={keep}
      onRemove={
        conductor && (() => commit({ kind: 'conductor-removed', body: { conductorId: conductor.id } }))
      }
      onClose={onDone}
      proposed={proposed}
    >
      {load && (
        <Text gridColumn="1 / -1">
          {load.sources.length === 0
            ? 'Nothing that is entered feeds it.'
            : `Fed by ${joinAnd(load.sources.map(({ name, amps: each }) => `${name} ${amps(each)}`))}; carries ${amps(load.carries)}${load.limit === undefined ? '' : `, limited to ${amps(load.limit)}`}${passesWords(load)}.`}
        </Text>
      )}
      {sized && (
        <Box gridColumn="1 / -1">
          <ToCalculator judged={sized} />
        </Box>
      )}
      <ChoiceField
        label="From"
        value={draft.from}
        options={named(parts)}
        onChange={(from) => set({ from })}
      />
      <ChoiceField label="To" value={draft.to} options={named(parts)} onChange={(to) => set({ to })} />
      <QuantityInput
        label="Size"
        dimension="conductor-size"
        value={draft.size}
        unit={units.size}
        onChange={(size) => set({ size })}
      />
      <QuantityInput
        label="Length"
        dimension="cable-length"
        value={draft.length}
        unit={units.cable}
        onChange={(length) => set({ length })}
      />
      <ChoiceField
        label="Phases"
        value={draft.phases === undefined ? '' : `${draft.phases}`}
        options={[UNREAD, ['1', 'one, or split phase'], ['3', 'three'], ['dc', 'DC']]}
        onChange={(value) => set({ phases: PHASES[value] })}
      />
      <QuantityInput
        label="Voltage"
        dimension="voltage"
        value={draft.voltage}
        onChange={(voltage) => set({ voltage })}
      />
      <ChoiceField
        label="Insulation"
        value={draft.insulation ?? ''}
        options={[UNREAD, ['pvc', 'pvc (75 °C)'], ['xlpe', 'xlpe (90 °C)']]}
        onChange={(insulation) => set({ insulation: insulation || undefined })}
      />
      <ChoiceField
        label="Laid"
        value={draft.method ?? ''}
        options={[
          UNREAD,
          ['A1', 'A1, in an insulated wall'],
          ['B1', 'B1, wires in conduit'],
          ['B2', 'B2, cable in conduit'],
          ['C', 'C, on the wall'],
        ]}
        onChange={(method) => set({ method: method || undefined })}
      />
      <QuantityInput
        label="Warmest place"
        dimension="temperature"
        value={draft.ambient}
        onChange={(ambient) => set({ ambient })}
      />
      <CountField
        label="Circuits together"
        most={20}
        value={draft.grouped}
        onChange={(count) => set({ grouped: count })}
        onClear={() => set({ grouped: undefined })}
      />
    </PanelForm>
  )
}

/** Nobody looked yet: neither the usual one nor none. */
const UNREAD = ['', 'not read yet'] as const
const PHASES = { '': undefined, '1': 1, '3': 3, dc: 'dc' } as const

/** What limits a cable, in words: a device at its end, or those behind it together. */
function passesWords({ protectiveDevice, atDevice, unprotectedFrom }: ConductorLoad): string {
  if (unprotectedFrom) return `; no protective device between it and ${unprotectedFrom.label}`
  if (protectiveDevice === undefined) return ''
  return atDevice
    ? `; protected by ${amps(protectiveDevice)}`
    : `; ${amps(protectiveDevice)} can pass before anything trips`
}
