import {
  keyFingerprint,
  openArchivedJob,
  sha256,
  signatureHolds,
  zipFaultWords,
  type ZipFault,
} from '@plumb-mark/archive'
import {
  fingerprint,
  fold,
  verifyInspectionFile,
  type FileFault,
  type InspectionFile,
} from '@plumb-mark/core'
import { fileArgument, inspectionIn, readSource } from './input.js'
import type { Command } from './command.js'

type Fault = FileFault | ZipFault

interface Verified {
  record: InspectionFile
  faults: readonly Fault[]
  /** Fields that this program does not know, in the bodies of entries: covered by their hash. */
  unread: readonly string[]
}

/** `verify <file> [--key FINGERPRINT]`: recomputes the chain, says whether the record is intact, and whose key signed it. */
export const verify: Command = async (args) => {
  const { key, rest } = keyOption(args)
  const { file, json } = fileArgument(rest)
  const { record, faults: found, unread } = await recordIn(file)
  const signedBy = record.attested && keyFingerprint(record.attested.publicKey)
  const faults = [...found, ...(key !== undefined ? keyFaults(signedBy, key) : [])]
  const { head, seal } = fold(record.entries)
  const expected = key === undefined || signedBy === undefined ? undefined : plain(signedBy) === plain(key)
  if (json)
    console.log(
      JSON.stringify(
        {
          intact: faults.length === 0,
          sealed: seal !== undefined,
          entries: record.entries.length,
          head: head?.hash,
          signedBy: signedBy ?? null,
          expectedKey: expected ?? null,
          unread,
          faults: faults.map((fault) => ({ ...fault, words: zipFaultWords(fault) })),
        },
        null,
        2,
      ),
    )
  else {
    if (faults.length > 0)
      console.log(['NOT intact:', ...faults.map((one) => `  ${zipFaultWords(one)}`)].join('\n'))
    else
      console.log(
        `intact: ${record.entries.length} entries, ${seal ? `sealed by ${seal.by.name} (licence ${seal.body.licence})` : 'not sealed'}, fingerprint ${fingerprint(head?.hash ?? '')}`,
      )
    console.log(signerWords(signedBy, expected))
    for (const path of unread) console.log(`not known to this program, of a newer one: ${path}`)
  }
  return faults.length === 0 ? 0 : 1
}

/** A name in a record is what the record says; only the key tells whose word it is. */
function signerWords(signedBy: string | undefined, expected: boolean | undefined): string {
  if (signedBy === undefined) return 'signed by nobody: no installation gave its word for where it ends'
  if (expected === undefined)
    return `signed by ${signedBy}, a key you have not named: compare it with the printed report, or name it with --key`
  return expected
    ? `signed by ${signedBy}, the key you named`
    : `signed by ${signedBy}, and not by the key you named`
}

/** A ZIP brings its photos and traces, and they are compared too. */
async function recordIn(file: string): Promise<Verified> {
  if (!file.toLowerCase().endsWith('.zip')) {
    const { record, unknown } = await inspectionIn(file)
    const loose = unknown.loose.map((path): FileFault => ({ fault: 'field-unknown', path }))
    const faults = [...verifyInspectionFile(record, sha256, signatureHolds), ...loose]
    return { record, faults, unread: unknown.hashed }
  }
  const archived = await openArchivedJob(file, readSource)
  archived.zip.close()
  return { record: archived.file, faults: archived.faults, unread: archived.unread }
}

/** The fingerprint as it is printed in the report, blanks or not. */
function keyOption(args: string[]): { key: string | undefined; rest: string[] } {
  const at = args.indexOf('--key')
  if (at < 0) return { key: undefined, rest: args }
  const key = args[at + 1]
  if (!key) throw new Error('--key takes the fingerprint that the report prints')
  return { key, rest: [...args.slice(0, at), ...args.slice(at + 2)] }
}

const plain = (words: string) => words.replace(/\s/g, '').toLowerCase()
const keyFaults = (signedBy: string | undefined, key: string): FileFault[] =>
  signedBy !== undefined && plain(signedBy) === plain(key) ? [] : [{ fault: 'not-signed' }]
