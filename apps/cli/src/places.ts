import { parseArgs } from 'node:util'

/** The one thing that a command is about, and the folder of the data. */
export function placesIn(
  args: string[],
  command: string,
): {
  subject: string
  data: string
  flags: ReadonlySet<string>
  to: string | undefined
  accept: string | undefined
} {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      data: { type: 'string', default: 'data' },
      to: { type: 'string' },
      accept: { type: 'string' },
      preview: { type: 'boolean', default: false },
      record: { type: 'boolean', default: false },
    },
  })
  const [subject] = positionals
  if (!subject || positionals.length > 1) throw new Error(`${command} takes one name; see plumb-mark --help`)
  const flags = new Set(['preview', 'record'].filter((name) => values[name as 'preview' | 'record']))
  return { subject, data: values.data, flags, to: values.to, accept: values.accept }
}
