import { Injectable } from '@nestjs/common'
import { isAssigned, type JobState, type Person } from '@plumb-mark/core'
import { FiguresService } from '../figures/figures.service.js'

const NAME = 'assigned-only'
const REASON = 'other people are assigned to this job: the office assigns whoever is to enter into it'

/** Whether an inspector enters only into the jobs that they are assigned to. Jobs are open to all inspectors until the office says so. */
@Injectable()
export class AssignmentsService {
  private known: boolean | undefined

  constructor(private readonly figures: FiguresService) {}

  async wanted(): Promise<boolean> {
    return (this.known ??= (await this.figures.read<{ wanted: boolean }>(NAME))?.wanted ?? false)
  }

  async want(wanted: boolean): Promise<{ wanted: boolean }> {
    await this.figures.keep(NAME, { wanted })
    this.known = wanted
    return { wanted }
  }

  /** Why this person enters nothing into a job; undefined where they may. */
  async refusal(
    person: Person,
    people: () => Promise<Pick<JobState, 'entered' | 'sharedWith'>>,
  ): Promise<string | undefined> {
    if (person.role !== 'inspector' || !(await this.wanted())) return undefined
    const { entered, sharedWith } = await people()
    return entered.length === 0 || isAssigned({ entered, sharedWith }, person.id) ? undefined : REASON
  }
}
