import { Stack } from '@chakra-ui/react'
import { useInspection } from '../../../store/inspection.js'
import { Indicator } from './indicator.js'
import { StepLine } from './step-line.js'

/** The maker's steps with their waits, and what each indicator shows, unit by unit. */
export function PowerUp() {
  const checks = useInspection(({ inspection }) => inspection?.checks) ?? []
  const here = checks.filter(({ check }) => check.stage === 'power-up')
  return (
    <Stack gap="22px" p={{ base: '12px', lg: '24px' }}>
      {here.map((judged) => {
        const { kind } = judged.check.requirement
        if (kind === 'ordered-steps') return <StepLine key={judged.check.id} judged={judged} />
        if (kind === 'indicator') return <Indicator key={judged.check.id} judged={judged} />
        return null
      })}
    </Stack>
  )
}
