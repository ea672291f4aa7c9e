import { Injectable } from '@nestjs/common'
import { DataSource, Like, type EntityManager } from 'typeorm'
import type { AuditAction, AuditPage, AuditQueryDto } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { AuditRow } from './audit.entity.js'

/** What happened: who, from where, to what. */
export interface Happening {
  action: AuditAction
  by?: Pick<Person, 'id' | 'name'> | undefined
  subject?: string | undefined
  detail?: string | undefined
  address?: string | undefined
}

const LONGEST = 300

/** Writes down what happened, in the transaction of what it tells where there is one. */
export async function audited(
  db: EntityManager,
  { action, by, subject = '', detail = '', address = '' }: Happening,
): Promise<void> {
  await db.insert(AuditRow, {
    at: new Date().toISOString(),
    action,
    personId: by?.id ?? null,
    person: by?.name ?? '',
    subject: subject.slice(0, LONGEST),
    detail: detail.slice(0, LONGEST),
    address,
  })
}

/** The audit list: everybody’s way in, what left, what was decided about people. */
@Injectable()
export class AuditService {
  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
  ) {}

  write(happening: Happening): Promise<void> {
    return this.writer.inTransaction((transaction) => audited(transaction, happening))
  }

  /** The latest first. */
  async list({ action, q, limit = 50, offset = 0 }: AuditQueryDto): Promise<AuditPage> {
    const text = q && Like(`%${q}%`)
    const with_ = { ...(action && { action }) }
    const where = text ? ['person', 'subject', 'detail'].map((name) => ({ ...with_, [name]: text })) : with_
    const [rows, total] = await this.db
      .getRepository(AuditRow)
      .findAndCount({ where, order: { n: 'DESC' }, take: limit, skip: offset })
    return { rows: rows.map((row) => ({ ...row, action: row.action as AuditAction })), total }
  }
}
