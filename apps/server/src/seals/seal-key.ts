import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import {
  SEAL_KEY_FILE,
  expectKey,
  keyFingerprint,
  makeKey,
  recordKey,
  sealKeyIn,
  type OwnKey,
  type SealKeyPair,
} from '@plumb-mark/archive'
import type { Attestation, Entry } from '@plumb-mark/core'
import { CannotStart, SETTINGS, type Settings } from '../settings.js'

/** The key with which this installation signs seals: made at the first start, readable by its owner alone, never sent anywhere. */
@Injectable()
export class SealKey implements SealKeyPair {
  private readonly key: SealKeyPair
  private keys: readonly OwnKey[]

  constructor(@Inject(SETTINGS) private readonly settings: Settings) {
    const { dataDir, log } = settings
    const file = join(dataDir, SEAL_KEY_FILE)
    try {
      if (!existsSync(file)) makeKey(dataDir)
      this.keys = recordKey(dataDir, new Date().toISOString())
      this.key = sealKeyIn(dataDir)
    } catch (problem) {
      throw new CannotStart(`the key of the seals ${file} cannot be read: ${(problem as Error).message}`)
    }
    if (this.isUnexpected) log.warn({ key: this.fingerprint, before: this.before }, this.warning)
  }

  get publicKey(): string {
    return this.key.publicKey
  }

  /** The public key as people compare it. */
  get fingerprint(): string {
    return keyFingerprint(this.key.publicKey)
  }

  /** Those of before, the first first. */
  get former(): readonly { key: string; until: string }[] {
    return this.keys.slice(0, -1).map(({ publicKey }, i) => ({
      key: keyFingerprint(publicKey),
      until: this.keys[i + 1]!.since,
    }))
  }

  /** Does another key stand here than before, and has nobody said yet that it is right? */
  get isUnexpected(): boolean {
    return this.keys.at(-1)?.expected === false
  }

  /** In one sentence, for the console and the office. */
  get warning(): string {
    return `the key of the seals is another one than before (${this.before ?? 'none'}): put the old one back from where it is kept, or the office accepts the new one`
  }

  /** This installation's word that the chain of a job ends in this entry. */
  attest(jobId: string, last: Pick<Entry, 'seq' | 'hash'>): Attestation {
    return this.key.attest(jobId, last)
  }

  isOwn(publicKey: string): boolean {
    return this.key.isOwn(publicKey)
  }

  /** The office says that the key of today is right. */
  expect(): void {
    this.keys = expectKey(this.settings.dataDir)
  }

  private get before(): string | undefined {
    return this.former.at(-1)?.key
  }
}
