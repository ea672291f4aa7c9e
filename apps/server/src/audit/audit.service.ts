import { Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { DataSource, type EntityManager } from 'typeorm'
import type { AuditAction, AuditLine, AuditPage, AuditQueryDto } from '@plumb-mark/contract'
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
const FLUSH_MS = 1000

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

/** Knocks at doors that are closed to whoever knocks, of one address within one hour. */
interface Knocks {
  hour: string
  address: string
  count: number
  at: string
  personId: string | null
  person: string
  detail: string
}

/** Rows, and what was counted beside them as a row each; `n` of the second is below zero. */
const LINES = `(SELECT n, at, action, person, subject, detail, address FROM audit
  UNION ALL SELECT -rowid, at, 'refused', person, '', detail || CASE count WHEN 1 THEN '' ELSE ' and ' || (count - 1) || ' more within the hour' END, address
  FROM knocks)`

/** The audit list: everybody’s way in, what left, what was decided about people. */
@Injectable()
export class AuditService implements OnApplicationShutdown {
  private readonly knocks = new Map<string, Knocks>()
  private flushing: NodeJS.Timeout | undefined

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
  ) {}

  write(happening: Happening): Promise<void> {
    return this.writer.inTransaction((transaction) => audited(transaction, happening))
  }

  /** Counts a knock at a closed door: one row an hour and address, however often somebody knocks. */
  knock({ by, detail = '', address = '' }: Omit<Happening, 'action'>): void {
    const at = new Date().toISOString()
    const hour = at.slice(0, 13)
    const key = `${hour} ${address}`
    const count = (this.knocks.get(key)?.count ?? 0) + 1
    const who = { personId: by?.id ?? null, person: by?.name ?? '' }
    this.knocks.set(key, { hour, address, count, at, ...who, detail: detail.slice(0, LONGEST) })
    this.flushing ??= setTimeout(() => void this.flush().catch(() => undefined), FLUSH_MS)
  }

  /** The latest first. */
  async list({ action, q, limit = 50, offset = 0 }: AuditQueryDto): Promise<AuditPage> {
    await this.flush()
    const conditions = [
      ...(action ? ['action = ?'] : []),
      ...(q ? [`(person || ' ' || subject || ' ' || detail || ' ' || address) LIKE ? ESCAPE '\\'`] : []),
    ]
    const values = [...(action ? [action] : []), ...(q ? [`%${q.replace(/[\\%_]/g, '\\$&')}%`] : [])]
    const where = conditions.length > 0 ? `WHERE ${conditions.join(' AND ')}` : ''
    const rows = await this.db.query<AuditLine[]>(
      `SELECT * FROM ${LINES} ${where} ORDER BY at DESC, n DESC LIMIT ? OFFSET ?`,
      [...values, limit, offset],
    )
    const [{ total }] = await this.db.query<[{ total: number }]>(
      `SELECT count(*) AS total FROM ${LINES} ${where}`,
      values,
    )
    return { rows, total }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.flush()
  }

  private async flush(): Promise<void> {
    clearTimeout(this.flushing)
    this.flushing = undefined
    const counted = [...this.knocks.values()]
    this.knocks.clear()
    if (counted.length === 0) return
    await this.writer.inTransaction(async (db) => {
      for (const { hour, address, count, at, personId, person, detail } of counted)
        await db.query(
          `INSERT INTO knocks (hour, address, count, at, personId, person, detail) VALUES (?, ?, ?, ?, ?, ?, ?)
           ON CONFLICT (hour, address) DO UPDATE SET count = count + excluded.count, at = excluded.at,
             personId = excluded.personId, person = excluded.person, detail = excluded.detail`,
          [hour, address, count, at, personId, person, detail],
        )
    })
  }
}
