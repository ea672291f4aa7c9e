import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What lists show of a job, written with its entries; jobs of before get theirs when they are listed. */
export class Summaries1764400000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE job_summaries (jobId text PRIMARY KEY NOT NULL REFERENCES jobs (id), version integer NOT NULL, facts text NOT NULL)`,
    )
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE job_summaries')
  }
}
