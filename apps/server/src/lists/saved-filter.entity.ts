import { Column, Entity, PrimaryColumn } from 'typeorm'

/** A filter that somebody gave a name: the question of a list, as its address has it. */
@Entity('saved_filters')
export class SavedFilterRow {
  @PrimaryColumn('text') id!: string
  @Column('text') personId!: string
  @Column('text') view!: 'jobs' | 'defects'
  @Column('text') name!: string
  @Column('text') query!: string
}
