import { createPrivateKey, createPublicKey, generateKeyPairSync, sign, type KeyObject } from 'node:crypto'
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { fingerprint, signedText, type Attestation, type Entry } from '@plumb-mark/core'
import { sha256 } from './digest.js'

export const SEAL_KEY_FILE = 'seal-key.pem'
/** The key as it lies in a backup, under a passphrase. */
export const LOCKED_KEY_FILE = 'seal-key.encrypted.pem'
/** The public halves of all keys that this installation ever signed with, the one of today last. */
export const OWN_KEYS_FILE = 'own-keys.json'

/** A key of this installation, known for good: what it signed stays ours. */
export interface OwnKey {
  publicKey: string
  /** ISO 8601. */
  since: string
  /** False for one that stood there at a start where another was before, until somebody has said that it is right. */
  expected: boolean
}

/** The key with which an installation gives its word for a record. */
export interface SealKeyPair {
  publicKey: string
  /** This installation's word that the chain of a job ends in this entry. */
  attest(jobId: string, last: Pick<Entry, 'seq' | 'hash'>): Attestation
  /** Is this the key of today, or one of before? */
  isOwn(publicKey: string): boolean
}

/** As people compare a key. */
export const keyFingerprint = (publicKey: string): string => fingerprint(sha256(publicKey))

/** The key of a folder of data. Throws where it is not there, cannot be read, or is not Ed25519. */
export function sealKeyIn(dataDir: string): SealKeyPair {
  const key = asKey(readFileSync(join(dataDir, SEAL_KEY_FILE), 'utf8'))
  const publicKey = publicOf(key)
  const own = new Set([publicKey, ...ownKeysIn(dataDir).map((one) => one.publicKey)])
  return {
    publicKey,
    attest(jobId, { seq, hash }) {
      const head = { seq, head: hash }
      const signature = sign(null, Buffer.from(signedText(jobId, head)), key).toString('base64')
      return { ...head, publicKey, signature }
    },
    isOwn: (other) => own.has(other),
  }
}

/** All keys of an installation, the one of today last; none before its first start. */
export function ownKeysIn(dataDir: string): readonly OwnKey[] {
  const file = join(dataDir, OWN_KEYS_FILE)
  return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as OwnKey[]) : []
}

/** Makes a key where there is none. */
export function makeKey(dataDir: string): void {
  const { privateKey } = generateKeyPairSync('ed25519')
  writeWhole(join(dataDir, SEAL_KEY_FILE), pemOf(privateKey))
}

/** Writes down the key that stands there at a start; one that nobody changed on purpose is kept as unexpected. */
export function recordKey(dataDir: string, now: string): readonly OwnKey[] {
  const { publicKey } = sealKeyIn(dataDir)
  const known = ownKeysIn(dataDir)
  if (known.at(-1)?.publicKey === publicKey) return known
  return keepOwn(dataDir, [...known, { publicKey, since: now, expected: known.length === 0 }])
}

/** Somebody has said that the key of today is right. */
export const expectKey = (dataDir: string): readonly OwnKey[] =>
  keepOwn(
    dataDir,
    ownKeysIn(dataDir).map((one) => ({ ...one, expected: true })),
  )

/** Puts a new key in the place of the one of today; what that one signed stays ours. */
export function changeKey(dataDir: string, now: string): SealKeyPair {
  recordKey(dataDir, now)
  makeKey(dataDir)
  recordKey(dataDir, now)
  expectKey(dataDir)
  return sealKeyIn(dataDir)
}

/** The key under a passphrase, as PKCS#8 that any tool of the trade opens. */
export const lockedKey = (dataDir: string, passphrase: string): string =>
  asKey(readFileSync(join(dataDir, SEAL_KEY_FILE), 'utf8')).export({
    type: 'pkcs8',
    format: 'pem',
    cipher: 'aes-256-cbc',
    passphrase,
  }) as string

/** Puts a locked key back as the key of a folder. Throws where the passphrase is not the one. */
export function unlockKey(locked: string, passphrase: string, dataDir: string): void {
  let key: KeyObject
  try {
    key = createPrivateKey({ key: locked, passphrase })
  } catch {
    throw new Error('the passphrase does not open the key of the seals in this backup')
  }
  writeWhole(join(dataDir, SEAL_KEY_FILE), pemOf(key))
}

function keepOwn(dataDir: string, keys: readonly OwnKey[]): readonly OwnKey[] {
  writeWhole(join(dataDir, OWN_KEYS_FILE), JSON.stringify(keys, null, 1))
  return keys
}

function asKey(pem: string): KeyObject {
  const key = createPrivateKey(pem)
  if (key.asymmetricKeyType !== 'ed25519')
    throw new Error(`it is no Ed25519 key, but ${key.asymmetricKeyType}`)
  return key
}

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
