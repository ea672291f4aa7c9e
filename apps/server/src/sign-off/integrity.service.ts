import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import {
  photosShown,
  verifyInspectionFile,
  type Attestation,
  type Entry,
  type FileFault,
  type JobId,
  type PhotoRef,
  type TraceAnswer,
} from '@plumb-mark/core'
import { digestOfFile, sha256, signatureHolds } from '@plumb-mark/archive'
import type { JobRecord } from '../entries/entries.service.js'
import { TracesService } from '../traces/traces.service.js'
import { PhotosService } from '../evidence/photos.service.js'
import { inspectionFile } from '../exchange/inspection-export.js'
import { SealKey } from './seal-key.js'
import { SealRow } from './seal.entity.js'

/** A sealed record as it stands now against what was sealed. */
@Injectable()
export class IntegrityService {
  constructor(
    private readonly db: DataSource,
    private readonly key: SealKey,
    private readonly photos: PhotosService,
    private readonly traces: TracesService,
  ) {}

  /** The signed seal of a job, or this installation's word for an open one as it stands. Undefined where a record was sealed before seals were signed. */
  async attestationOf(jobId: JobId, { entries, state }: JobRecord): Promise<Attestation | undefined> {
    const last = entries.at(-1)
    if (!state.seal) return last && this.key.attest(jobId, last)
    return this.sealOf(jobId)
  }

  private async sealOf(jobId: JobId): Promise<Attestation | undefined> {
    const row = await this.db.getRepository(SealRow).findOneBy({ jobId })
    if (!row) return undefined
    const { seq, head, publicKey, signature } = row
    return { seq, head, publicKey, signature }
  }

  /** What is broken in a sealed record, in words; nothing for one that is open or intact. */
  async brokenIn(jobId: JobId, record: JobRecord): Promise<string[]> {
    // What was signed then, and never a word given today: a seal that was taken out of the entries is missed here.
    const sealed = await this.sealOf(jobId)
    if (!sealed && !record.state.seal) return []
    const file = inspectionFile(jobId, record.entries, record.sheets.values(), sealed)
    const faults = verifyInspectionFile(file, sha256, signatureHolds).map(faultWords)
    const shown = new Map(record.entries.flatMap(photosShown).map((photo) => [photo.id, photo]))
    const photos = await Promise.all([...shown.values()].map((photo) => this.brokenPhoto(jobId, photo)))
    const traced = record.entries.flatMap(tracesShown)
    const traces = await Promise.all(traced.map((answer) => this.traces.brokenIn(jobId, answer)))
    return [...faults, ...photos.flat(), ...traces.flat()]
  }

  private async brokenPhoto(jobId: JobId, { id, sha256: wanted }: PhotoRef): Promise<string[]> {
    try {
      return (await digestOfFile(await this.photos.originalOf(jobId, id))) === wanted
        ? []
        : [`photo ${id} is not the one that was shown`]
    } catch {
      return [`photo ${id} is gone`]
    }
  }
}

/** The traces that an entry shows. */
const tracesShown = ({ kind, body }: Entry): TraceAnswer[] =>
  kind === 'record' && 'trace' in body.answer ? [body.answer] : []

const faultWords = (fault: FileFault): string =>
  'seq' in fault
    ? `entry ${fault.seq}: ${fault.fault}`
    : 'sheetId' in fault
      ? `sheet ${fault.sheetId}: ${fault.fault}`
      : fault.fault
