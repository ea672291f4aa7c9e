import { Column, Entity, Index, PrimaryColumn } from 'typeorm'

@Entity('visits')
export class VisitRow {
  @PrimaryColumn('text') id!: string
  @Index() @Column('text') jobId!: string
  /** ISO 8601 in UTC, so that text sorts as time does. */
  @Index() @Column('text') start!: string
  @Column('text') end!: string
  @Column('text') purpose!: string
}

@Entity('visit_people')
export class VisitPersonRow {
  @PrimaryColumn('text') visitId!: string
  @Index() @PrimaryColumn('text') personId!: string
  @Column('text') name!: string
}
