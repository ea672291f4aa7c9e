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
import { canonicalJson, fingerprint, signedText, type Attestation, type Entry } from '@plumb-mark/core'
import { sha256 } from './digest.js'

export const SEAL_KEY_FILE = 'seal-key.pem'
/** Keys of before, each vouched for by the key of today. */
export const FORMER_KEYS_FILE = 'former-keys.json'

/** A key with which this installation gave its word until it was changed. */
export interface FormerKey {
  publicKey: string
  /** ISO 8601. */
  until: string
  /** By the key of today, over the two above: without it nobody can name another key as one of ours. */
  vouched: string
}

/** The key with which an installation gives its word for a record. */
export interface SealKeyPair {
  publicKey: string
  former: readonly FormerKey[]
  /** This installation's word that the chain of a job ends in this entry. */
  attest(jobId: string, last: Pick<Entry, 'seq' | 'hash'>): Attestation
  /** Is this the key of today, or one of before? */
  isOwn(publicKey: string): boolean
}

/** As people compare a key. */
export const keyFingerprint = (publicKey: string): string => fingerprint(sha256(publicKey))

/** The key of a folder of data. Throws where it is not there, cannot be read, or is not Ed25519. */
export function sealKeyIn(dataDir: string): SealKeyPair {
  const key = privateKeyIn(dataDir)
  const publicKey = publicOf(key)
  const former = formerKeysIn(dataDir).filter((one) => vouches(key, one))
  return {
    publicKey,
    former,
    attest(jobId, { seq, hash }) {
      const head = { seq, head: hash }
      const signature = sign(null, Buffer.from(signedText(jobId, head)), key).toString('base64')
      return { ...head, publicKey, signature }
    },
    isOwn: (other) => other === publicKey || former.some((one) => one.publicKey === other),
  }
}

/** Makes a key where there is none. */
export function makeKey(dataDir: string): void {
  const { privateKey } = generateKeyPairSync('ed25519')
  writeWhole(join(dataDir, SEAL_KEY_FILE), pemOf(privateKey))
}

/** Puts a new key in the place of the one of today, which stays known: what it signed stays ours. */
export function changeKey(dataDir: string, now: string): SealKeyPair {
  const before = sealKeyIn(dataDir)
  const { privateKey } = generateKeyPairSync('ed25519')
  const known = [
    { publicKey: before.publicKey, until: now },
    ...before.former.map(({ publicKey, until }) => ({ publicKey, until })),
  ]
  const former = known.map((one) => ({ ...one, vouched: vouch(privateKey, one) }))
  // The list first: should the power fail in between, the key of before does not vouch for it and is still the key of today.
  const list = join(dataDir, FORMER_KEYS_FILE)
  writeWhole(`${list}.next`, JSON.stringify(former, null, 1))
  writeWhole(join(dataDir, SEAL_KEY_FILE), pemOf(privateKey))
  renameSync(`${list}.next`, list)
  return sealKeyIn(dataDir)
}

function privateKeyIn(dataDir: string): KeyObject {
  const key = createPrivateKey(readFileSync(join(dataDir, SEAL_KEY_FILE), 'utf8'))
  if (key.asymmetricKeyType !== 'ed25519')
    throw new Error(`it is a key of another kind (${key.asymmetricKeyType})`)
  return key
}

/** A change that was cut off between its two files is finished by whoever reads next. */
function formerKeysIn(dataDir: string): FormerKey[] {
  const list = join(dataDir, FORMER_KEYS_FILE)
  return [`${list}.next`, list].flatMap((file) =>
    existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as FormerKey[]) : [],
  )
}

const voucher = ({ publicKey, until }: Omit<FormerKey, 'vouched'>) =>
  Buffer.from(canonicalJson({ format: 'plumb-mark-former-key', publicKey, until }))
const vouch = (key: KeyObject, one: Omit<FormerKey, 'vouched'>) =>
  sign(null, voucher(one), key).toString('base64')
const vouches = (key: KeyObject, one: FormerKey) =>
  verify(null, voucher(one), createPublicKey(key), Buffer.from(one.vouched, 'base64'))

const publicOf = (key: KeyObject) => createPublicKey(key).export({ type: 'spki', format: 'pem' }) as string
const pemOf = (key: KeyObject) => key.export({ type: 'pkcs8', format: 'pem' }) as string

/** Whole or not at all, readable by its owner alone: half a key would lock everybody out. */
function writeWhole(file: string, content: string): void {
  const draft = openSync(`${file}.new`, 'w', 0o600)
  writeSync(draft, content)
  fsyncSync(draft)
  closeSync(draft)
  renameSync(`${file}.new`, file)
}
