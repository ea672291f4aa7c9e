import { randomBytes } from 'node:crypto'
import { Injectable } from '@nestjs/common'
import { hash, verify } from '@node-rs/argon2'
import { DataSource, IsNull, Not, type EntityManager } from 'typeorm'
import { v7 as uuid } from 'uuid'
import { sha256 } from '@plumb-mark/archive'
import type {
  FirstAccountDto,
  Invited,
  OneTimeLink,
  PasswordDto,
  PersonAddedDto,
  PersonChangedDto,
  PersonKept,
  WelcomeDto,
} from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { Refused, notFound } from '../http/refused.js'
import { FirstWord } from './first-word.js'
import { Tries } from './tries.js'
import { InvitationRow, NO_PASSWORD, PersonRow, SessionRow } from './account.entities.js'

const LINK_DAYS = 7
const DAY_MS = 86_400_000

/** Who may come in: the first account, people whom the office invites, their passwords and their leaving. */
@Injectable()
export class PeopleService {
  private readonly tries = new Tries()

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly firstWord: FirstWord,
  ) {}

  /** Is there nobody yet? Then whoever is at the machine makes the first account. */
  async isEmpty(): Promise<boolean> {
    return (await this.db.getRepository(PersonRow).count()) === 0
  }

  async first({ name, email, password, word }: FirstAccountDto): Promise<void> {
    this.firstWord.require(word)
    const passwordHash = await hash(password)
    // Of two who come first at once only one is.
    await this.writer.inTransaction(async (transaction) => {
      if ((await transaction.count(PersonRow)) > 0)
        throw new Refused(
          409,
          'not-first',
          'there is an account already: sign in, or ask the office for a link',
        )
      await insert(transaction, { name, email, role: 'office' }, passwordHash)
    })
  }

  async list(): Promise<PersonKept[]> {
    const rows = await this.db.getRepository(PersonRow).find({ order: { name: 'ASC' } })
    return rows.map(asKept)
  }

  /** Lets somebody in; the link is shown once, since only its digest is kept. */
  async add(wish: PersonAddedDto): Promise<{ person: PersonKept; link: OneTimeLink }> {
    return this.writer.inTransaction(async (transaction) => {
      const row = await insert(transaction, wish, NO_PASSWORD)
      return { person: asKept(row), link: await newLink(transaction, row.id) }
    })
  }

  async addAll(people: readonly PersonAddedDto[]): Promise<void> {
    await this.writer.inTransaction(async (transaction) => {
      for (const wish of people) await insert(transaction, wish, NO_PASSWORD)
    })
  }

  /** A new link; the ones before it open nothing any more. */
  async link(personId: string): Promise<OneTimeLink> {
    return this.writer.inTransaction(async (transaction) => {
      await rowOf(transaction, personId)
      return newLink(transaction, personId)
    })
  }

  async invited(token: string): Promise<Invited> {
    const { personId } = await invitationOf(this.db.manager, token)
    const { name, email } = await rowOf(this.db.manager, personId)
    return { name, email }
  }

  /** Chooses a password by a link: it works once, and every session that was open ends. */
  async welcome({ token, password }: WelcomeDto): Promise<void> {
    const passwordHash = await hash(password)
    await this.writer.inTransaction(async (transaction) => {
      const invitation = await invitationOf(transaction, token)
      await transaction.delete(InvitationRow, { personId: invitation.personId })
      await transaction.update(PersonRow, { id: invitation.personId }, { passwordHash })
      await endSessions(transaction, invitation.personId)
    })
  }

  /** Changes what the office may change; who is disabled is out at once, and the last of the office stays. */
  async change(by: Person, personId: string, wish: PersonChangedDto): Promise<PersonKept> {
    const { disabled, ...said } = wish
    // Read where it is written: of two of the office who disable each other at once, one stays.
    return this.writer.inTransaction(async (transaction) => {
      const row = await rowOf(transaction, personId)
      const disabledAt = disabled === undefined ? row.disabledAt : disabled ? new Date().toISOString() : null
      const email = said.email?.toLowerCase() ?? row.email
      if (email !== row.email && (await transaction.existsBy(PersonRow, { email })))
        throw new Refused(409, 'address-taken', `somebody has the e-mail address ${email} already`, 'email')
      const next = { ...row, ...said, email, disabledAt }
      if (row.role === 'office' && !row.disabledAt && (next.role !== 'office' || next.disabledAt))
        await requireAnotherOffice(transaction, personId, by)
      await transaction.update(PersonRow, { id: personId }, next)
      if (next.disabledAt || next.role !== row.role) await endSessions(transaction, personId)
      if (next.disabledAt) await transaction.delete(InvitationRow, { personId })
      return asKept(next)
    })
  }

  /** Wrong tries are counted for this person alone: nobody who knocks at the door keeps them from it. */
  async changePassword({ id }: Person, { before, password }: PasswordDto): Promise<void> {
    const row = await rowOf(this.db.manager, id)
    const from = { address: '', device: id }
    this.tries.count(row.email, from)
    if (!(await verify(row.passwordHash, before)))
      throw new Refused(403, 'wrong-password', 'this is not the password that you have', 'before')
    this.tries.forget(row.email, from)
    const passwordHash = await hash(password)
    await this.writer.inTransaction(async (transaction) => {
      await transaction.update(PersonRow, { id }, { passwordHash })
      await endSessions(transaction, id)
    })
  }
}

