import type { Attestation, Signer } from '@plumb-mark/core'
import { keyFingerprint } from '../seal-key.js'
import type { Sql } from './sql.js'

/** Whose key an attestation names; that its signature holds was found out before. */
export async function signerOf(
  sql: Sql,
  attested: Pick<Attestation, 'publicKey'> | undefined,
  isOwn: (publicKey: string) => boolean,
): Promise<Signer> {
  if (!attested) return { kind: 'nobody' }
  const key = keyFingerprint(attested.publicKey)
  if (isOwn(attested.publicKey)) return { kind: 'own', key }
  const [row] = await sql('SELECT name FROM installations WHERE publicKey = ?', [attested.publicKey])
  return row ? { kind: 'known', key, name: row['name'] as string } : { kind: 'stranger', key }
}
