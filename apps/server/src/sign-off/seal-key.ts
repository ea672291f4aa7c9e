import {
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  sign,
  verify,
  type KeyObject,
} from 'node:crypto'
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { Inject, Injectable } from '@nestjs/common'
import { fingerprint, signedText, type Attestation, type Entry } from '@plumb-mark/core'
import { sha256 } from '../database/digest.js'
import { CannotStart, SETTINGS, type Settings } from '../settings.js'

const KEY_FILE = 'seal-key.pem'

/** The key with which this installation signs seals: made at the first start, readable by its owner alone, never sent anywhere. */
@Injectable()
export class SealKey {
  private readonly key: KeyObject
  private readonly publicKey: string

  constructor(@Inject(SETTINGS) { dataDir }: Settings) {
    const file = join(dataDir, KEY_FILE)
    if (!existsSync(file)) keepNewKey(file)
    try {
      this.key = createPrivateKey(readFileSync(file, 'utf8'))
    } catch (problem) {
      throw new CannotStart(`the key of the seals ${file} cannot be read: ${(problem as Error).message}`)
    }
    this.publicKey = createPublicKey(this.key).export({ type: 'spki', format: 'pem' }) as string
  }

  /** The public key as people compare it. */
  get fingerprint(): string {
    return fingerprint(sha256(this.publicKey))
  }

  /** This installation's word that the chain of a job ends in this entry. */
  attest(jobId: string, { seq, hash }: Pick<Entry, 'seq' | 'hash'>): Attestation {
    const head = { seq, head: hash }
    const signature = sign(null, Buffer.from(signedText(jobId, head)), this.key).toString('base64')
    return { ...head, publicKey: this.publicKey, signature }
  }

  isOwn({ publicKey }: Attestation): boolean {
    return publicKey === this.publicKey
  }
}

/** Is a signature over this text by the key that the attestation names? */
export function signatureHolds({ publicKey, signature }: Attestation, text: string): boolean {
  try {
    return verify(null, Buffer.from(text), publicKey, Buffer.from(signature, 'base64'))
  } catch {
    return false
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
