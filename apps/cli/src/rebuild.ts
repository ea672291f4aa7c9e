import { openData } from '@plumb-mark/archive'
import { parseArgs } from 'node:util'
import type { Command } from './command.js'

/** `rebuild [--data DIR]`: the rows that lists and searches read are made anew, by the server that runs or at its next start. */
export const rebuild: Command = async (args) => {
  const { values } = parseArgs({ args, options: { data: { type: 'string', default: 'data' } } })
  const db = openData(values.data, { readonly: false })
  await db.sql('UPDATE job_summaries SET version = 0')
  const [{ count } = { count: 0 }] = await db.sql('SELECT count(*) AS count FROM jobs')
  db.close()
  console.log(
    `${String(count)} jobs: their rows are made anew within a minute of the server, or at its next start`,
  )
  return 0
}
