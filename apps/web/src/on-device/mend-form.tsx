import { Button } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { reassigned, candidates, type Inspection, type NewEntry } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { ChoiceField, type Option } from '../ui/choice-field.js'
import { TextField } from '../ui/text-field.js'
import { useDecimal } from '../data/preferences.js'
import { useInspection } from '../job/inspection.js'
import type { SetAside } from '../offline/set-aside.js'
import { Danger, Small } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** Puts right what stood in the way of a piece of evidence: its check, its figure, the instrument’s figures of today. */
export function MendForm({
  aside,
  entry,
  inspection,
}: {
  aside: SetAside
  entry: NewEntry
  inspection: Inspection
}) {
  const role = useSession(({ person }) => person?.role ?? 'inspector')
  const instruments = useInspection((state) => state.instruments)
  const sendAgain = useInspection((state) => state.sendAgain)
  const decimal = useDecimal()
  const own = 'point' in entry.body ? entry.body.point : ''
  const [point, setPoint] = useState<string>(own)
  const [typed, setTyped] = useState('typed' in entry.body ? entry.body.typed : undefined)
  const [problem, setProblem] = useState<string>()
  const points = useMemo(() => optionsFor(entry, inspection, role), [entry, inspection, role])
  const used = 'instrument' in entry.body ? entry.body.instrument : undefined
  const instrument = instruments.find(({ id }) => id === used?.id)
  const send = () => {
    const wish = { point, typed, instrument }
    const answer = reassigned(entry, wish, { id: uuid(), role, inspection, habits: { decimal } })
    if (answer.ok) void sendAgain(aside, [answer.entry])
    else setProblem(answer.message)
  }
  return (
    <Cluster alignItems="flex-end" py="8px">
      <ChoiceField label="Check that it belongs to" value={point} options={points} onChange={setPoint} />
      {typed !== undefined && <TextField label="Reading" value={typed} onChange={setTyped} />}
      {instrument && (
        <Small pb="10px">
          {instrument.name}, calibrated until {instrument.calibratedUntil}
        </Small>
      )}
      <Button onClick={send}>Save and send</Button>
      {problem && (
        <Danger role="alert" w="100%">
          Not taken: {problem}
        </Danger>
      )}
    </Cluster>
  )
}

function optionsFor(
  entry: NewEntry,
  inspection: Inspection,
  role: Parameters<typeof candidates>[1],
): Option[] {
  const own = 'point' in entry.body ? entry.body.point : ''
  const here = inspection.checks.find(({ check }) => check.point === own)?.check
  const first: Option = [own, here ? `${here.title}, ${here.place}` : 'its check is gone: choose another']
  return [
    first,
    ...candidates(entry, role, inspection).map(({ point, title, place }): Option => [
      point,
      `${title}, ${place}`,
    ]),
  ]
}
