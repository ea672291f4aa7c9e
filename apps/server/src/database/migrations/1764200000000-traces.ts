import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Traces of tests, which like photos are never changed once they are kept. */
export class Traces1764200000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      `CREATE TABLE traces (id text PRIMARY KEY NOT NULL, jobId text NOT NULL REFERENCES jobs (id), sha256 text NOT NULL, samples integer NOT NULL,
         bytes integer NOT NULL, personId text NOT NULL, keptAt text NOT NULL)`,
    )
    await db.query(`CREATE INDEX traces_job ON traces (jobId)`)
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE traces')
  }
}
