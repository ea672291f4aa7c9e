import { Button, Grid } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { stringMakeUp, walkedString, watts, type StringBuilt } from '@plumb-mark/core'
import { useMessageText } from '../../job/message-text.js'
import { ChoiceField, named, type Option } from '../../ui/choice-field.js'
import { TextField } from '../../ui/text-field.js'
import { VerdictMark } from '../../ui/verdict-mark.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'
import { GoThrough } from './go-through.js'
import type { TaskProps } from './task.js'
import { Small } from '../../ui/theme/text.js'
import { Cluster } from '../../ui/cluster.js'

const ENDS_IN = ['hybrid-inverter', 'string-inverter']

/** A string drawn by walking along it: its count and power stand against the limits at every step. */
export function StringTask({ walked, onWalk, through, onThrough, onDone }: TaskProps) {
  const inspection = useInspection((state) => state.inspection)!
  const preview = useInspection((state) => state.preview)
  const commit = useCommit()
  const { asBuilt } = inspection.state
  const inverters = asBuilt.units.filter(({ sheetId }) =>
    ENDS_IN.includes(inspection.sheets.get(sheetId)?.kind ?? ''),
  )
  const [id, setId] = useState('new')
  const kept = asBuilt.strings.find((string) => string.id === id)
  const [label, setLabel] = useState(`String ${nameAfter(asBuilt.strings.length)}`)
  const [unitId, setUnitId] = useState(inverters[0]?.id ?? '')
  const [input, setInput] = useState('PV1')
  const [coldMethod, setColdMethod] = useState<'coefficient' | 'table'>('coefficient')
  const saying = useMessageText()
  const [freshId, setFreshId] = useState(() => `string-${uuid()}`)
  const draft = useMemo(
    () =>
      walkedString(
        { id: kept?.id ?? freshId, label, unitId, input, path: walked, coldMethod },
        kept,
        inspection.context,
      ),
    [kept, freshId, label, unitId, input, walked, coldMethod, inspection.context],
  )
  useEffect(() => {
    preview(
      walked.length > 0 && draft
        ? { ...asBuilt, strings: [...asBuilt.strings.filter((string) => string.id !== draft.id), draft] }
        : undefined,
    )
    // The draft follows the walk; the inspection that comes of it must not set it off again.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [walked, label, unitId, input, coldMethod])
  const limits = inspection.checks.filter(
    ({ check }) => check.requirement.kind === 'string-limits' && check.subject.id === draft?.id,
  )
  const choose = (next: string) => {
    setId(next)
    const string = asBuilt.strings.find((one) => one.id === next)
    onWalk(string?.path ?? [])
    setLabel(string?.label ?? `String ${nameAfter(asBuilt.strings.length)}`)
    setUnitId(string?.unitId ?? inverters[0]?.id ?? '')
    setInput(string?.input ?? 'PV1')
    setColdMethod(string?.coldMethod ?? 'coefficient')
  }
  const keep = () => {
    if (!draft) return
    commit({ kind: 'string-built', body: draft })
    onWalk([])
    setId('new')
    setFreshId(`string-${uuid()}`)
    setLabel(`String ${nameAfter(asBuilt.strings.length + (kept ? 0 : 1))}`)
  }
  if (inverters.length === 0)
    return (
      <Panel title="Strings" onClose={onDone}>
        No inverter is fitted that a string could end in.
      </Panel>
    )
  return (
    <Panel title="Strings" onClose={onDone}>
      <Small mb="8px">
        {walked.length === 0 ? (
          'Touch the modules one after the other, from plus to minus; with Shift, all up to the one touched.'
        ) : (
          <Running count={walked.length} path={walked} />
        )}
      </Small>
      <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="10px">
        <ChoiceField
          label="String"
          value={id}
          options={[['new', 'a new string'] as Option, ...named(asBuilt.strings)]}
          onChange={choose}
        />
        <TextField label="Name" value={label} onChange={setLabel} />
        <ChoiceField label="Ends in" value={unitId} options={named(inverters)} onChange={setUnitId} />
        <TextField label="Input" value={input} onChange={setInput} />
        <ChoiceField
          label="Coldest morning by"
          value={coldMethod}
          options={[
            ['coefficient', 'the module’s coefficient'],
            ['table', 'the table by temperature'],
          ]}
          onChange={setColdMethod}
        />
      </Grid>
      {walked.length > 0 &&
        limits.map(({ check, outcome }) => (
          <Cluster key={check.id} mt="10px" alignItems="baseline" aria-live="polite">
            <VerdictMark verdict={outcome.verdict} />
            <Small>
              {'finding' in outcome && saying(outcome.finding)}; {saying(check.required)} (clause{' '}
              {check.requirement.clause})
            </Small>
          </Cluster>
        ))}
      <Cluster mt="12px">
        <Button
          onClick={keep}
          disabled={!draft || walked.length === 0 || label.trim() === '' || input.trim() === ''}
        >
          Save the string
        </Button>
        <GoThrough walked={walked} through={through} onThrough={onThrough} />
        <Button variant="outline" disabled={walked.length === 0} onClick={() => onWalk(walked.slice(0, -1))}>
          Last module back
        </Button>
        {kept && (
          <Button
            variant="plain"
            onClick={() => {
              commit({ kind: 'string-removed', body: { stringId: kept.id } })
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

function Running({ count, path }: { count: number; path: readonly string[] }) {
  const context = useInspection(({ inspection }) => inspection!.context)
  const { power } = stringMakeUp({ path } as StringBuilt, context.array())
  return (
    <b>
      {count} {count === 1 ? 'module' : 'modules'}
      {power === undefined ? '' : `, ${watts(power)}`}
    </b>
  )
}

const nameAfter = (n: number) => String.fromCharCode(65 + (n % 26))
