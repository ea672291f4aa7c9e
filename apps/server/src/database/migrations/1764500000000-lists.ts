import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Rows for lists, filters and searches; sessions that can be told apart; an audit list that nobody edits; filters that are kept. */
export class Lists1764500000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const table of [
      'audit',
      'saved_filters',
      'job_search',
      'job_defects',
      'job_things',
      'job_stages',
      'job_summaries',
    ])
      await db.query(`DROP TABLE ${table}`)
    await db.query('ALTER TABLE jobs DROP COLUMN readOnly')
    for (const column of ['id', 'openedAt', 'device'])
      await db.query(`ALTER TABLE sessions DROP COLUMN ${column}`)
    await db.query(
      `CREATE TABLE job_summaries (jobId text PRIMARY KEY NOT NULL REFERENCES jobs (id), version integer NOT NULL, facts text NOT NULL)`,
    )
  }
}

// A job of before is listed by what its first entry says until it has been judged again: version 0.
const STATEMENTS = [
  `DROP TABLE job_summaries`,
  `CREATE TABLE job_summaries (
     n integer PRIMARY KEY, jobId text NOT NULL UNIQUE REFERENCES jobs (id), version integer NOT NULL,
     number text NOT NULL, title text NOT NULL, site text NOT NULL, customer text NOT NULL,
     openedAt text NOT NULL, changedAt text NOT NULL, sealed integer NOT NULL, archived integer NOT NULL DEFAULT 0,
     stop integer NOT NULL DEFAULT 0, major integer NOT NULL DEFAULT 0, minor integer NOT NULL DEFAULT 0, note integer NOT NULL DEFAULT 0,
     waitsForInstaller integer NOT NULL DEFAULT 0, waitsForInspector integer NOT NULL DEFAULT 0,
     waitsForOffice integer NOT NULL DEFAULT 0, waitsForReviewer integer NOT NULL DEFAULT 0,
     facts text NOT NULL)`,
  `CREATE INDEX job_summaries_by_change ON job_summaries (archived, changedAt)`,
  `CREATE INDEX job_summaries_by_number ON job_summaries (archived, number)`,
  `CREATE INDEX job_summaries_by_title ON job_summaries (archived, title)`,
  `CREATE INDEX job_summaries_by_site ON job_summaries (archived, site)`,
  `CREATE INDEX job_summaries_by_version ON job_summaries (version)`,
  `INSERT INTO job_summaries (jobId, version, number, title, site, customer, openedAt, changedAt, sealed, facts)
     SELECT jobs.id, 0, jobs.number, coalesce(json_extract(entries.body, '$.title'), ''), coalesce(json_extract(entries.body, '$.site'), ''),
       coalesce(json_extract(entries.body, '$.customer'), ''), coalesce(entries.at, jobs.changedAt), jobs.changedAt,
       jobs.sealedAt IS NOT NULL, '{}'
     FROM jobs LEFT JOIN entries ON entries.jobId = jobs.id AND entries.seq = 1`,
  `CREATE TABLE job_stages (jobId text NOT NULL, stage text NOT NULL, PRIMARY KEY (jobId, stage)) WITHOUT ROWID`,
  `CREATE INDEX job_stages_by_stage ON job_stages (stage)`,
  `CREATE TABLE job_things (n integer PRIMARY KEY, jobId text NOT NULL, maker text NOT NULL, model text NOT NULL, serial text NOT NULL)`,
  `CREATE INDEX job_things_by_job ON job_things (jobId)`,
  `CREATE INDEX job_things_by_maker ON job_things (maker, model)`,
  `CREATE INDEX job_things_by_model ON job_things (model)`,
  `CREATE INDEX job_things_by_serial ON job_things (serial)`,
  `CREATE TABLE job_defects (
     id text NOT NULL, jobId text NOT NULL, checkId text NOT NULL, clause text NOT NULL, severity text NOT NULL, state text NOT NULL,
     open integer NOT NULL, title text NOT NULL, place text NOT NULL, finding text NOT NULL, stage text NOT NULL,
     maker text NOT NULL, model text NOT NULL, revision text NOT NULL, installer text NOT NULL, raisedAt text NOT NULL,
     PRIMARY KEY (jobId, id)) WITHOUT ROWID`,
  `CREATE INDEX job_defects_by_time ON job_defects (open, raisedAt)`,
  `CREATE INDEX job_defects_by_clause ON job_defects (maker, model, clause)`,
  `CREATE VIRTUAL TABLE job_search USING fts5 (
     number, title, site, customer, things, serials, defects, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3')`,
  `CREATE TABLE saved_filters (id text PRIMARY KEY NOT NULL, personId text NOT NULL REFERENCES people (id), view text NOT NULL, name text NOT NULL, query text NOT NULL)`,
  `CREATE UNIQUE INDEX saved_filters_by_person ON saved_filters (personId, view, name)`,
  `CREATE TABLE audit (n integer PRIMARY KEY AUTOINCREMENT, at text NOT NULL, action text NOT NULL, personId text, person text NOT NULL, subject text NOT NULL, detail text NOT NULL, address text NOT NULL)`,
  `CREATE INDEX audit_by_action ON audit (action, n)`,
  `CREATE INDEX audit_by_person ON audit (personId, n)`,
  `CREATE TRIGGER audit_is_not_changed BEFORE UPDATE ON audit BEGIN SELECT RAISE(ABORT, 'the audit list is never changed'); END`,
  `CREATE TRIGGER audit_is_not_deleted BEFORE DELETE ON audit BEGIN SELECT RAISE(ABORT, 'the audit list is never changed'); END`,
  `CREATE TRIGGER audit_is_not_replaced BEFORE INSERT ON audit WHEN EXISTS (SELECT 1 FROM audit WHERE n = NEW.n)
     BEGIN SELECT RAISE(ABORT, 'the audit list is never changed'); END`,
  `ALTER TABLE jobs ADD COLUMN readOnly integer NOT NULL DEFAULT 0`,
  `ALTER TABLE sessions ADD COLUMN id text NOT NULL DEFAULT ''`,
  `ALTER TABLE sessions ADD COLUMN openedAt text NOT NULL DEFAULT ''`,
  `ALTER TABLE sessions ADD COLUMN device text NOT NULL DEFAULT ''`,
]
