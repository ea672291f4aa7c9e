import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Which clauses were judged in which job, and which failed: what recurs is counted against how often it was looked at. */
export class Clauses1764600000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE job_clauses (
         jobId text NOT NULL, maker text NOT NULL, model text NOT NULL, revision text NOT NULL, clause text NOT NULL, title text NOT NULL,
         stage text NOT NULL, failed integer NOT NULL, installer text NOT NULL,
         PRIMARY KEY (jobId, maker, model, revision, clause, title)) WITHOUT ROWID`,
    )
    await db.query('CREATE INDEX job_clauses_by_clause ON job_clauses (maker, model, clause)')
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE job_clauses')
  }
}
