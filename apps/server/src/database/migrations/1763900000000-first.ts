import type { MigrationInterface, QueryRunner } from 'typeorm'

/** People and sessions; jobs with their entries; sheets, instruments, photos. */
export class First1763900000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await db.query(statement)
  }

  async down(db: QueryRunner): Promise<void> {
    for (const table of [
      'photos',
      'instruments',
      'sheets',
      'entries',
      'job_people',
      'jobs',
      'sessions',
      'people',
    ])
      await db.query(`DROP TABLE ${table}`)
  }
}

const STATEMENTS = [
  `CREATE TABLE people (id text PRIMARY KEY NOT NULL, name text NOT NULL, email text NOT NULL, role text NOT NULL, passwordHash text NOT NULL)`,
  `CREATE UNIQUE INDEX people_email ON people (email)`,
  `CREATE TABLE sessions (tokenHash text PRIMARY KEY NOT NULL, personId text NOT NULL REFERENCES people (id), expiresAt text NOT NULL)`,
  `CREATE INDEX sessions_person ON sessions (personId)`,
  `CREATE TABLE jobs (id text PRIMARY KEY NOT NULL, number text NOT NULL, changedAt text NOT NULL, sealedAt text)`,
  `CREATE UNIQUE INDEX jobs_number ON jobs (number)`,
  `CREATE INDEX jobs_changed ON jobs (changedAt)`,
  `CREATE TABLE job_people (jobId text NOT NULL REFERENCES jobs (id), personId text NOT NULL REFERENCES people (id), PRIMARY KEY (jobId, personId))`,
  `CREATE INDEX job_people_person ON job_people (personId)`,
  `CREATE TABLE entries (id text PRIMARY KEY NOT NULL, jobId text NOT NULL REFERENCES jobs (id), seq integer NOT NULL, kind text NOT NULL, at text NOT NULL,
     "by" text NOT NULL, body text NOT NULL, prev text NOT NULL, hash text NOT NULL)`,
  `CREATE UNIQUE INDEX entries_job_seq ON entries (jobId, seq)`,
  `CREATE TRIGGER entries_are_not_changed BEFORE UPDATE ON entries BEGIN SELECT RAISE(ABORT, 'entries are never changed'); END`,
  `CREATE TRIGGER entries_are_not_deleted BEFORE DELETE ON entries BEGIN SELECT RAISE(ABORT, 'entries are never deleted'); END`,
  `CREATE TRIGGER sealed_jobs_take_nothing BEFORE INSERT ON entries
     WHEN EXISTS (SELECT 1 FROM jobs WHERE id = NEW.jobId AND sealedAt IS NOT NULL) BEGIN SELECT RAISE(ABORT, 'this job is sealed'); END`,
  `CREATE TRIGGER seals_are_not_broken BEFORE UPDATE OF sealedAt ON jobs WHEN OLD.sealedAt IS NOT NULL BEGIN SELECT RAISE(ABORT, 'this job is sealed'); END`,
  `CREATE TABLE sheets (id text PRIMARY KEY NOT NULL, maker text NOT NULL, model text NOT NULL, revision text NOT NULL, source text NOT NULL, fingerprint text NOT NULL)`,
  `CREATE INDEX sheets_maker_model ON sheets (maker, model)`,
  `CREATE TABLE instruments (id text PRIMARY KEY NOT NULL, name text NOT NULL, kind text NOT NULL, serial text NOT NULL, calibratedUntil text NOT NULL, accuracy text NOT NULL)`,
  `CREATE TABLE photos (id text PRIMARY KEY NOT NULL, jobId text NOT NULL REFERENCES jobs (id), sha256 text NOT NULL, type text NOT NULL, width integer NOT NULL,
     height integer NOT NULL, bytes integer NOT NULL, personId text NOT NULL, keptAt text NOT NULL)`,
  `CREATE INDEX photos_job ON photos (jobId)`,
]
