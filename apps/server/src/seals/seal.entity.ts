import { Column, Entity, PrimaryColumn } from 'typeorm'

/** The seal of a job, signed by the key of this installation. Triggers refuse every change. */
@Entity('seals')
export class SealRow {
  @PrimaryColumn('text') jobId!: string
  @Column('integer') seq!: number
  @Column('text') head!: string
  @Column('text') publicKey!: string
  @Column('text') signature!: string
}
