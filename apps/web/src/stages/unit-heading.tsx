import type { JudgedCheck } from '@plumb-mark/core'
import { Note, SubTitle } from '../ui/theme/text.js'
import { VerdictMark } from '../ui/verdict-mark.js'
import { Cluster } from '../ui/cluster.js'

/** The unit that a part of the picture is about, what is asked of it there, and how that stands. */
export function UnitHeading({ judged: { check, outcome } }: { judged: JudgedCheck }) {
  return (
    <Cluster alignItems="baseline" mb="10px">
      <SubTitle>{check.unit.label}</SubTitle>
      <Note flex="1">{check.title}</Note>
      <VerdictMark verdict={outcome.verdict} />
    </Cluster>
  )
}
