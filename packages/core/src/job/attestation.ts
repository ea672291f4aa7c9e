import { object, num, text, type Read } from '../shape/shape.js'
import { canonicalJson } from './canonical.js'

/** The word of an installation of the program for where a chain ends: without its key nobody can make another chain look like this one. */
export const attestationShape = object({
  seq: num({ min: 1 }),
  head: text('hash of the last entry'),
  publicKey: text('Ed25519, SPKI as PEM'),
  signature: text('base64'),
})
export type Attestation = Read<typeof attestationShape>

/** Checks an Ed25519 signature; comes from outside, since this package has no cryptography of its own. */
export type VerifySignature = (attestation: Attestation, signed: string) => boolean

/** What is signed. */
export const signedText = (jobId: string, { seq, head }: Pick<Attestation, 'seq' | 'head'>): string =>
  canonicalJson({ format: 'plumb-mark-head', jobId, seq, head })
