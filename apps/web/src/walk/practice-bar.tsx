import { Button, Flex, Text, chakra } from '@chakra-ui/react'
import { RotateCcw } from 'lucide-react'
import type { JobId, Role } from '@plumb-mark/core'
import { beginPracticeAgain, practiseAs, usePracticeRole } from '../job/practice-role.js'
import { isPracticeJob } from '../offline/practice-job.js'
import { Cluster } from '../ui/cluster.js'

const ROLE_WORDS = { inspector: 'Inspector', installer: 'Installer', reviewer: 'Reviewer' } satisfies Partial<
  Record<Role, string>
>

/** Above the practice job: that it is one, and who one is in it. */
export function PracticeBar({ jobId }: { jobId: JobId }) {
  const practised = usePracticeRole(({ role }) => role)
  if (!isPracticeJob(jobId)) return null
  return (
    <Cluster
      role="region"
      aria-label="Practice job"
      layerStyle="notice"
      gap="4px 14px"
      _print={{ display: 'none' }}
    >
      <Text flex="1 1 260px">
        Practice: on this device only.{' '}
        <chakra.span hideBelow="md">Nothing of it is sent, and its signature seals nothing.</chakra.span>
      </Text>
      <Flex role="group" aria-label="You are" gap="4px" align="center">
        <chakra.span hideBelow="md">You are</chakra.span>
        {(Object.keys(ROLE_WORDS) as (keyof typeof ROLE_WORDS)[]).map((role) => (
          <Button
            key={role}
            variant={role === practised ? 'solid' : 'outline'}
            aria-pressed={role === practised}
            onClick={() => practiseAs(role)}
          >
            {ROLE_WORDS[role]}
          </Button>
        ))}
      </Flex>
      <Button variant="plain" aria-label="Begin again" onClick={() => void beginPracticeAgain(jobId)}>
        <RotateCcw size={18} aria-hidden />
        <chakra.span hideBelow="md">Begin again</chakra.span>
      </Button>
    </Cluster>
  )
}
