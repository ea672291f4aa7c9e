import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import { digestOfFile } from '@plumb-mark/archive'
import type { SampleRecords } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { RecordsService } from '../records/records.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import type { Asking } from '../work/worker-pool.js'

interface Shipped {
  zip: string
  sha256: string
}

/**
 * Jobs of invented sites that come with the program as records, to be looked round in. They are kept as any record from elsewhere is: beside
 * the jobs, in no list and no count, and can be removed again. They are known by what they say, to the byte.
 */
@Injectable()
export class SampleRecordsService {
  private read: Promise<readonly Shipped[]> | undefined

  constructor(
    private readonly records: RecordsService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  async list(): Promise<SampleRecords> {
    const shipped = await this.shipped()
    return {
      count: shipped.length,
      here: await this.records.withDigests(shipped.map(({ sha256 }) => sha256)),
    }
  }

  /** Adds what is not there yet. */
  async add(by: Person, how: Asking): Promise<SampleRecords> {
    for (const { zip } of await this.shipped()) await this.records.keep(by, zip, how)
    return this.list()
  }

  async remove(): Promise<void> {
    for (const { id } of (await this.list()).here) await this.records.remove(id)
  }

  private shipped(): Promise<readonly Shipped[]> {
    return (this.read ??= digestsIn(join(this.settings.samplesDir, 'records')))
  }
}

async function digestsIn(folder: string): Promise<Shipped[]> {
  if (!existsSync(folder)) return []
  const zips = readdirSync(folder).sort()
  return Promise.all(
    zips.map(async (name) => {
      const zip = join(folder, name)
      return { zip, sha256: await digestOfFile(zip) }
    }),
  )
}
