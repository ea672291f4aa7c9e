import { Column, Entity, PrimaryColumn } from 'typeorm'

/** Another installation of the program, whose word for a record the office accepts. */
@Entity('installations')
export class InstallationRow {
  @PrimaryColumn('text') id!: string
  /** Ed25519, SPKI as PEM. */
  @Column('text') publicKey!: string
  @Column('text') name!: string
  @Column('text') acceptedAt!: string
  /** Name of the person of the office. */
  @Column('text') acceptedBy!: string
}
