import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import type { SavedFilter, SavedFilterDto } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { Refused, notFound } from '../http/refused.js'
import { SavedFilterRow } from './saved-filter.entity.js'

/** More than anybody looks through in a menu. */
const MOST_FILTERS = 100

/** The filters that a person keeps under names of their own. */
@Injectable()
export class SavedFiltersService {
  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
  ) {}

  of({ id: personId }: Person): Promise<SavedFilter[]> {
    return this.db.getRepository(SavedFilterRow).find({
      where: { personId },
      order: { name: 'ASC' },
      select: { id: true, view: true, name: true, query: true },
    })
  }

  async keep({ id: personId }: Person, id: string, filter: SavedFilterDto): Promise<void> {
    await this.writer.inTransaction(async (db) => {
      if (await db.existsBy(SavedFilterRow, { personId, view: filter.view, name: filter.name }))
        throw new Refused(409, 'name-taken', 'you have a filter of this name already', 'name')
      if (await db.existsBy(SavedFilterRow, { id }))
        throw new Refused(409, 'id-reused', 'another filter has this id already')
      if ((await db.countBy(SavedFilterRow, { personId })) >= MOST_FILTERS)
        throw new Refused(
          409,
          'too-many',
          `${MOST_FILTERS} filters can be kept: remove one that is no longer used`,
        )
      await db.insert(SavedFilterRow, { id, personId, ...filter })
    })
  }

  async discard({ id: personId }: Person, id: string): Promise<void> {
    const { affected } = await this.writer.inTransaction((db) => db.delete(SavedFilterRow, { id, personId }))
    if (!affected) throw notFound('filter')
  }
}
