import { randomBytes } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import { hash, verify } from '@node-rs/argon2'
import { DataSource, IsNull, LessThan } from 'typeorm'
import { v7 as uuid } from 'uuid'
import { sha256 } from '@plumb-mark/archive'
import type { OwnSession } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { Refused, notFound } from '../http/refused.js'
import { NO_PASSWORD, PersonRow, SessionRow } from './account.entities.js'
import { SESSION_HOURS } from './session-cookie.js'
import { Tries, type TriedFrom } from './tries.js'

/** Compared against when nobody has the address, so that the time taken does not tell. Hash of a random text. */
const NOBODY = hash(randomBytes(24).toString('hex'))

@Injectable()
export class AccountsService {
  private readonly tries = new Tries()

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
  ) {}

  /** Opens a session and returns its token; `from` is where the try comes from, `device` how the browser names itself. */
  async signIn(
    email: string,
    password: string,
    { device = '', from }: { device?: string; from: TriedFrom },
  ): Promise<{ person: Person; token: string }> {
    const account = email.trim().toLowerCase()
    this.tries.count(account, from)
    const row = await this.db.getRepository(PersonRow).findOneBy({ email: account })
    const chosen = row && row.passwordHash !== NO_PASSWORD
    const right = await verify(chosen ? row.passwordHash : await NOBODY, password)
    // Whoever is disabled, or has chosen no password yet, learns no more than whoever mistypes.
    if (!chosen || !right || row.disabledAt)
      throw new Refused(401, 'wrong-sign-in', 'e-mail address and password do not belong together')
    this.tries.forget(account, from)
    // Sessions that ran out are nobody's: they go when the next one begins.
    const token = randomBytes(32).toString('base64url')
    const openedAt = new Date().toISOString()
    const expiresAt = new Date(Date.now() + SESSION_HOURS * 3_600_000).toISOString()
    await this.writer.inTransaction(async (transaction) => {
      await transaction.delete(SessionRow, { expiresAt: LessThan(openedAt) })
      await transaction.insert(SessionRow, {
        tokenHash: sha256(token),
        personId: row.id,
        expiresAt,
        id: uuid(),
        openedAt,
        device,
      })
    })
    return { person: asPerson(row), token }
  }

  async sessionsOf({ id: personId }: Person, token: string | undefined): Promise<OwnSession[]> {
    const rows = await this.db
      .getRepository(SessionRow)
      .find({ where: { personId }, order: { openedAt: 'DESC' } })
    const here = sha256(token ?? '')
    const now = new Date().toISOString()
    return rows
      .filter(({ expiresAt, id }) => expiresAt > now && id !== '')
      .map(({ id, device, openedAt, expiresAt, tokenHash }) => ({
        id,
        device,
        openedAt,
        expiresAt,
        here: tokenHash === here,
      }))
  }

  async endSession({ id: personId }: Person, id: string): Promise<void> {
    const { affected } = await this.writer.inTransaction((transaction) =>
      transaction.delete(SessionRow, { id, personId }),
    )
    if (!affected) throw notFound('session')
  }

  async signOut(token: string | undefined): Promise<void> {
    if (token)
      await this.writer.inTransaction((transaction) =>
        transaction.delete(SessionRow, { tokenHash: sha256(token) }),
      )
  }

  async personOf(token: string | undefined): Promise<Person | undefined> {
    if (!token) return undefined
    const session = await this.db.getRepository(SessionRow).findOneBy({ tokenHash: sha256(token) })
    if (!session || session.expiresAt < new Date().toISOString()) return undefined
    const row = await this.db.getRepository(PersonRow).findOneBy({ id: session.personId })
    return row && !row.disabledAt ? asPerson(row) : undefined
  }

  async licenceOf({ id }: Person): Promise<{ licence?: string }> {
    const row = await this.db.getRepository(PersonRow).findOneBy({ id })
    return row?.licence ? { licence: row.licence } : {}
  }

  async people(): Promise<Person[]> {
    const rows = await this.db
      .getRepository(PersonRow)
      .find({ where: { disabledAt: IsNull() }, order: { name: 'ASC' } })
    return rows.map(asPerson)
  }

  async add(person: Person & { email: string; password: string }): Promise<void> {
    const { id, name, role, email, password } = person
    const passwordHash = await hash(password)
    await this.writer.inTransaction((transaction) =>
      transaction.insert(PersonRow, { id, name, role, email: email.toLowerCase(), passwordHash }),
    )
  }
}

const asPerson = ({ id, name, role }: PersonRow): Person => ({ id, name, role })
