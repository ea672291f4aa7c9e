export { sha256, digestOfFile, digestOfPacked } from './digest.js'
export { durable } from './durable.js'
export {
  SEAL_KEY_FILE,
  changeKey,
  expectKey,
  keyFingerprint,
  makeKey,
  ownKeysIn,
  recordKey,
  sealKeyIn,
  type OwnKey,
  type SealKeyPair,
} from './seal-key.js'
export { signatureHolds } from './signature-holds.js'
export {
  DATABASE_FILE,
  RECORD_ZIP,
  photoPath,
  recordFolder,
  clippingsPath,
  manualPath,
  tracePath,
} from './database/files.js'
export { openData, lockFolder, type OpenData } from './database/open.js'
export { brokenIn, wordFor, type KeptSeal, type Unsigned } from './word-for.js'
export { clippingsOf, readJob, readRecord, entriesOf, sealOf, toldPartsOf } from './database/read-job.js'
export { brokenJob } from './database/broken-job.js'
export { asEntry, type EntryRowValues } from './database/entry-row.js'
export { writeEntries } from './database/write-entries.js'
export {
  meetingWith,
  obstacleTo,
  placeFiles,
  unpackFiles,
  writeRows,
  type ArchivedRecord,
  type FileSizes,
} from './database/write-job.js'
export { recordRowOf, type RecordRowValues } from './database/record-row.js'
export { signerOf } from './database/signer.js'
export { insertRows, type Sql } from './database/sql.js'
export { REFUSAL, Sqlite, refusalOf } from './database/sqlite.js'
export { openArchivedJob, type ArchivedJob, type ZipFault } from './zip/archived-job.js'
export { zipFaultWords } from './zip/fault-words.js'
export { writeZip, type KeptJob } from './zip/write.js'
export { takeBackup, type Taken } from './backup/take.js'
export { RESTORE_UNFINISHED, restoreBackup } from './backup/restore.js'
export { backupsIn, clearOld, staying, type KeptBackup } from './backup/keep.js'
export { openSheetZip, writeSheetZip, type KeptSheet, type OpenSheetZip } from './zip/sheet-zip.js'
