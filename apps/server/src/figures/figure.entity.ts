import { Column, Entity, PrimaryColumn } from 'typeorm'

/** A set of figures that the office adjusts, by name, as JSON. */
@Entity('office_figures')
export class FigureRow {
  @PrimaryColumn('text') name!: string
  @Column('text') value!: string
}
