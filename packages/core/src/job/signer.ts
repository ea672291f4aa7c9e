/** Whose word a record carries, as far as an installation knows; `key` is the fingerprint as people compare it. */
export type Signer =
  | { kind: 'own'; key: string }
  /** An installation that the office has accepted, by the name that it has here. */
  | { kind: 'known'; key: string; name: string }
  | { kind: 'stranger'; key: string }
  | { kind: 'nobody' }

/** The signer in words, as the end of “signed by …”. */
export function signerWords(signer: Signer): string {
  switch (signer.kind) {
    case 'own':
      return `this installation (${signer.key})`
    case 'known':
      return `${signer.name} (${signer.key})`
    case 'stranger':
      return `${signer.key}, a key that nobody here has accepted`
    case 'nobody':
      return 'nobody'
  }
}
