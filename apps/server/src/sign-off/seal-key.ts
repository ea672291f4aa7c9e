import { generateKeyPairSync } from 'node:crypto'
import { closeSync, existsSync, fsyncSync, openSync, renameSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import { SEAL_KEY_FILE, sealKeyIn, sha256, type SealKeyPair } from '@plumb-mark/archive'
import { fingerprint, type Attestation, type Entry } from '@plumb-mark/core'
import { CannotStart, SETTINGS, type Settings } from '../settings.js'

/** The key with which this installation signs seals: made at the first start, readable by its owner alone, never sent anywhere. */
@Injectable()
export class SealKey {
  private readonly key: SealKeyPair

  constructor(@Inject(SETTINGS) { dataDir }: Settings) {
    const file = join(dataDir, SEAL_KEY_FILE)
    if (!existsSync(file)) keepNewKey(file)
    try {
      this.key = sealKeyIn(dataDir)
    } catch (problem) {
      throw new CannotStart(`the key of the seals ${file} cannot be read: ${(problem as Error).message}`)
    }
  }

  /** The public key as people compare it. */
  get fingerprint(): string {
    return fingerprint(sha256(this.key.publicKey))
  }

  /** This installation's word that the chain of a job ends in this entry. */
  attest(jobId: string, last: Pick<Entry, 'seq' | 'hash'>): Attestation {
    return this.key.attest(jobId, last)
  }

  isOwn({ publicKey }: Attestation): boolean {
    return publicKey === this.key.publicKey
  }
}

/** Written whole or not at all: half a key would lock everybody out. */
function keepNewKey(file: string): void {
  const { privateKey } = generateKeyPairSync('ed25519')
  const draft = openSync(`${file}.new`, 'w', 0o600)
  writeSync(draft, privateKey.export({ type: 'pkcs8', format: 'pem' }) as string)
  fsyncSync(draft)
  closeSync(draft)
  renameSync(`${file}.new`, file)
}
