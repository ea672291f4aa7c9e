import { Box, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { amps, joinAnd, unitsOf, type ConductorLoad, type NetworkConductor } from '@plumb-mark/core'
import { named } from '../../ui/choice-field.js'
import { EntityFields, NOT_READ } from '../../ui/entity-fields.js'
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
      <EntityFields
        draft={draft}
        onChange={setDraft}
        fields={[
          { choice: 'from', label: 'From', options: named(parts) },
          { choice: 'to', label: 'To', options: named(parts) },
          { quantity: 'size', label: 'Size', dimension: 'conductor-size', unit: units.size },
          { quantity: 'length', label: 'Length', dimension: 'cable-length', unit: units.cable },
          { choice: 'phases', label: 'Phases', options: PHASES },
          { quantity: 'voltage', label: 'Voltage', dimension: 'voltage' },
          { choice: 'insulation', label: 'Insulation', options: INSULATIONS },
          { choice: 'method', label: 'Laid', options: METHODS },
          { quantity: 'ambient', label: 'Warmest place', dimension: 'temperature' },
          { count: 'grouped', label: 'Circuits together', most: 20 },
        ]}
      />
    </PanelForm>
  )
}

const PHASES = [NOT_READ, [1, 'one, or split phase'], [3, 'three'], ['dc', 'DC']] as const
const INSULATIONS = [NOT_READ, ['pvc', 'pvc (75 °C)'], ['xlpe', 'xlpe (90 °C)']] as const
const METHODS = [
  NOT_READ,
  ['A1', 'A1, in an insulated wall'],
  ['B1', 'B1, wires in conduit'],
  ['B2', 'B2, cable in conduit'],
  ['C', 'C, on the wall'],
] as const

/** What limits a cable, in words: a device at its end, or those behind it together. */
function passesWords({ protectiveDevice, atDevice, unprotectedFrom }: ConductorLoad): string {
  if (unprotectedFrom) return `; no protective device between it and ${unprotectedFrom.label}`
  if (protectiveDevice === undefined) return ''
  return atDevice
    ? `; protected by ${amps(protectiveDevice)}`
    : `; ${amps(protectiveDevice)} can pass before anything trips`
}
