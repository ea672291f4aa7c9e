import { Column, Entity, Index, PrimaryColumn } from 'typeorm'

@Entity('jobs')
export class JobRow {
  @PrimaryColumn('text') id!: string
  @Index({ unique: true }) @Column('text') number!: string
  @Index() @Column('text') changedAt!: string
  @Column('text', { nullable: true }) sealedAt!: string | null
  /** Imported to be read: it takes no entries here. */
  @Column('boolean', { default: false }) readOnly!: boolean
}

/** Whom a job is shared with; follows from the `shared` entries, kept as rows for the lists. */
@Entity('job_people')
export class JobPersonRow {
  @PrimaryColumn('text') jobId!: string
  @Index() @PrimaryColumn('text') personId!: string
}

/** Which sheets a job is judged by, or was; follows from its entries, kept as rows so that a sheet knows who uses it. */
@Entity('job_sheets')
export class JobSheetRow {
  @PrimaryColumn('text') jobId!: string
  @Index() @PrimaryColumn('text') sheetId!: string
}
