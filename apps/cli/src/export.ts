import { createWriteStream } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { openData, readJob, sealKeyIn, writeZip } from '@plumb-mark/archive'
import { readSheetText } from '@plumb-mark/contract'
import type { Command } from './command.js'
import { placesIn } from './places.js'

/** `export <job number> [--to FILE] [--data DIR]`: everything of a job in one ZIP, also while people work. */
export const exportJob: Command = async (args) => {
  const { subject: number, data, to } = placesIn(args, 'export')
  const db = openData(data, { readonly: true })
  try {
    const [row] = await db.sql('SELECT id FROM jobs WHERE number = ? OR id = ?', [number, number])
    if (!row) throw new Error(`no job has the number ${number}`)
    const key = sealKeyIn(data)
    const job = await readJob(db.sql, data, row['id'] as string, {
      attest: (entries) => key.attest(row['id'] as string, entries.at(-1)!),
      readSource: (source) => {
        const text = readSheetText(source)
        return text.ok ? text.sheet : undefined
      },
    })
    if (!job) throw new Error(`the job ${number} has no entries`)
    const file = to ?? `${number.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.zip`
    await pipeline(writeZip(job), createWriteStream(file, { flags: 'wx' }))
    console.log(
      `${file}: ${job.file.entries.length} entries, ${job.photos.length} photos, ${job.traces.length} traces`,
    )
    return 0
  } finally {
    db.close()
  }
}
