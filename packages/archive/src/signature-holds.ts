import { createPublicKey, verify } from 'node:crypto'
import type { Attestation } from '@plumb-mark/core'

/** Is a signature over this text by the key that the attestation names? Only Ed25519 is taken: a weaker key could be worked out from its public part. */
export function signatureHolds({ publicKey, signature }: Attestation, text: string): boolean {
  try {
    const key = createPublicKey(publicKey)
    return (
      key.asymmetricKeyType === 'ed25519' &&
      verify(null, Buffer.from(text), key, Buffer.from(signature, 'base64'))
    )
  } catch {
    return false
  }
}
