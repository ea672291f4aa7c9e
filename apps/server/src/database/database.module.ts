import { join } from 'node:path'
import { Global, Inject, Module, type DynamicModule, type OnApplicationShutdown } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { DATABASE_FILE, Sqlite } from '@plumb-mark/archive'
import { CannotStart } from '../settings.js'
import type { HeldFolder } from './data-folder.js'
import { Writer } from './writer.js'
import { Preparation1764000000000 } from './migrations/1764000000000-preparation.js'
import { Defended1764100000000 } from './migrations/1764100000000-defended.js'
import { Clauses1764600000000 } from './migrations/1764600000000-clauses.js'
import { Lists1764500000000 } from './migrations/1764500000000-lists.js'
import { Summaries1764400000000 } from './migrations/1764400000000-summaries.js'
import { People1764300000000 } from './migrations/1764300000000-people.js'
import { Traces1764200000000 } from './migrations/1764200000000-traces.js'
import { FromOutside1764700000000 } from './migrations/1764700000000-from-outside.js'
import { Releases1764800000000 } from './migrations/1764800000000-releases.js'
import { Dues1764900000000 } from './migrations/1764900000000-dues.js'
import { DueUntil1765000000000 } from './migrations/1765000000000-due-until.js'
import { First1763900000000 } from './migrations/1763900000000-first.js'

const HELD_FOLDER = Symbol('held folder')

interface Pragmas {
  pragma(text: string): unknown
}

/** A class with the columns of a table. */
export type EntityClass = new () => object

/** The database over its two connections: all reading over one that cannot write, all writing through the other. */
export interface OpenDatabase {
  reader: DataSource
  writer: Writer
}

/** Opens the database file, brings it up to date, and says in one sentence what is wrong when it cannot. */
export async function openDatabase(dataDir: string, entities: readonly EntityClass[]): Promise<OpenDatabase> {
  const file = join(dataDir, DATABASE_FILE)
  const db = new DataSource({
    type: 'better-sqlite3',
    driver: Sqlite,
    database: file,
    entities: [...entities],
    migrations: [
      First1763900000000,
      Preparation1764000000000,
      Defended1764100000000,
      Traces1764200000000,
      People1764300000000,
      Summaries1764400000000,
      Lists1764500000000,
      Clauses1764600000000,
      FromOutside1764700000000,
      Releases1764800000000,
      Dues1764900000000,
      DueUntil1765000000000,
    ],
    synchronize: false,
    prepareDatabase(connection: Pragmas) {
      // A commit is on the disk when it is acknowledged: a pulled plug loses nothing that was answered.
      for (const pragma of [
        'journal_mode = WAL',
        'synchronous = FULL',
        'foreign_keys = ON',
        // Whoever waits for another process lets others be answered meanwhile: the writer tries again by itself.
        'busy_timeout = 0',
        // A replaced row is a deleted row: the triggers are asked.
        'recursive_triggers = ON',
      ])
        connection.pragma(pragma)
    },
  })
  try {
    await db.initialize()
    const [{ quick_check: health }] = (await db.query('PRAGMA quick_check(1)')) as [{ quick_check: string }]
    if (health !== 'ok') throw new Error(health)
    await db.runMigrations({ transaction: 'all' })
    const reader = new DataSource({
      type: 'better-sqlite3',
      driver: Sqlite,
      database: file,
      entities: [...entities],
      readonly: true,
      fileMustExist: true,
    })
    await reader.initialize()
    return { reader, writer: new Writer(db) }
  } catch (problem) {
    throw new CannotStart(
      `the database ${file} is damaged or is not ours (${(problem as Error).message}): put a backup in its place, or start with --fresh`,
    )
  }
}

/** The database is opened before the application is put together, so that its refusal is one sentence and nothing has started yet. */
@Global()
@Module({})
export class DatabaseModule implements OnApplicationShutdown {
  constructor(
    private readonly reader: DataSource,
    private readonly writer: Writer,
    @Inject(HELD_FOLDER) private readonly held: HeldFolder,
  ) {}

  static with({ reader, writer }: OpenDatabase, held: HeldFolder): DynamicModule {
    return {
      module: DatabaseModule,
      providers: [
        { provide: DataSource, useValue: reader },
        { provide: Writer, useValue: writer },
        { provide: HELD_FOLDER, useValue: held },
      ],
      exports: [DataSource, Writer],
    }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.writer.close()
    await this.reader.destroy()
    this.held.release()
  }
}
