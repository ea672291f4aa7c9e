import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { v7 as uuid } from 'uuid'
import { keyFingerprint, signerOf } from '@plumb-mark/archive'
import type { Installations } from '@plumb-mark/contract'
import type { Person, Signer } from '@plumb-mark/core'
import { sqlOf } from '../database/sql-of.js'
import { Writer } from '../database/writer.js'
import { Refused, notFound } from '../http/refused.js'
import { SealKey } from '../seals/seal-key.js'
import { InstallationRow } from './installation.entity.js'

/** The installations whose word the office accepts: only what they signed may continue a job here. */
@Injectable()
export class InstallationsService {
  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly key: SealKey,
  ) {}

  async list(): Promise<Installations> {
    const rows = await this.db.getRepository(InstallationRow).find({ order: { name: 'ASC' } })
    return {
      own: this.key.fingerprint,
      former: [...this.key.former],
      ...(this.key.isUnexpected && { warning: this.key.warning }),
      accepted: rows.map(({ publicKey, ...row }) => ({ ...row, key: keyFingerprint(publicKey) })),
    }
  }

  /** Accepts a key under a name, once; the same again only renames it. */
  async accept(by: Person, publicKey: string, name: string): Promise<void> {
    if (this.key.isOwn(publicKey))
      throw new Refused(409, 'own-key', 'this is the key of this installation itself')
    await this.writer.inTransaction(async (db) => {
      const known = await db.findOneBy(InstallationRow, { publicKey })
      if (known) await db.update(InstallationRow, { id: known.id }, { name })
      else
        await db.insert(InstallationRow, {
          id: uuid(),
          publicKey,
          name,
          acceptedAt: new Date().toISOString(),
          acceptedBy: by.name,
        })
    })
  }

  /** What it told before stays, as told by it; nothing more is taken from it. */
  async remove(id: string): Promise<void> {
    const { affected } = await this.writer.inTransaction((db) => db.delete(InstallationRow, { id }))
    if (!affected) throw notFound('installation')
  }

  /** Whose word this is, for people. */
  signerOf(publicKey: string | null | undefined, db = this.db.manager): Promise<Signer> {
    return signerOf(sqlOf(db), publicKey ? { publicKey } : undefined, (key) => this.key.isOwn(key))
  }
}
