import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Both times of every entry; what is kept cannot be replaced either, by whatever statement. */
export class Defended1764100000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const trigger of TRIGGERS) await db.query(`DROP TRIGGER ${trigger}`)
    for (const column of ['said', 'received']) await db.query(`ALTER TABLE entries DROP COLUMN ${column}`)
    await db.query('DROP TABLE seals')
  }
}

const TRIGGERS = [
  'entries_are_not_replaced',
  'jobs_are_not_replaced',
  'used_sheets_are_not_replaced',
  'seals_are_not_changed',
  'seals_are_not_deleted',
  'seals_are_not_replaced',
]

// INSERT OR REPLACE deletes the row in its way without asking the triggers on deletes.
const STATEMENTS = [
  `ALTER TABLE entries ADD COLUMN said text`,
  `ALTER TABLE entries ADD COLUMN received text`,
  `CREATE TRIGGER entries_are_not_replaced BEFORE INSERT ON entries
     WHEN EXISTS (SELECT 1 FROM entries WHERE id = NEW.id OR (jobId = NEW.jobId AND seq = NEW.seq))
     BEGIN SELECT RAISE(ABORT, 'entries are never changed'); END`,
  `CREATE TRIGGER jobs_are_not_replaced BEFORE INSERT ON jobs
     WHEN EXISTS (SELECT 1 FROM jobs WHERE id = NEW.id OR number = NEW.number)
     BEGIN SELECT RAISE(ABORT, 'UNIQUE constraint failed: jobs are never replaced'); END`,
  `CREATE TRIGGER used_sheets_are_not_replaced BEFORE INSERT ON sheets
     WHEN EXISTS (SELECT 1 FROM job_sheets WHERE sheetId = NEW.id) AND EXISTS (SELECT 1 FROM sheets WHERE id = NEW.id)
     BEGIN SELECT RAISE(ABORT, 'a sheet that a job uses is never changed'); END`,
  `CREATE TABLE seals (jobId text PRIMARY KEY NOT NULL REFERENCES jobs (id), seq integer NOT NULL, head text NOT NULL, publicKey text NOT NULL, signature text NOT NULL)`,
  `CREATE TRIGGER seals_are_not_changed BEFORE UPDATE ON seals BEGIN SELECT RAISE(ABORT, 'seals are never changed'); END`,
  `CREATE TRIGGER seals_are_not_deleted BEFORE DELETE ON seals BEGIN SELECT RAISE(ABORT, 'seals are never deleted'); END`,
  `CREATE TRIGGER seals_are_not_replaced BEFORE INSERT ON seals
     WHEN EXISTS (SELECT 1 FROM seals WHERE jobId = NEW.jobId) BEGIN SELECT RAISE(ABORT, 'seals are never changed'); END`,
]
