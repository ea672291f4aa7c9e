import { asErrorShape, BadInput } from '@plumb-mark/core'
import type { Command, ExitCode } from './command.js'
import { MANUAL } from './manual.js'

/** Each is loaded when it is asked for: a quick calculation does not wait for the database. */
const COMMANDS: Record<string, () => Promise<Command>> = {
  compute: async () => (await import('./compute.js')).compute,
  check: async () => (await import('./check.js')).check,
  verify: async () => (await import('./verify.js')).verify,
  export: async () => (await import('./export.js')).exportJob,
  import: async () => (await import('./import.js')).importJob,
  backup: async () => (await import('./backup.js')).backup,
  restore: async () => (await import('./restore.js')).restore,
  'change-key': async () => (await import('./change-key.js')).changeSealKey,
  rebuild: async () => (await import('./rebuild.js')).rebuild,
  practice: async () => (await import('./practice.js')).practice,
  'read-manual': async () => (await import('./read-manual.js')).readManualCommand,
}

async function main([name, ...args]: string[]): Promise<ExitCode> {
  if (
    name === undefined ||
    name === '--help' ||
    name === '-h' ||
    name === 'help' ||
    args.includes('--help')
  ) {
    console.log(MANUAL)
    return 0
  }
  const command = COMMANDS[name]
  if (!command) {
    console.error(
      `plumb-mark: there is no command "${name}" (there are: ${Object.keys(COMMANDS).join(', ')}); see plumb-mark --help`,
    )
    return 2
  }
  return (await command())(args)
}

// What is written is its owner's alone: records, backups, keys.
process.umask(0o077)
main(process.argv.slice(2)).then(
  (code) => (process.exitCode = code),
  (problem: unknown) => {
    if (problem instanceof BadInput) console.log(JSON.stringify(asErrorShape(problem)))
    else console.error(`plumb-mark: ${problem instanceof Error ? problem.message : String(problem)}`)
    process.exitCode = problem instanceof BadInput ? 2 : 3
  },
)
