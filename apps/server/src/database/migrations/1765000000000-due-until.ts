import type { MigrationInterface, QueryRunner } from 'typeorm'

/** When the day is over at the site by which a defect is to be put right: a list of many sites has no day of its own. */
export class DueUntil1765000000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`ALTER TABLE job_defects ADD COLUMN dueUntil text NOT NULL DEFAULT ''`)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE job_defects DROP COLUMN dueUntil')
  }
}
