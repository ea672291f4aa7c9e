import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { readSheetText } from '@plumb-mark/contract'
import { sheetFingerprint, sheetId, type JobHeader, type PinnedSheet, type Sheet } from '@plumb-mark/core'
import { sha256 } from '../database/digest.js'
import { Refused } from '../http/refused.js'
import { SheetRow } from './sheet.entity.js'

/** Sheet revisions. They are kept as files and never changed, so a sheet once read stays in memory. */
@Injectable()
export class SheetsService {
  private readonly read = new Map<string, Sheet>()

  constructor(private readonly db: DataSource) {}

  async pinnedBy(header: Pick<JobHeader, 'sheets'> | undefined): Promise<ReadonlyMap<string, Sheet>> {
    const ids = header?.sheets.map(({ id }) => id) ?? []
    const wanted = ids.filter((id) => !this.read.has(id))
    if (wanted.length > 0) {
      for (const row of await this.db.getRepository(SheetRow).findBy({ id: In(wanted) })) this.read.set(row.id, sheetIn(row.source))
    }
    return new Map(ids.flatMap((id) => (this.read.has(id) ? [[id, this.read.get(id)!] as const] : [])))
  }

  /** A job pins only sheets that are here, by what they say. */
  async requirePinnable(pinned: readonly PinnedSheet[]): Promise<void> {
    for (const { id, fingerprint } of pinned) {
      const known = await this.db.getRepository(SheetRow).existsBy({ id, fingerprint })
      if (!known) throw new Refused(409, 'unknown-sheet', `there is no sheet “${id}” with this fingerprint`)
    }
  }

  /** Keeps a sheet file. The same file again is harmless; another content under the same revision is refused. */
  async add(source: string): Promise<PinnedSheet> {
    const sheet = sheetIn(source)
    const row: PinnedSheet = { id: sheetId(sheet), maker: sheet.maker, model: sheet.model, revision: sheet.revision, fingerprint: sheetFingerprint(sheet, sha256) }
    const before = await this.db.getRepository(SheetRow).findOneBy({ id: row.id })
    if (before && before.fingerprint !== row.fingerprint) throw new Refused(409, 'revision-exists', `${sheet.maker} ${sheet.model} revision ${sheet.revision} is here already and says something else: give the change a revision of its own`)
    if (!before) await this.db.getRepository(SheetRow).insert({ ...row, source })
    return row
  }

  async list(): Promise<PinnedSheet[]> {
    const rows = await this.db.getRepository(SheetRow).find({ order: { maker: 'ASC', model: 'ASC', revision: 'ASC' } })
    return rows.map(({ id, maker, model, revision, fingerprint }) => ({ id, maker, model, revision, fingerprint }))
  }
}

function sheetIn(source: string): Sheet {
  const text = readSheetText(source)
  if (text.ok) return text.sheet
  const { code, message, path, line } = text.fault
  throw new Refused(400, code, line === undefined ? message : `line ${line}: ${message}`, path)
}
