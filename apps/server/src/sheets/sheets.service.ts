import { Injectable } from '@nestjs/common'
import { DataSource, In } from 'typeorm'
import { sha256 } from '@plumb-mark/archive'
import {
  readSheetText,
  type WantedDto,
  type PersonNamed,
  type SheetFault,
  type SheetInLibrary,
  type SheetSummary,
  type SheetText,
} from '@plumb-mark/contract'
import {
  blockers,
  isReleased,
  mayRelease,
  sheetFingerprint,
  sheetId,
  sheetName,
  type Inspection,
  type JobHeader,
  type JobId,
  type Person,
  type PersonId,
  type PinnedSheet,
  type Sheet,
  type SheetRelease,
} from '@plumb-mark/core'
import { PersonRow } from '../accounts/account.entities.js'
import { Writer } from '../database/writer.js'
import { FiguresService } from '../figures/figures.service.js'
import { Refused, notFound } from '../http/refused.js'
import { JobSheetRow } from '../entries/job.entities.js'
import { SheetRow } from './sheet.entity.js'

/** Sheet revisions. They are kept as files and never changed, so a sheet once read stays in memory. */
@Injectable()
export class SheetsService {
  private readonly read = new Map<string, Sheet>()

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly figures: FiguresService,
  ) {}

  async pinnedBy(
    header: Pick<JobHeader, 'sheets' | 'replaced'> | undefined,
  ): Promise<ReadonlyMap<string, Sheet>> {
    const ids = [...(header?.sheets ?? []), ...(header?.replaced ?? [])].map(({ id }) => id)
    const wanted = ids.filter((id) => !this.read.has(id))
    if (wanted.length > 0) {
      for (const row of await this.db.getRepository(SheetRow).findBy({ id: In(wanted) })) this.readable(row)
    }
    return new Map(ids.flatMap((id) => (this.read.has(id) ? [[id, this.read.get(id)!] as const] : [])))
  }

  /** The sheets by which a job is judged, or was. */
  async usedBy(jobId: JobId): Promise<Sheet[]> {
    const uses = await this.db.getRepository(JobSheetRow).findBy({ jobId })
    const sheets = await this.pinnedBy({ sheets: uses.map(({ sheetId: id }) => ({ id })) as PinnedSheet[] })
    return [...sheets.values()]
  }

  /** A job pins only sheets that are here, by what they say. */
  async requirePinnable(pinned: readonly PinnedSheet[]): Promise<void> {
    for (const { id, fingerprint } of pinned) {
      const known = await this.db.getRepository(SheetRow).existsBy({ id, fingerprint })
      if (!known) throw new Refused(409, 'unknown-sheet', `there is no sheet “${id}” with this fingerprint`)
    }
  }

  /**
   * Keeps a sheet file. A field without a place in the format is refused here, so that none is lost unseen; a file kept earlier is read
   * all the same. The same file again is harmless. Another content under a revision that is here is refused, unless it is asked to
   * replace it by its writer or the office and no job uses it: what a job was ever judged by stays as it was.
   */
  async add(
    source: string,
    { replace, by }: { replace: boolean; by?: Person } = { replace: false },
  ): Promise<PinnedSheet> {
    const {
      sheet,
      passedOver: [unknown],
    } = sheetIn(source)
    if (unknown) throw refused(unknown)
    const row: PinnedSheet = {
      id: sheetId(sheet),
      maker: sheet.maker,
      model: sheet.model,
      revision: sheet.revision,
      fingerprint: sheetFingerprint(sheet, sha256),
    }
    await this.writer.inTransaction(async (db) => {
      const before = await db.findOneBy(SheetRow, { id: row.id })
      if (!before) await db.insert(SheetRow, { ...row, source, writtenBy: by?.id ?? null })
      else if (before.fingerprint !== row.fingerprint) {
        const used = await db.existsBy(JobSheetRow, { sheetId: row.id })
        if (used || !replace)
          throw new Refused(
            409,
            used ? 'revision-used' : 'revision-exists',
            `${sheetName(sheet)} is here already and says something else${used ? ', and jobs are judged by it' : ''}: give the change a revision of its own`,
            'revision',
          )
        if (by?.role !== 'office' && before.writtenBy !== by?.id)
          throw new Refused(
            403,
            'not-your-sheet',
            `${sheetName(sheet)} was written by somebody else: ask them or the office, or give the change a revision of its own`,
            'revision',
          )
        await db.update(
          SheetRow,
          { id: row.id },
          { ...row, source, writtenBy: by?.id ?? null, releasedBy: null, releasedAt: null },
        )
      }
    })
    this.read.delete(row.id)
    return row
  }

  async list(): Promise<SheetSummary[]> {
    const rows = await this.db
      .getRepository(SheetRow)
      .find({ order: { maker: 'ASC', model: 'ASC', revision: 'ASC' } })
    const uses = await this.db.getRepository(JobSheetRow).find()
    const fourEyes = await this.fourEyes()
    return rows.map(({ id, maker, model, revision, fingerprint, source, ...written }) => {
      const usedBy = uses.filter((use) => use.sheetId === id).length
      const notReleased = !isReleased(releaseOf(written), fourEyes)
      const row = { id, maker, model, revision, fingerprint, usedBy, ...(notReleased && { notReleased }) }
      const { sheet, problem } = this.readable({ id, source })
      if (!sheet) return { ...row, kind: 'installation', title: model, date: '', requirements: 0, problem }
      const { kind, title, date, requirements } = sheet
      return { ...row, kind, title, date, requirements: requirements.length }
    })
  }

  /** One revision, its file, and the jobs that are or were judged by it. */
  async one(id: string): Promise<SheetInLibrary> {
    const row = await this.db.getRepository(SheetRow).findOneBy({ id })
    if (!row) throw notFound('sheet')
    const jobs = await this.db.query<
      { id: string; number: string; title: string; sealedAt: string | null }[]
    >(
      `SELECT jobs.id, jobs.number, jobs.sealedAt, json_extract(entries.body, '$.title') AS title FROM job_sheets JOIN jobs ON jobs.id = job_sheets.jobId JOIN entries ON entries.jobId = jobs.id AND entries.seq = 1 WHERE job_sheets.sheetId = ? ORDER BY jobs.number`,
      [id],
    )
    return {
      sheet: this.sheetOf(id, row.source),
      source: row.source,
      fingerprint: row.fingerprint,
      usedBy: jobs.map(({ sealedAt, ...job }) => ({ ...job, sealed: sealedAt !== null })),
      writtenBy: await this.named(row.writtenBy),
      releasedBy: await this.named(row.releasedBy),
      ...(!isReleased(releaseOf(row), await this.fourEyes()) && { notReleased: true }),
    }
  }

  /** Whether the office wants another person than its writer to look at a sheet. */
  async fourEyes(): Promise<boolean> {
    return (await this.figures.read<WantedDto>(FOUR_EYES))?.wanted ?? false
  }

  async wantFourEyes(wanted: boolean): Promise<WantedDto> {
    await this.figures.keep(FOUR_EYES, { wanted })
    return { wanted }
  }

  /** Releases a sheet that somebody else wrote. Sent twice it is released once. */
  async release(by: Person, id: string): Promise<SheetInLibrary> {
    await this.writer.inTransaction(async (db) => {
      const row = await db.findOneBy(SheetRow, { id })
      if (!row) throw notFound('sheet')
      const answer = mayRelease(by, releaseOf(row))
      if (answer === 'own-sheet')
        throw new Refused(403, 'own-sheet', 'you wrote this sheet: another person releases it')
      if (answer === 'may')
        await db.update(SheetRow, { id }, { releasedBy: by.id, releasedAt: new Date().toISOString() })
    })
    return this.one(id)
  }

  /** A job is signed by sheets that are released. */
  async requireReleased(inspection: Inspection): Promise<void> {
    if (!(await this.fourEyes())) return
    const pinned = inspection.state.header?.sheets.map(({ id }) => id) ?? []
    const rows = await this.db.getRepository(SheetRow).findBy({ id: In(pinned) })
    const open = new Set(rows.filter((row) => !isReleased(releaseOf(row), true)).map(({ id }) => id))
    const blocker = blockers(inspection, open).find(({ kind }) => kind === 'sheet-not-released')
    if (blocker) throw new Refused(409, 'sheet-not-released', blocker.text)
  }

  private async named(id: string | null): Promise<PersonNamed | undefined> {
    const person =
      id === null ? null : await this.db.getRepository(PersonRow).findOneBy({ id: id as PersonId })
    return person ? { id: person.id, name: person.name } : undefined
  }

  private sheetOf(id: string, source: string): Sheet {
    const known = this.read.get(id) ?? sheetIn(source).sheet
    this.read.set(id, known)
    return known
  }

  /** A sheet that was kept by an older program, and says what no calculator takes, is as good as missing: nothing else fails with it. */
  private readable({ id, source }: Pick<SheetRow, 'id' | 'source'>): { sheet?: Sheet; problem?: string } {
    try {
      return { sheet: this.sheetOf(id, source) }
    } catch (problem) {
      if (problem instanceof Refused) return { problem: problem.message }
      throw problem
    }
  }
}

const FOUR_EYES = 'four-eyes'

const releaseOf = ({ writtenBy, releasedBy }: Pick<SheetRow, 'writtenBy' | 'releasedBy'>): SheetRelease => ({
  writtenBy: (writtenBy ?? undefined) as PersonId | undefined,
  releasedBy: (releasedBy ?? undefined) as PersonId | undefined,
})

function sheetIn(source: string): Extract<SheetText, { ok: true }> {
  const text = readSheetText(source)
  if (text.ok) return text
  throw refused(text.faults[0])
}

const refused = ({ code, message, path, line }: SheetFault): Refused =>
  new Refused(400, code, line === undefined ? message : `line ${line}: ${message}`, path)
