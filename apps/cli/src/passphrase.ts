import { readFileSync } from 'node:fs'

const SHORTEST = 12

/** The passphrase of a key, from the first line of a file: never among the words of a command, which others of the machine can read. */
export function passphraseIn(file: string | undefined): string | undefined {
  if (file === undefined) return undefined
  const passphrase = readFileSync(file, 'utf8').split(/\r?\n/)[0]!
  if (passphrase.length < SHORTEST)
    throw new Error(`the passphrase in ${file} must have ${SHORTEST} characters or more`)
  return passphrase
}
