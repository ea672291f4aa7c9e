import { Column, Entity, PrimaryColumn } from 'typeorm'
import type { Accuracy, InstrumentKind } from '@plumb-mark/core'

@Entity('instruments')
export class InstrumentRow {
  @PrimaryColumn('text') id!: string
  @Column('text') name!: string
  @Column('text') kind!: InstrumentKind
  @Column('text') serial!: string
  @Column('text') calibratedUntil!: string
  @Column('simple-json') accuracy!: Accuracy[]
}
