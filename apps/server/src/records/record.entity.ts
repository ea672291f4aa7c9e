import { Column, Entity, Index, PrimaryColumn } from 'typeorm'
import type { RecordRowValues } from '@plumb-mark/archive'

/** A record from elsewhere that is kept to be read: a file beside our jobs, and nothing in them. */
@Entity('records')
export class RecordRow implements RecordRowValues {
  @PrimaryColumn('text') id!: string
  /** The job that it tells of, which may be worked on here under the same id. */
  @Index() @Column('text') jobId!: string
  @Column('text') number!: string
  @Column('text') title!: string
  @Column('text') site!: string
  @Column('integer') entries!: number
  @Column('boolean') sealed!: boolean
  /** Whose word it carries; null where nobody gave any. */
  @Column('text', { nullable: true }) publicKey!: string | null
  /** Of its ZIP, as it arrived. */
  @Column('text') sha256!: string
  @Column('text') openedAt!: string
  @Column('text') openedBy!: string
}
