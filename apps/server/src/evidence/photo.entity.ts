import { Column, Entity, Index, PrimaryColumn } from 'typeorm'

/** A photo of a job; its file lies beside the database under its digest. */
@Entity('photos')
export class PhotoRow {
  @PrimaryColumn('text') id!: string
  @Index() @Column('text') jobId!: string
  @Column('text') sha256!: string
  @Column('text') type!: string
  @Column('integer') width!: number
  @Column('integer') height!: number
  @Column('integer') bytes!: number
  @Column('text') personId!: string
  @Column('text') keptAt!: string
}
