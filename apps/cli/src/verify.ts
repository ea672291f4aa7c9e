import { openArchivedJob, sha256, signatureHolds, type ZipFault } from '@plumb-mark/archive'
import {
  fingerprint,
  fold,
  verifyInspectionFile,
  type FileFault,
  type InspectionFile,
} from '@plumb-mark/core'
import { fileArgument, inspectionIn } from './input.js'
import type { Command } from './command.js'

/** `verify <file> [--key FINGERPRINT]`: recomputes the chain and says whether the record is intact, and signed by that key. */
export const verify: Command = async (args) => {
  const { key, rest } = keyOption(args)
  const { file, json } = fileArgument(rest)
  const { record, found } = await recordIn(file)
  const faults = [...found, ...(key !== undefined ? keyFaults(record, key) : [])]
  const { head, seal } = fold(record.entries)
  if (json)
    console.log(
      JSON.stringify(
        {
          intact: faults.length === 0,
          sealed: seal !== undefined,
          entries: record.entries.length,
          head: head?.hash,
          faults,
        },
        null,
        2,
      ),
    )
  else if (faults.length === 0)
    console.log(
      `intact: ${record.entries.length} entries, ${seal ? `sealed by ${seal.by.name} (licence ${seal.body.licence})` : 'not sealed'}, fingerprint ${fingerprint(head?.hash ?? '')}`,
    )
  else console.log(['NOT intact:', ...faults.map(said)].join('\n'))
  return faults.length === 0 ? 0 : 1
}

/** A ZIP brings its photos and traces, and they are compared too. */
async function recordIn(file: string): Promise<{ record: InspectionFile; found: readonly Fault[] }> {
  if (!file.toLowerCase().endsWith('.zip')) {
    const record = await inspectionIn(file)
    return { record, found: verifyInspectionFile(record, sha256, signatureHolds) }
  }
  const archived = await openArchivedJob(file)
  archived.zip.close()
  return { record: archived.file, found: archived.faults }
}

type Fault = FileFault | ZipFault

const WORDS = {
  changed: 'its content does not fit its hash',
  'not-linked': 'it does not continue the entry before it',
  'out-of-place': 'its number is out of place',
  'after-seal': 'it was added after the seal',
  'wrong-seal': 'it seals another record',
  'other-job': 'it belongs to another job',
  'sheet-changed': 'the sheet is not the one that was pinned',
  'sheet-absent': 'the pinned sheet is not in the file',
  'sheet-unknown': 'the record pins no such sheet',
  'tail-cut': 'entries at the end are missing, or others stand in their place',
  'wrong-signature': 'the signature of the record does not hold',
  'not-signed': 'no signature by that key',
  'file-changed': 'is not what it was when it was exported',
  'file-absent': 'is not in the ZIP',
  'file-unknown': 'belongs to no record',
  'photo-absent': 'the photo that an entry shows is not in the ZIP',
  'trace-absent': 'the trace that an entry shows is not in the ZIP',
  'head-differs': 'names another record',
} satisfies Record<Fault['fault'], string>

function said(fault: Fault): string {
  if ('name' in fault) return `  ${fault.name}: ${WORDS[fault.fault]}`
  if (!('seq' in fault) && !('sheetId' in fault)) return `  ${WORDS[fault.fault]}`
  return 'sheetId' in fault
    ? `  sheet ${fault.sheetId}: ${WORDS[fault.fault]}`
    : `  entry ${fault.seq} (${fault.entryId}): ${WORDS[fault.fault]}`
}

/** The fingerprint as it is printed in the report, blanks or not. */
function keyOption(args: string[]): { key: string | undefined; rest: string[] } {
  const at = args.indexOf('--key')
  if (at < 0) return { key: undefined, rest: args }
  const key = args[at + 1]
  if (!key) throw new Error('--key takes the fingerprint that the report prints')
  return { key, rest: [...args.slice(0, at), ...args.slice(at + 2)] }
}

function keyFaults({ attested }: InspectionFile, key: string): FileFault[] {
  const plain = (said: string) => said.replace(/\s/g, '').toLowerCase()
  const signedBy = attested && plain(fingerprint(sha256(attested.publicKey)))
  return signedBy === plain(key) ? [] : [{ fault: 'not-signed' }]
}
