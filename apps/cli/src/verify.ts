import { createHash } from 'node:crypto'
import { fingerprint, fold, verifyInspectionFile, type FileFault } from '@plumb-mark/core'
import { fileArgument, inspectionIn } from './input.js'
import type { Command } from './command.js'

/** `verify <file>`: recomputes the chain and says whether the record is intact. */
export const verify: Command = async (args) => {
  const { file, json } = fileArgument(args)
  const record = await inspectionIn(file)
  const faults = verifyInspectionFile(record, (text) =>
    createHash('sha256').update(text, 'utf8').digest('hex'),
  )
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

const WORDS = {
  changed: 'its content does not fit its hash',
  'not-linked': 'it does not continue the entry before it',
  'out-of-place': 'its number is out of place',
  'after-seal': 'it was added after the seal',
  'wrong-seal': 'it seals another record',
  'other-job': 'it belongs to another job',
  'sheet-changed': 'the sheet is not the one that was pinned',
  'sheet-absent': 'the pinned sheet is not in the file',
} satisfies Record<FileFault['fault'], string>

function said(fault: FileFault): string {
  return 'sheetId' in fault
    ? `  sheet ${fault.sheetId}: ${WORDS[fault.fault]}`
    : `  entry ${fault.seq} (${fault.entryId}): ${WORDS[fault.fault]}`
}
