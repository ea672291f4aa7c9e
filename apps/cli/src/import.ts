import { randomUUID } from 'node:crypto'
import { copyFile, rm } from 'node:fs/promises'
import { join } from 'node:path'
import {
  RECORD_ZIP,
  digestOfFile,
  insertRows,
  lockFolder,
  meetingWith,
  obstacleTo,
  openArchivedJob,
  openData,
  placeFiles,
  recordFolder,
  recordRowOf,
  sealKeyIn,
  signerOf,
  unpackFiles,
  writeRows,
  zipFaultWords,
  type ArchivedJob,
  type OpenData,
} from '@plumb-mark/archive'
import { signerWords, type ChainComparison } from '@plumb-mark/core'
import type { Command } from './command.js'
import { readSource } from './input.js'
import { placesIn } from './places.js'

/**
 * `import <file.zip> [--record] [--preview] [--accept NAME] [--data DIR]`: while no program serves the folder; the application imports while
 * people work.
 */
export const importJob: Command = async (args) => {
  const { subject: file, data, flags, accept } = placesIn(args, 'import')
  const archived = await openArchivedJob(file, readSource)
  const db = openData(data, { readonly: flags.has('preview') })
  const lock = flags.has('preview') ? undefined : lockFolder(data)
  try {
    if (!flags.has('preview') && !lock)
      throw new Error(`${data} is served by a running Plumb Mark: import it there, or stop that one first`)
    if (accept !== undefined && !flags.has('preview')) await acceptSigner(db, archived, accept)
    const key = sealKeyIn(data)
    const signer = await signerOf(db.sql, archived.file.attested, key.isOwn)
    const { number, title } = archived.manifest
    const meeting = await meetingWith(db.sql, archived)
    console.log(
      `${number} ${title}: ${archived.file.entries.length} entries, signed by ${signerWords(signer)}, ${meetingWords(meeting)}`,
    )
    for (const fault of archived.faults) console.log(`  not intact: ${zipFaultWords(fault)}`)
    const toRead = flags.has('record')
    const obstacle =
      toRead && archived.faults.length === 0 ? undefined : await obstacleTo(db.sql, archived, signer)
    if (obstacle) console.log(`  cannot be worked on here: ${obstacle}`)
    if (obstacle || (meeting.kind === 'fork' && !toRead)) return 1
    if (flags.has('preview')) return 0
    const told = `${number}, ${toRead ? 'to be read' : meeting.kind}, signed by ${signerWords(signer)}`
    if (toRead) await keepToRead(db, data, file, archived, told)
    else await takeJob(db, data, archived, told)
    console.log('imported')
    return 0
  } finally {
    archived.zip.close()
    db.close()
    lock?.release()
  }
}

async function takeJob(db: OpenData, data: string, archived: ArchivedJob, told: string): Promise<void> {
  const unpacked = join(data, 'incoming', `${randomUUID()}.files`)
  const now = new Date().toISOString()
  try {
    const sizes = await unpackFiles(unpacked, archived)
    const takeBack = await placeFiles(data, unpacked, archived)
    await db
      .transaction(async () => {
        const signer = await signerOf(db.sql, archived.file.attested, sealKeyIn(data).isOwn)
        await writeRows(db.sql, archived, { signer, now, sizes })
        await writeAudit(db, now, archived.file.jobId, told)
      })
      .catch(async (problem: unknown) => {
        await takeBack()
        throw problem
      })
  } finally {
    await rm(unpacked, { recursive: true, force: true })
  }
}

async function keepToRead(
  db: OpenData,
  data: string,
  file: string,
  archived: ArchivedJob,
  told: string,
): Promise<void> {
  const [id, now, digest] = [randomUUID(), new Date().toISOString(), await digestOfFile(file)]
  const [known] = await db.sql('SELECT id FROM records WHERE sha256 = ?', [digest])
  if (known) return
  const folder = recordFolder(data, id)
  try {
    await unpackFiles(folder, archived)
    await copyFile(file, join(folder, RECORD_ZIP))
    const row = recordRowOf(archived, { id, sha256: digest, openedAt: now, openedBy: 'command line' })
    await db.transaction(async () => {
      const values = Object.values({ ...row, sealed: Number(row.sealed) })
      await insertRows(db.sql, 'INSERT', 'records', Object.keys(row), [values])
      await writeAudit(db, now, row.jobId, told)
    })
  } catch (problem) {
    await rm(folder, { recursive: true, force: true })
    throw problem
  }
}

async function acceptSigner(db: OpenData, { file, faults }: ArchivedJob, name: string): Promise<void> {
  if (!file.attested || faults.length > 0)
    throw new Error(
      'no installation gave its word for this record, or it is not intact: there is no key to accept',
    )
  const now = new Date().toISOString()
  await db.sql(
    `INSERT INTO installations (id, publicKey, name, acceptedAt, acceptedBy) VALUES (?, ?, ?, ?, 'command line')
     ON CONFLICT (publicKey) DO UPDATE SET name = excluded.name`,
    [randomUUID(), file.attested.publicKey, name, now],
  )
}

const writeAudit = (db: OpenData, at: string, subject: string, detail: string) =>
  db.sql(
    `INSERT INTO audit (at, action, person, subject, detail, address) VALUES (?, 'imported', '', ?, ?, 'command line')`,
    [at, subject, detail],
  )

function meetingWords(meeting: ChainComparison): string {
  switch (meeting.kind) {
    case 'new':
      return 'not here yet'
    case 'same':
      return 'here already, entry by entry: nothing to do'
    case 'older':
      return `an earlier state of the job that is here, which has ${meeting.missing} entries more: nothing to do`
    case 'extends':
      return `continues the job that is here by ${meeting.added.length} entries`
    case 'fork':
      return `FORK after entry ${meeting.at}: ${meeting.here.length} entries here and ${meeting.there.length} in the file say different things; neither is changed`
  }
}
