import {
  lockFolder,
  meetingWith,
  obstacleTo,
  openArchivedJob,
  openData,
  writeFiles,
  writeRows,
} from '@plumb-mark/archive'
import type { Meeting } from '@plumb-mark/core'
import type { Command } from './command.js'
import { placesIn } from './places.js'

/** `import <file.zip> [--record] [--preview] [--data DIR]`: while no program serves the folder; the application imports while people work. */
export const importJob: Command = async (args) => {
  const { subject: file, data, flags } = placesIn(args, 'import')
  const archived = await openArchivedJob(file)
  const db = openData(data, { readonly: flags.has('preview') })
  const lock = flags.has('preview') ? undefined : lockFolder(data)
  try {
    if (!flags.has('preview') && !lock)
      throw new Error(`${data} is served by a running Plumb Mark: import it there, or stop that one first`)
    const { number, title } = archived.manifest
    const obstacle = await obstacleTo(db.sql, archived)
    const meeting = await meetingWith(db.sql, archived)
    console.log(`${number} ${title}: ${archived.file.entries.length} entries, ${meetingWords(meeting)}`)
    for (const fault of archived.faults) console.log(`  not intact: ${JSON.stringify(fault)}`)
    if (obstacle) console.log(`  cannot be imported: ${obstacle}`)
    if (obstacle || meeting.kind === 'fork') return 1
    if (flags.has('preview')) return 0
    const bytes = await writeFiles(data, archived)
    const [as, now] = [flags.has('record') ? 'record' : 'job', new Date().toISOString()] as const
    await db.transaction(async () => {
      await writeRows(db.sql, archived, { as, now, bytes })
      await db.sql(
        `INSERT INTO audit (at, action, person, subject, detail, address) VALUES (?, 'imported', '', ?, ?, 'command line')`,
        [now, archived.file.jobId, meeting.kind],
      )
    })
    console.log('imported')
    return 0
  } finally {
    archived.zip.close()
    db.close()
    lock?.release()
  }
}

function meetingWords(meeting: Meeting): string {
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
