import { Injectable } from '@nestjs/common'
import type { EntityManager } from 'typeorm'
import type { Entry, EntryKind, EntryOf } from '@plumb-mark/core'
import { audited, type Happening } from '../audit/audit.service.js'
import type { AppendedToJob, EntryProjections } from '../entries/ports.js'
import { listRowsOf, writeListRows } from '../lists/list-rows.js'

/** What follows from entries beside themselves: the rows of the lists, and what the office may ask about a year later. */
@Injectable()
export class Projections implements EntryProjections {
  async write(
    transaction: EntityManager,
    { jobId, openedAt, changedAt, entries, before, after }: AppendedToJob,
  ): Promise<void> {
    for (const entry of entries) {
      const happening = happeningOf(entry)
      if (happening) await audited(transaction, { ...happening, by: entry.by, subject: jobId })
    }
    await writeListRows(transaction, jobId, { openedAt, changedAt }, listRowsOf(after), listRowsOf(before))
  }
}

/** What of a job a person a year later may ask about. */
const HAPPENINGS = {
  signed: ({ body }: EntryOf<'signed'>) => ({ action: 'sealed', detail: body.sealedHead }),
  shared: ({ body }: EntryOf<'shared'>) => ({ action: 'shared', detail: `with ${body.person.name}` }),
  unshared: ({ body }: EntryOf<'unshared'>) => ({ action: 'unshared', detail: `person ${body.personId}` }),
} satisfies { [K in EntryKind]?: (entry: EntryOf<K>) => Pick<Happening, 'action' | 'detail'> }

function happeningOf(entry: Entry): Pick<Happening, 'action' | 'detail'> | undefined {
  const say = (
    HAPPENINGS as Partial<Record<EntryKind, (entry: never) => Pick<Happening, 'action' | 'detail'>>>
  )[entry.kind]
  return say?.(entry as never)
}
