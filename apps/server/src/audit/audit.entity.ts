import { Column, Entity, PrimaryGeneratedColumn } from 'typeorm'

/** Something that a person a year later may ask about; appended, never changed. */
@Entity('audit')
export class AuditRow {
  @PrimaryGeneratedColumn() n!: number
  @Column('text') at!: string
  @Column('text') action!: string
  /** Absent where nobody was signed in. */
  @Column('text', { nullable: true }) personId!: string | null
  @Column('text') person!: string
  @Column('text') subject!: string
  @Column('text') detail!: string
  /** Where the request came from. */
  @Column('text') address!: string
}
