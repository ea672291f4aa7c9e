import { Column, Entity, Index, PrimaryColumn } from 'typeorm'
import type { Role } from '@plumb-mark/core'

@Entity('people')
export class PersonRow {
  @PrimaryColumn('text') id!: string
  @Column('text') name!: string
  @Index({ unique: true }) @Column('text') email!: string
  @Column('text') role!: Role
  /** argon2id. */
  @Column('text') passwordHash!: string
}

@Entity('sessions')
export class SessionRow {
  /** SHA-256 of the cookie's token: a copy of the database opens no session. */
  @PrimaryColumn('text') tokenHash!: string
  @Index() @Column('text') personId!: string
  @Column('text') expiresAt!: string
}
