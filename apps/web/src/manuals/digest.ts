import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex } from '@noble/hashes/utils'

/** The digest under which a manual is kept, hexadecimal. */
export const digestOf = async (file: Blob): Promise<string> =>
  bytesToHex(sha256(new Uint8Array(await file.arrayBuffer())))
