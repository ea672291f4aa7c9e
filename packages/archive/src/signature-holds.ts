import { verify } from 'node:crypto'
import type { Attestation } from '@plumb-mark/core'

/** Is a signature over this text by the key that the attestation names? */
export function signatureHolds({ publicKey, signature }: Attestation, text: string): boolean {
  try {
    return verify(null, Buffer.from(text), publicKey, Buffer.from(signature, 'base64'))
  } catch {
    return false
  }
}
