import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import { NOT_APPLICABLE_REASONS, mayNotApply, type JudgedCheck } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { ReasonChoice } from '../ui/reason-choice.js'
import { useInspection } from '../job/inspection.js'
import { LinkButton } from '../ui/buttons.js'

/** Says of one check that it does not apply to what stands here, with the reason; where that cannot be said, nothing is shown. */
export function NotApplicable({ judged, onDone }: { judged: JudgedCheck; onDone: () => void }) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const [asking, setAsking] = useState(false)
  if (mayNotApply(judged) !== 'may' || judged.outcome.verdict === 'not-applicable') return null
  const { id: checkId, point } = judged.check
  const say = (reason: string) => {
    if (person && append(person, { kind: 'not-applicable', body: { checkId, point, reason } })) onDone()
  }
  return (
    <Box>
      <LinkButton aria-expanded={asking} onClick={() => setAsking(!asking)}>
        Not applicable, because …
      </LinkButton>
      {asking && (
        <ReasonChoice
          label="Why it is not applicable"
          reasons={NOT_APPLICABLE_REASONS}
          verb="Not applicable"
          whole
          onTake={say}
        />
      )}
    </Box>
  )
}
