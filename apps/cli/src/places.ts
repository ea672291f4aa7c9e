import { parseArgs } from 'node:util'
import { passphraseIn } from './passphrase.js'

const FLAGS = ['preview', 'record', 'with-key', 'without-key'] as const
type Flag = (typeof FLAGS)[number]

/** The one thing that a command is about, and the folder of the data. */
export function placesIn(
  args: string[],
  command: string,
): {
  subject: string
  data: string
  flags: ReadonlySet<Flag>
  to: string | undefined
  accept: string | undefined
  passphrase: string | undefined
} {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      data: { type: 'string', default: 'data' },
      to: { type: 'string' },
      accept: { type: 'string' },
      'passphrase-file': { type: 'string' },
      preview: { type: 'boolean', default: false },
      record: { type: 'boolean', default: false },
      'with-key': { type: 'boolean', default: false },
      'without-key': { type: 'boolean', default: false },
    },
  })
  const [subject] = positionals
  if (!subject || positionals.length > 1) throw new Error(`${command} takes one name; see plumb-mark --help`)
  const flags = new Set(FLAGS.filter((name) => values[name]))
  return {
    subject,
    data: values.data,
    flags,
    to: values.to,
    accept: values.accept,
    passphrase: passphraseIn(values['passphrase-file']),
  }
}
