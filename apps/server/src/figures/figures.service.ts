import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { Writer } from '../database/writer.js'
import { FigureRow } from './figure.entity.js'

/** Sets of figures that are kept for the whole office, by name. */
@Injectable()
export class FiguresService {
  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
  ) {}

  async read<T>(name: string): Promise<T | undefined> {
    const row = await this.db.getRepository(FigureRow).findOneBy({ name })
    return row ? (JSON.parse(row.value) as T) : undefined
  }

  async keep(name: string, value: unknown): Promise<void> {
    await this.writer.inTransaction((transaction) =>
      transaction.upsert(FigureRow, { name, value: JSON.stringify(value) }, ['name']),
    )
  }
}
