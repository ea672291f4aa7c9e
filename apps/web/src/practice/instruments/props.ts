import type { JudgedCheck } from '@plumb-mark/core'
import type { Hold, Scenario } from '@plumb-mark/practice'

/** What whoever holds an instrument sees of the check, and where the instrument goes. */
export interface HoldProps {
  check: JudgedCheck['check']
  scenario: Scenario
  hold: Hold
  onHold: (hold: Hold) => void
}
