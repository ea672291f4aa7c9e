import type { MigrationInterface, QueryRunner } from 'typeorm'

const COLUMNS = ['due', 'responsible', 'raisedBy']

/** By when a defect is to be put right, by whom, and who raised it: for the lists and the calendar. */
export class Dues1764900000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const column of COLUMNS)
      await db.query(`ALTER TABLE job_defects ADD COLUMN ${column} text NOT NULL DEFAULT ''`)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const column of COLUMNS) await db.query(`ALTER TABLE job_defects DROP COLUMN ${column}`)
  }
}