async function requireAnotherOffice(db: EntityManager, personId: string, by: Person): Promise<void> {
  const other = {
    role: 'office' as const,
    disabledAt: IsNull(),
    id: Not(personId),
    passwordHash: Not(NO_PASSWORD),
  }
  if (await db.existsBy(PersonRow, other)) return
  const whom = by.id === personId ? 'you are' : 'this is'
  throw new Refused(
    409,
    'last-office',
    `${whom} the last of the office: nobody could let anybody in any more`,
  )
}

async function insert(
  db: EntityManager,
  { name, email, role, licence }: PersonAddedDto,
  passwordHash: string,
): Promise<PersonRow> {
  if (await db.existsBy(PersonRow, { email: email.toLowerCase() }))
    throw new Refused(409, 'address-taken', `somebody has the e-mail address ${email} already`, 'email')
  const row = {
    id: uuid(),
    name,
    role,
    email: email.toLowerCase(),
    passwordHash,
    licence: licence ?? null,
    disabledAt: null,
  }
  await db.insert(PersonRow, row)
  return row
}

/** The links before it open nothing any more. */
async function newLink(db: EntityManager, personId: string): Promise<OneTimeLink> {
  const token = randomBytes(32).toString('base64url')
  const expiresAt = new Date(Date.now() + LINK_DAYS * DAY_MS).toISOString()
  await db.delete(InvitationRow, { personId })
  await db.insert(InvitationRow, { tokenHash: sha256(token), personId, expiresAt })
  return { token, expiresAt }
}

async function invitationOf(db: EntityManager, token: string): Promise<InvitationRow> {
  const invitation = await db.findOneBy(InvitationRow, { tokenHash: sha256(token) })
  if (invitation && invitation.expiresAt >= new Date().toISOString()) return invitation
  throw new Refused(
    410,
    'link-used',
    'this link was used or has run out: ask the office for a new one',
    'token',
  )
}

async function rowOf(db: EntityManager, id: string): Promise<PersonRow> {
  const row = await db.findOneBy(PersonRow, { id })
  if (!row) throw notFound('person')
  return row
}

const endSessions = (transaction: EntityManager, personId: string) =>
  transaction.delete(SessionRow, { personId })

const asKept = ({ id, name, role, email, licence, disabledAt, passwordHash }: PersonRow): PersonKept => ({
  id,
  name,
  role,
  email,
  invited: passwordHash === NO_PASSWORD,
  ...(licence && { licence }),
  ...(disabledAt && { disabledAt }),
})
