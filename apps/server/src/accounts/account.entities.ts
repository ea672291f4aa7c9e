import { Column, Entity, Index, PrimaryColumn } from 'typeorm'
import type { Role } from '@plumb-mark/core'

/** Stands for a password that nobody has chosen yet: no digest looks like it. */
export const NO_PASSWORD = '!'

@Entity('people')
export class PersonRow {
  @PrimaryColumn('text') id!: string
  @Column('text') name!: string
  @Index({ unique: true }) @Column('text') email!: string
  @Column('text') role!: Role
  /** argon2id. */
  @Column('text') passwordHash!: string
  @Column('text', { nullable: true }) licence!: string | null
  /** Signs in no more since then; what was entered before keeps the name. */
  @Column('text', { nullable: true }) disabledAt!: string | null
}

@Entity('sessions')
export class SessionRow {
  /** SHA-256 of the cookie's token: a copy of the database opens no session. */
  @PrimaryColumn('text') tokenHash!: string
  @Index() @Column('text') personId!: string
  @Column('text') expiresAt!: string
  /** What its owner ends it by; empty for one of before, which runs out within the day. */
  @Column('text') id!: string
  @Column('text') openedAt!: string
  @Column('text') device!: string
}

/** A link by which somebody chooses a password, once. */
@Entity('invitations')
export class InvitationRow {
  @PrimaryColumn('text') tokenHash!: string
  @Index() @Column('text') personId!: string
  @Column('text') expiresAt!: string
}
