import { Button, Flex, Grid, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { branchSegments, unitsOf, type BranchBuilt } from '@plumb-mark/core'
import { ChoiceField, named, type Option } from '../../ui/choice-field.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { TextField } from '../../ui/text-field.js'
import { Tick } from '../../ui/tick.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'
import { GoThrough } from './go-through.js'
import type { TaskProps } from './task.js'

interface Draft {
  label: string
  phases: 1 | 3
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
  const us = inspection.state.header?.units === 'us'
  const wire = unitsOf(inspection.state.header)
  const [id, setId] = useState('new')
  const kept = array.branches.find((branch) => branch.id === id)
  const [draft, setDraft] = useState<Draft>(() => fresh(array.branches.length, us))
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
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part })
  const choose = (next: string) => {
    setId(next)
    const branch = array.branches.find((one) => one.id === next)
    onWalk(
      branch?.devices.flatMap(
        (deviceId) => array.devices.find((device) => device.id === deviceId)?.at ?? [],
      ) ?? [],
    )
    setDraft(branch ? asDraft(branch) : fresh(array.branches.length, us))
  }
  const keep = () => {
    const { label, phases, voltage, breaker, endCapped, feederLength, feederSize, stepLength, stepSize } =
      draft
    if (!voltage || breaker === undefined || devices.length === 0) return
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
    setDraft(fresh(array.branches.length + (kept ? 0 : 1), us))
  }
  return (
    <Panel title="Branches" onClose={onDone}>
      <Text fontSize="15px" mb="8px">
        {walked.length === 0 ? (
          'Touch the modules from the board outwards, in the order of the trunk.'
        ) : (
          <b>{`${devices.length} inverters on the branch${devices.length < walked.length ? `, ${walked.length - devices.length} places without a device` : ''}`}</b>
        )}
      </Text>
      <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="10px">
        <ChoiceField
          label="Branch"
          value={id}
          options={[['new', 'a new branch'] as Option, ...named(array.branches)]}
          onChange={choose}
        />
        <TextField label="Name" value={draft.label} onChange={(label) => set({ label })} />
        <ChoiceField
          label="Phases"
          value={draft.phases === 1 ? '1' : '3'}
          options={[
            ['1', 'one, or split phase'],
            ['3', 'three'],
          ]}
          onChange={(phases) => set({ phases: phases === '1' ? 1 : 3 })}
        />
        <QuantityInput
          label="Voltage"
          dimension="voltage"
          value={draft.voltage}
          onChange={(voltage) => set({ voltage })}
        />
        <QuantityInput
          label="Breaker"
          dimension="current"
          value={draft.breaker}
          onChange={(breaker) => set({ breaker })}
        />
        <QuantityInput
          label="Cable to the first"
          dimension="cable-length"
          value={draft.feederLength}
          unit={wire.cable}
          onChange={(feederLength) => set({ feederLength })}
        />
        <QuantityInput
          label="Its size"
          dimension="conductor-size"
          value={draft.feederSize}
          unit={wire.size}
          onChange={(feederSize) => set({ feederSize })}
        />
        <QuantityInput
          label="From one to the next"
          dimension="cable-length"
          value={draft.stepLength}
          unit={wire.cable}
          onChange={(stepLength) => set({ stepLength })}
        />
        <QuantityInput
          label="Its size there"
          dimension="conductor-size"
          value={draft.stepSize}
          unit={wire.size}
          onChange={(stepSize) => set({ stepSize })}
        />
        <Tick
          label="end capped"
          checked={draft.endCapped === true}
          onChange={(endCapped) => set({ endCapped })}
        />
      </Grid>
      <Flex gap="8px" mt="12px" wrap="wrap">
        <GoThrough walked={walked} through={through} onThrough={onThrough} />
        <Button
          onClick={keep}
          disabled={
            devices.length === 0 || !draft.voltage || draft.breaker === undefined || draft.label.trim() === ''
          }
        >
          Save the branch
        </Button>
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
      </Flex>
    </Panel>
  )
}

const fresh = (before: number, us: boolean): Draft => ({
  label: `Branch ${before + 1}`,
  phases: 1,
  voltage: us ? 240 : 230,
  breaker: us ? 20 : 16,
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
