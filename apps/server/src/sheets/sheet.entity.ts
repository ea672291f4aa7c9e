import { Column, Entity, Index, PrimaryColumn } from 'typeorm'

/** A sheet revision: the file as it came, and the fingerprint of what it says. Never changed once it is here. */
@Entity('sheets')
@Index(['maker', 'model'])
export class SheetRow {
  @PrimaryColumn('text') id!: string
  @Column('text') maker!: string
  @Column('text') model!: string
  @Column('text') revision!: string
  @Column('text') source!: string
  @Column('text') fingerprint!: string
  /** Who wrote what it says now; null for what came with the program, or before this was asked. */
  @Column('text', { nullable: true }) writtenBy!: string | null
  /** Who looked at it after its writer, and when; null until then. */
  @Column('text', { nullable: true }) releasedBy!: string | null
  @Column('text', { nullable: true }) releasedAt!: string | null
}
