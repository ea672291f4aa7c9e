import type { FileFault } from './inspection-file.js'

const WORDS = {
  changed: 'its content does not fit its hash',
  'not-linked': 'it does not continue the entry before it',
  'out-of-place': 'its number is out of place',
  'after-seal': 'it was added after the seal',
  'wrong-seal': 'it seals another record',
  'other-job': 'it belongs to another job',
  'sheet-changed': 'is not the one that was pinned',
  'sheet-absent': 'was pinned and is not in the file',
  'sheet-unknown': 'is pinned by nothing in the record',
  'tail-cut': 'entries at the end are missing, or others stand in their place',
  'wrong-signature': 'the signature of the record does not hold',
  'not-signed': 'no signature by that key',
  'field-unknown': 'the format has no such field, and nothing covers it: it may have been written in later',
  'broken-at-export': 'the installation that exported it found it broken',
} satisfies Record<FileFault['fault'], string>

/** What is wrong with a record, for a person. */
export function fileFaultWords(fault: FileFault): string {
  const words = WORDS[fault.fault]
  if ('seq' in fault) return `entry ${fault.seq} (${fault.entryId}): ${words}`
  if ('sheetId' in fault) return `sheet ${fault.sheetId}: ${words}`
  if ('path' in fault) return `${fault.path}: ${words}`
  return 'reason' in fault ? `${words}: ${fault.reason}` : words
}
