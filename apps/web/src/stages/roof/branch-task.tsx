import { Button, Grid } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { branchSegments, joinAnd, unitsOf, type BranchBuilt } from '@plumb-mark/core'
import { ChoiceField, named, type Option } from '../../ui/choice-field.js'
import { EntityFields, NOT_READ } from '../../ui/entity-fields.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { Note, Small } from '../../ui/theme/text.js'
import { Panel } from '../panel.js'
import { GoThrough } from './go-through.js'
import type { TaskProps } from './task.js'
import { Cluster } from '../../ui/cluster.js'

interface Draft {
  label: string
  phases: 1 | 3 | undefined
  voltage: number | undefined
  breaker: number | undefined
  feederLength: number | undefined
  feederSize: number | undefined
  stepLength: number | undefined
  stepSize: number | undefined
  endCapped: boolean | undefined
}

/** An AC branch of small inverters: walked from the board outwards, with its breaker and its cable. */
export function BranchTask({ walked, onWalk, through, onThrough, onDone }: TaskProps) {
  const inspection = useInspection((state) => state.inspection)!
  const commit = useCommit()
  const { units, array } = inspection.state.asBuilt
  const owners = units.filter(({ sheetId }) => inspection.sheets.get(sheetId)?.kind === 'small-inverter')
  const wire = unitsOf(inspection.state.header)
  const length = { dimension: 'cable-length', unit: wire.cable } as const
  const size = { dimension: 'conductor-size', unit: wire.size } as const
  const [id, setId] = useState('new')
  const kept = array.branches.find((branch) => branch.id === id)
  const [draft, setDraft] = useState<Draft>(() => fresh(array.branches.length))
  const devices = useMemo(
    () => walked.flatMap((place) => array.devices.find(({ at }) => at === place)?.id ?? []),
    [walked, array.devices],
  )
  if (owners.length === 0)
    return (
      <Panel title="Branches" onClose={onDone}>
        No small inverters are fitted on this job.
      </Panel>
    )
  const wanting = [
    devices.length === 0 && 'the inverters on it',
    draft.label.trim() === '' && 'its name',
    draft.phases === undefined && 'its phases',
    !draft.voltage && 'its voltage',
    draft.breaker === undefined && 'its breaker',
  ].filter((one) => one !== false)
  const choose = (next: string) => {
    setId(next)
    const branch = array.branches.find((one) => one.id === next)
    onWalk(
      branch?.devices.flatMap(
        (deviceId) => array.devices.find((device) => device.id === deviceId)?.at ?? [],
      ) ?? [],
    )
    setDraft(branch ? asDraft(branch) : fresh(array.branches.length))
  }
  const keep = () => {
    const { label, phases, voltage, breaker, endCapped, feederLength, feederSize, stepLength, stepSize } =
      draft
    if (phases === undefined || !voltage || breaker === undefined || devices.length === 0) return
    const known = feederLength !== undefined && feederSize && stepLength !== undefined && stepSize
    const segments = known
      ? branchSegments(
          devices.length,
          {
            feeder: { length: feederLength, size: feederSize },
            step: { length: stepLength, size: stepSize },
          },
          kept?.segments,
        )
      : undefined
    const unitId = array.devices.find((device) => device.id === devices[0])!.unitId
    commit({
      kind: 'branch-built',
      body: {
        id: kept?.id ?? `branch-${uuid()}`,
        unitId,
        label: label.trim(),
        phases,
        voltage,
        breaker,
        devices,
        ...(segments && { segments }),
        ...(endCapped !== undefined && { endCapped }),
      },
    })
    onWalk([])
    setId('new')
    setDraft(fresh(array.branches.length + (kept ? 0 : 1)))
  }
  return (
    <Panel title="Branches" onClose={onDone}>
      <Small mb="8px">
        {walked.length === 0 ? (
          'Touch the modules from the board outwards, in the order of the trunk.'
        ) : (
          <b>{`${devices.length} inverters on the branch${devices.length < walked.length ? `, ${walked.length - devices.length} places without a device` : ''}`}</b>
        )}
      </Small>
      <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="10px">
        <ChoiceField
          label="Branch"
          value={id}
          options={[['new', 'a new branch'] as Option, ...named(array.branches)]}
          onChange={choose}
        />
        <EntityFields
          draft={draft}
          onChange={setDraft}
          fields={[
            { text: 'label', label: 'Name' },
            { choice: 'phases', label: 'Phases', options: PHASES },
            { quantity: 'voltage', label: 'Voltage', dimension: 'voltage' },
            { quantity: 'breaker', label: 'Breaker', dimension: 'current' },
            { quantity: 'feederLength', label: 'Cable to the first', ...length },
            { quantity: 'feederSize', label: 'Its size', ...size },
            { quantity: 'stepLength', label: 'From one to the next', ...length },
            { quantity: 'stepSize', label: 'Its size there', ...size },
            { tick: 'endCapped', label: 'end capped' },
          ]}
        />
      </Grid>
      <Cluster mt="12px">
        <GoThrough walked={walked} through={through} onThrough={onThrough} />
        <Button onClick={keep} disabled={wanting.length > 0}>
          Save the branch
        </Button>
        {walked.length > 0 && wanting.length > 0 && <Note>Still to be entered: {joinAnd(wanting)}.</Note>}
        {kept && (
          <Button
            variant="plain"
            onClick={() => {
              commit({ kind: 'branch-removed', body: { branchId: kept.id } })
              choose('new')
            }}
          >
            Remove
          </Button>
        )}
      </Cluster>
    </Panel>
  )
}

const PHASES = [NOT_READ, [1, 'one, or split phase'], [3, 'three']] as const

/** Nothing of it was read yet: what is usual stands in no breaker. */
const fresh = (before: number): Draft => ({
  label: `Branch ${before + 1}`,
  phases: undefined,
  voltage: undefined,
  breaker: undefined,
  feederLength: undefined,
  feederSize: undefined,
  stepLength: undefined,
  stepSize: undefined,
  endCapped: undefined,
})

const asDraft = ({ label, phases, voltage, breaker, segments, endCapped }: BranchBuilt): Draft => ({
  label,
  phases,
  voltage,
  breaker,
  endCapped,
  feederLength: segments?.[0]?.length,
  feederSize: segments?.[0]?.size,
  stepLength: segments?.[1]?.length ?? segments?.[0]?.length,
  stepSize: segments?.[1]?.size ?? segments?.[0]?.size,
})
