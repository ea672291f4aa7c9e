import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Who looked at a sheet after its writer. */
export class Releases1764800000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE sheets ADD COLUMN releasedBy text')
    await db.query('ALTER TABLE sheets ADD COLUMN releasedAt text')
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE sheets DROP COLUMN releasedAt')
    await db.query('ALTER TABLE sheets DROP COLUMN releasedBy')
  }
}
