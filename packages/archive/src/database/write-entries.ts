import type { Attestation, Entry } from '@plumb-mark/core'
import { ENTRY_COLUMNS, entryValues } from './entry-row.js'
import { insertRows, type Sql } from './sql.js'

/**
 * Writes entries of one job, and the rows that follow from them: which sheets it pins, whom it is shared with, its seal. Within a
 * transaction of the caller. `sealWith` gives the word under a signature; `theirs` says that the people in them are of another
 * installation: then nobody here is let in by what they wrote.
 */
export async function writeEntries(
  sql: Sql,
  jobId: string,
  entries: readonly Entry[],
  { sealWith, theirs = false }: { sealWith: (entry: Entry) => Attestation | undefined; theirs?: boolean },
): Promise<void> {
  await insertRows(sql, 'INSERT', 'entries', ENTRY_COLUMNS, entries.map(entryValues))
  for (const entry of entries) {
    for (const id of pinnedBy(entry))
      await sql('INSERT OR IGNORE INTO job_sheets (jobId, sheetId) VALUES (?, ?)', [jobId, id])
    if (entry.kind === 'shared' && !theirs)
      await sql('INSERT OR IGNORE INTO job_people (jobId, personId) SELECT ?, id FROM people WHERE id = ?', [
        jobId,
        entry.body.person.id,
      ])
    if (entry.kind === 'unshared')
      await sql('DELETE FROM job_people WHERE jobId = ? AND personId = ?', [jobId, entry.body.personId])
    if (entry.kind === 'signed') await writeSeal(sql, jobId, entry, sealWith(entry))
  }
}

function pinnedBy(entry: Entry): string[] {
  if (entry.kind === 'job-opened') return entry.body.sheets.map(({ id }) => id)
  return entry.kind === 'sheet-adopted' ? [entry.body.sheet.id] : []
}

/** A record of before seals were signed has none; it is sealed all the same. */
async function writeSeal(
  sql: Sql,
  jobId: string,
  { at }: Entry,
  word: Attestation | undefined,
): Promise<void> {
  if (word)
    await sql('INSERT INTO seals (jobId, seq, head, publicKey, signature) VALUES (?, ?, ?, ?, ?)', [
      jobId,
      word.seq,
      word.head,
      word.publicKey,
      word.signature,
    ])
  await sql('UPDATE jobs SET sealedAt = ? WHERE id = ?', [at, jobId])
}
