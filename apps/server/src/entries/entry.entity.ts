import { Column, Entity, Index, PrimaryColumn } from 'typeorm'
import type { EntryKind } from '@plumb-mark/core'

/** One entry of one job. Triggers in the database refuse every update and delete, and every insert into a sealed job. */
@Entity('entries')
@Index(['jobId', 'seq'], { unique: true })
export class EntryRow {
  @PrimaryColumn('text') id!: string
  @Column('text') jobId!: string
  @Column('integer') seq!: number
  @Column('text') kind!: EntryKind
  @Column('text') at!: string
  @Column('text', { nullable: true }) said!: string | null
  @Column('text', { nullable: true }) received!: string | null
  /** Canonical JSON of the person and of the body, just as they were hashed. */
  @Column('text') by!: string
  @Column('text') body!: string
  @Column('text') prev!: string
  @Column('text') hash!: string
}
