import { Stack } from '@chakra-ui/react'
import type { ComponentType } from 'react'
import type { JudgedCheck, Stage } from '@plumb-mark/core'
import { useInspection } from '../../store/inspection.js'

type Parts = Readonly<Record<string, ComponentType<{ judged: JudgedCheck }>>>

/** The picture of a stage whose checks are each drawn by their kind of requirement; a kind without a drawing is asked in the list alone. */
export function ByKind({ stage, parts }: { stage: Stage; parts: Parts }) {
  const checks = useInspection(({ inspection }) => inspection?.checks) ?? []
  return (
    <Stack gap="24px" p={{ base: '12px', lg: '24px' }}>
      {checks
        .filter(({ check }) => check.stage === stage)
        .map((judged) => {
          const Part = parts[judged.check.requirement.kind]
          return Part && <Part key={judged.check.id} judged={judged} />
        })}
    </Stack>
  )
}
