import { Column, Entity, Index, PrimaryColumn } from 'typeorm'

/** A trace of a job; its file lies beside the database under the digest of its CSV. */
@Entity('traces')
export class TraceRow {
  @PrimaryColumn('text') id!: string
  @Index() @Column('text') jobId!: string
  @Column('text') sha256!: string
  @Column('integer') samples!: number
  /** Of the file on the disk, which is packed. */
  @Column('integer') bytes!: number
  @Column('text') personId!: string
  @Column('text') keptAt!: string
}
