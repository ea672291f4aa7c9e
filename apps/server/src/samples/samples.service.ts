import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import { sha256 } from '@plumb-mark/archive'
import { readSheetText, type SampleSheet } from '@plumb-mark/contract'
import { sheetFingerprint, sheetId, type PinnedSheet, type Sheet } from '@plumb-mark/core'
import { Refused } from '../http/refused.js'
import { SETTINGS, type Settings } from '../settings.js'
import { ManualsService } from '../sheets/manuals.service.js'
import { SheetsService } from '../sheets/sheets.service.js'

interface Shipped {
  id: string
  fingerprint: string
  source: string
  sheet: Sheet
}

/** The sheets of invented makers and of the house that come with the program: to look round with, or to begin from. */
@Injectable()
export class SamplesService {
  private read: readonly Shipped[] | undefined

  constructor(
    private readonly sheets: SheetsService,
    private readonly manuals: ManualsService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /** All of them, with which are in the library as they came. */
  async list(): Promise<SampleSheet[]> {
    const library = new Map((await this.sheets.list()).map(({ id, fingerprint }) => [id, fingerprint]))
    return this.shipped().map(({ id, fingerprint, sheet }) => ({
      id,
      maker: sheet.maker,
      model: sheet.model,
      revision: sheet.revision,
      kind: sheet.kind,
      title: sheet.title,
      here: library.get(id) === fingerprint,
    }))
  }

  /** Takes some into the library, with the manuals that they were read from. What is there already, as it came, is taken again without harm. */
  async take(ids: readonly string[]): Promise<PinnedSheet[]> {
    const wanted = ids.map((id, i) => {
      const found = this.shipped().find((one) => one.id === id)
      if (!found) throw new Refused(404, 'not-found', `no sample is called “${id}”`, `ids[${i}]`)
      return found
    })
    // Told before anything is taken: a sheet of one's own under the same name is not written over.
    const library = new Map((await this.sheets.list()).map(({ id, fingerprint }) => [id, fingerprint]))
    wanted.forEach(({ id, fingerprint }, i) => {
      if (library.has(id) && library.get(id) !== fingerprint)
        throw new Refused(
          409,
          'revision-exists',
          `“${id}” is here already and says something else`,
          `ids[${i}]`,
        )
    })
    const taken: PinnedSheet[] = []
    for (const { source } of wanted) taken.push(await this.sheets.add(source))
    await this.keepManuals(
      new Set(wanted.flatMap(({ sheet: { manual } }) => [manual?.digest, manual?.clippings])),
    )
    return taken
  }

  takeAll(): Promise<PinnedSheet[]> {
    return this.take(this.shipped().map(({ id }) => id))
  }

  /** The manuals that sample sheets were read from, and their cut-outs, by what they are named by. */
  private async keepManuals(digests: ReadonlySet<string | undefined>): Promise<void> {
    const from = join(this.settings.samplesDir, 'manuals')
    const folder = await this.manuals.coming()
    for (const name of readdirSync(from)) {
      const kind = name.endsWith('.pdf') ? 'manual' : 'clippings'
      const content = readFileSync(join(from, name))
      const digest = sha256(content)
      if (!digests.has(digest)) continue
      const arrived = join(folder, name)
      writeFileSync(arrived, content)
      await this.manuals.keep(kind, digest, arrived)
    }
  }

  private shipped(): readonly Shipped[] {
    const folder = join(this.settings.samplesDir, 'sheets')
    return (this.read ??= existsSync(folder)
      ? readdirSync(folder)
          .sort()
          .flatMap((name) => shippedIn(join(folder, name)))
      : [])
  }
}

function shippedIn(file: string): Shipped[] {
  if (!file.endsWith('.yaml')) return []
  const source = readFileSync(file, 'utf8')
  const read = readSheetText(source)
  if (!read.ok) throw new Error(`${file}: ${read.faults[0]!.message}`)
  const { sheet } = read
  return [{ id: sheetId(sheet), fingerprint: sheetFingerprint(sheet, sha256), source, sheet }]
}
