import type { MigrationInterface, QueryRunner } from 'typeorm'

/** People who come and go: licence, disabled since when, and the one-time links by which they choose a password. */
export class People1764300000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE people ADD COLUMN licence text')
    await db.query('ALTER TABLE people ADD COLUMN disabledAt text')
    await db.query(
      `CREATE TABLE invitations (tokenHash text PRIMARY KEY NOT NULL, personId text NOT NULL REFERENCES people (id), expiresAt text NOT NULL)`,
    )
    await db.query('CREATE INDEX invitations_person ON invitations (personId)')
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE invitations')
    for (const column of ['licence', 'disabledAt']) await db.query(`ALTER TABLE people DROP COLUMN ${column}`)
  }
}
