import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Which job is judged by which sheet; visits; figures that the office adjusts. */
export class Preparation1764000000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const table of ['office_figures', 'visit_people', 'visits', 'job_sheets'])
      await db.query(`DROP TABLE ${table}`)
  }
}

const STATEMENTS = [
  `CREATE TABLE job_sheets (jobId text NOT NULL REFERENCES jobs (id), sheetId text NOT NULL REFERENCES sheets (id), PRIMARY KEY (jobId, sheetId))`,
  `CREATE INDEX job_sheets_sheet ON job_sheets (sheetId)`,
  // Jobs that were opened before this table was there.
  `INSERT INTO job_sheets (jobId, sheetId) SELECT DISTINCT entries.jobId, json_extract(pinned.value, '$.id') FROM entries, json_each(entries.body, '$.sheets') AS pinned WHERE entries.kind = 'job-opened'`,
  `CREATE TRIGGER used_sheets_are_not_changed BEFORE UPDATE ON sheets WHEN EXISTS (SELECT 1 FROM job_sheets WHERE sheetId = OLD.id) BEGIN SELECT RAISE(ABORT, 'a sheet that a job uses is never changed'); END`,
  `CREATE TRIGGER used_sheets_are_not_deleted BEFORE DELETE ON sheets WHEN EXISTS (SELECT 1 FROM job_sheets WHERE sheetId = OLD.id) BEGIN SELECT RAISE(ABORT, 'a sheet that a job uses is never deleted'); END`,
  `CREATE TABLE visits (id text PRIMARY KEY NOT NULL, jobId text NOT NULL REFERENCES jobs (id), start text NOT NULL, "end" text NOT NULL, purpose text NOT NULL)`,
  `CREATE INDEX visits_job ON visits (jobId)`,
  `CREATE INDEX visits_start ON visits (start)`,
  `CREATE TABLE visit_people (visitId text NOT NULL REFERENCES visits (id) ON DELETE CASCADE, personId text NOT NULL, name text NOT NULL, PRIMARY KEY (visitId, personId))`,
  `CREATE INDEX visit_people_person ON visit_people (personId)`,
  `CREATE TABLE office_figures (name text PRIMARY KEY NOT NULL, value text NOT NULL)`,
]
