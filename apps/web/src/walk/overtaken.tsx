import { Button, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { VERDICT_WORDS, overtakenOf, sayEvidence } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { useSiteTime } from '../job/site-time.js'
import { checkAddress } from '../job/check-in-address.js'
import { Cluster } from '../ui/cluster.js'

const MOST_REMEMBERED = 500

/** Answers of others that were looked at, by their entry. */
const useLookedAt = create<{ ids: readonly string[]; look: (id: string) => void }>()(
  persist(
    (set) => ({
      ids: [],
      look: (id) => set(({ ids }) => ({ ids: [...ids, id].slice(-MOST_REMEMBERED) })),
    }),
    { name: 'plumb-mark-looked-at' },
  ),
)

/** Somebody else answered the same check a moment after: their answer counts, and whoever answered first is told until they have looked. */
export function OvertakenNotice() {
  const { jobId } = useParams()
  const personId = useSession(({ person }) => person?.id)
  const checks = useInspection(({ committed }) => committed?.checks)
  const { ids, look } = useLookedAt()
  const { hour } = useSiteTime()
  const found = useMemo(() => (personId && checks ? overtakenOf(personId, checks) : []), [personId, checks])
  const open = found.filter(({ theirs }) => !ids.includes(theirs.id))
  const [first] = open
  if (!first) return null
  const { judged, mine, theirs } = first
  const { check, outcome } = judged
  return (
    <Cluster layerStyle="notice" role="status">
      <Text flex="1 1 260px">
        {theirs.by.name} answered “{sayEvidence(check, theirs)}” at {hour(theirs.at)}, {check.title},{' '}
        {check.unit.label}: {VERDICT_WORDS[outcome.verdict]}. You had “{sayEvidence(check, mine)}”
        {open.length > 1 ? `; ${open.length - 1} more like it` : ''}.
      </Text>
      <Button asChild variant="outline">
        <Link to={checkAddress(jobId!, check.stage, check.id)} onClick={() => look(theirs.id)}>
          Look at it
        </Link>
      </Button>
    </Cluster>
  )
}
