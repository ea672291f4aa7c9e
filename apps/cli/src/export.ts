import { createWriteStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { openData, readJob, sealKeyIn, writeZip } from '@plumb-mark/archive'
import type { Command } from './command.js'
import { placesIn } from './places.js'
import { readSource } from './input.js'

/** `export <job number> [--to FILE] [--data DIR]`: everything of a job in one ZIP, also while people work. */
export const exportJob: Command = async (args) => {
  const { subject: number, data, to } = placesIn(args, 'export')
  const db = openData(data, { readonly: true })
  try {
    const [row] = await db.sql('SELECT id FROM jobs WHERE number = ? OR id = ?', [number, number])
    if (!row) throw new Error(`no job has the number ${number}`)
    const job = await readJob(db.sql, data, row['id'] as string, { key: sealKeyIn(data), readSource })
    if (!job) throw new Error(`the job ${number} has no entries`)
    const file = to ?? `${number.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.zip`
    await pipeline(writeZip(job), createWriteStream(file, { flags: 'wx', mode: 0o600 }))
    console.log(
      `${file}: ${job.file.entries.length} entries, ${job.photos.length} photos, ${job.traces.length} traces`,
    )
    for (const fault of job.file.broken ?? []) console.log(`  broken, and not signed anew: ${fault}`)
    return job.file.broken ? 1 : 0
  } finally {
    db.close()
  }
}
