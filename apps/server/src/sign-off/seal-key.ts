import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import {
  SEAL_KEY_FILE,
  keyFingerprint,
  makeKey,
  sealKeyIn,
  type FormerKey,
  type SealKeyPair,
} from '@plumb-mark/archive'
import type { Attestation, Entry } from '@plumb-mark/core'
import { CannotStart, SETTINGS, type Settings } from '../settings.js'

/** The key with which this installation signs seals: made at the first start, readable by its owner alone, never sent anywhere. */
@Injectable()
export class SealKey implements SealKeyPair {
  private readonly key: SealKeyPair

  constructor(@Inject(SETTINGS) { dataDir }: Settings) {
    const file = join(dataDir, SEAL_KEY_FILE)
    if (!existsSync(file)) makeKey(dataDir)
    try {
      this.key = sealKeyIn(dataDir)
    } catch (problem) {
      throw new CannotStart(`the key of the seals ${file} cannot be read: ${(problem as Error).message}`)
    }
  }

  get publicKey(): string {
    return this.key.publicKey
  }

  get former(): readonly FormerKey[] {
    return this.key.former
  }

  /** The public key as people compare it. */
  get fingerprint(): string {
    return keyFingerprint(this.key.publicKey)
  }

  /** This installation's word that the chain of a job ends in this entry. */
  attest(jobId: string, last: Pick<Entry, 'seq' | 'hash'>): Attestation {
    return this.key.attest(jobId, last)
  }

  isOwn(publicKey: string): boolean {
    return this.key.isOwn(publicKey)
  }
}
