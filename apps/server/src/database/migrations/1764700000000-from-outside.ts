import type { MigrationInterface, QueryRunner } from 'typeorm'
import { keyFingerprint } from '@plumb-mark/archive'

/**
 * What comes from outside: installations whose word the office accepts, which parts of a job another installation told, records that are
 * kept to be read. Who wrote a sheet. How often somebody knocked at closed doors.
 */
export class FromOutside1764700000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await db.query(statement)
    // Sealed records that were imported to be read before keys were asked for keep the key that they came with.
    const brought = (await db.query(
      'SELECT seals.jobId, seals.seq, seals.publicKey, jobs.changedAt FROM seals JOIN jobs ON jobs.id = seals.jobId WHERE jobs.readOnly = 1',
    )) as { jobId: string; seq: number; publicKey: string; changedAt: string }[]
    for (const { jobId, seq, publicKey, changedAt } of brought)
      await db.query('INSERT INTO imported_parts VALUES (?, 1, ?, ?, ?, ?)', [
        jobId,
        seq,
        'another installation',
        keyFingerprint(publicKey),
        changedAt,
      ])
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE sheets DROP COLUMN writtenBy')
    for (const table of ['knocks', 'records', 'imported_parts', 'installations'])
      await db.query(`DROP TABLE ${table}`)
  }
}

const STATEMENTS = [
  `CREATE TABLE installations (id text PRIMARY KEY NOT NULL, publicKey text NOT NULL UNIQUE, name text NOT NULL, acceptedAt text NOT NULL, acceptedBy text NOT NULL)`,
  `CREATE TABLE imported_parts (jobId text NOT NULL REFERENCES jobs (id), fromSeq integer NOT NULL, toSeq integer NOT NULL,
     installation text NOT NULL, key text NOT NULL, at text NOT NULL, PRIMARY KEY (jobId, fromSeq))`,
  `CREATE TABLE records (id text PRIMARY KEY NOT NULL, jobId text NOT NULL, number text NOT NULL, title text NOT NULL, site text NOT NULL,
     entries integer NOT NULL, sealed integer NOT NULL, publicKey text, sha256 text NOT NULL UNIQUE, openedAt text NOT NULL, openedBy text NOT NULL)`,
  `CREATE INDEX records_job ON records (jobId)`,
  `ALTER TABLE sheets ADD COLUMN writtenBy text`,
  `CREATE TABLE knocks (hour text NOT NULL, address text NOT NULL, count integer NOT NULL, at text NOT NULL, personId text, person text NOT NULL,
     detail text NOT NULL, PRIMARY KEY (hour, address))`,
]
