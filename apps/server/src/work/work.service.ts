import { Injectable } from '@nestjs/common'
import { BehaviorSubject, EMPTY, type Observable } from 'rxjs'
import type { WorkProgress } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'

interface Running {
  by: string
  progress: BehaviorSubject<WorkProgress>
}

/** Long works that somebody waits for: each under an id that its asker made, told only to them. */
@Injectable()
export class WorkService {
  private readonly running = new Map<string, Running>()

  /** Does a work and tells how far it is for as long as it runs. */
  async following<T>(
    by: Person,
    id: string | undefined,
    work: (tell: (progress: WorkProgress) => void) => Promise<T>,
  ): Promise<T> {
    if (id === undefined || this.running.has(id)) return work(() => undefined)
    const progress = new BehaviorSubject<WorkProgress>({ done: 0, of: 0 })
    this.running.set(id, { by: by.id, progress })
    try {
      return await work((step) => progress.next(step))
    } finally {
      this.running.delete(id)
      progress.complete()
    }
  }

  /** How far a work of this person is, until it ends. */
  progressOf(person: Person, id: string): Observable<WorkProgress> {
    const running = this.running.get(id)
    return running?.by === person.id ? running.progress : EMPTY
  }
}
