import { fileFaultWords, type FileFault } from '@plumb-mark/core'
import type { ZipFault } from './archived-job.js'

const WORDS = {
  'file-changed': 'is not what it was when it was exported',
  'file-absent': 'is not in the ZIP',
  'file-unknown': 'belongs to no record',
  'photo-absent': 'the photo that an entry shows is not in the ZIP',
  'trace-absent': 'the trace that an entry shows is not in the ZIP',
  'head-differs': 'names another record',
  'sheet-file-differs': 'says something else than the sheet that was judged by',
} satisfies Record<ZipFault['fault'], string>

/** What is wrong with a record that arrived, for a person. */
export const zipFaultWords = (fault: FileFault | ZipFault): string =>
  'name' in fault ? `${fault.name}: ${WORDS[fault.fault]}` : fileFaultWords(fault)
