import { Button } from '@chakra-ui/react'
import { Link, useParams } from 'react-router'
import { serialsHeard, type JudgedCheck } from '@plumb-mark/core'
import { isLive, useLiveOf } from '../../devices/live.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { useWritable } from '../../job/use-writable.js'
import { ReadFields } from './read-fields.js'
import { Danger } from '../../ui/theme/text.js'
import { Cluster } from '../../ui/cluster.js'

/** The counts of the roll-call, and the serials that were heard: taken over, the silent ones stand in their places on the array map. */
export function RollCall({ judged }: { judged: JudgedCheck }) {
  return (
    <>
      <ReadFields judged={judged} />
      <Serials unitId={judged.check.unit.id} />
    </>
  )
}

function Serials({ unitId }: { unitId: string }) {
  const { jobId } = useParams()
  const live = useLiveOf(unitId)
  const commit = useCommit()
  const writable = useWritable()
  const map = useInspection(({ inspection }) =>
    inspection?.checks.find(
      ({ check }) => check.unit.id === unitId && check.requirement.kind === 'serial-map',
    ),
  )
  if (!map) return null
  const heard = isLive(live) ? serialsHeard(map.check, live) : []
  const { outcome } = map
  const said = 'causes' in outcome ? outcome.causes : []
  return (
    <Cluster mt="10px">
      {writable && heard.length > 0 && (
        <Button
          variant="outline"
          onClick={() => commit({ kind: 'serials-reported', body: { unitId, serials: heard } })}
        >
          Take the {heard.length} serials it has heard
        </Button>
      )}
      {said.map((one) => (
        <Danger key={String(one)}>{String(one)}</Danger>
      ))}
      <span>
        <Link to={`/jobs/${jobId}/walk/roof`}>Show on the array map</Link>
      </span>
    </Cluster>
  )
}
