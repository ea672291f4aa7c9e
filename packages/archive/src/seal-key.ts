import { createPrivateKey, createPublicKey, sign, type KeyObject } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { signedText, type Attestation, type Entry } from '@plumb-mark/core'

export const SEAL_KEY_FILE = 'seal-key.pem'

/** The key with which an installation gives its word for a record. */
export interface SealKeyPair {
  publicKey: string
  /** This installation's word that the chain of a job ends in this entry. */
  attest(jobId: string, last: Pick<Entry, 'seq' | 'hash'>): Attestation
}

/** The key of a folder of data. Throws where it is not there or cannot be read. */
export const sealKeyIn = (dataDir: string): SealKeyPair =>
  pairOf(createPrivateKey(readFileSync(join(dataDir, SEAL_KEY_FILE), 'utf8')))

function pairOf(key: KeyObject): SealKeyPair {
  const publicKey = createPublicKey(key).export({ type: 'spki', format: 'pem' }) as string
  return {
    publicKey,
    attest(jobId, { seq, hash }) {
      const head = { seq, head: hash }
      const signature = sign(null, Buffer.from(signedText(jobId, head)), key).toString('base64')
      return { ...head, publicKey, signature }
    },
  }
}
