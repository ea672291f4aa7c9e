import type { JobState } from '../job/state.js'
import type { Sheet } from '../requirements/sheet.js'
import type { JudgementContext } from '../requirements/judgement-context.js'

/** All that a judgement may look at, and the sheets with all that they ask: what was asked once is compared with what is asked now. */
export interface WalkContext extends JudgementContext {
  sheet(id: string): Sheet | undefined
  /** Units and devices that were replaced by others, oldest first. */
  replacements: JobState['replacements']
}
