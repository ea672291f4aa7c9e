import { asErrorShape, BadInput } from '@plumb-mark/core'
import type { Command, ExitCode } from './command.js'
import { backup } from './backup.js'
import { check } from './check.js'
import { compute } from './compute.js'
import { exportJob } from './export.js'
import { importJob } from './import.js'
import { MANUAL } from './manual.js'
import { practice } from './practice.js'
import { rebuild } from './rebuild.js'
import { restore } from './restore.js'
import { verify } from './verify.js'

const COMMANDS: Record<string, Command> = {
  compute,
  check,
  verify,
  export: exportJob,
  import: importJob,
  backup,
  restore,
  rebuild,
  practice,
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
  return command(args)
}

main(process.argv.slice(2)).then(
  (code) => (process.exitCode = code),
  (problem: unknown) => {
    if (problem instanceof BadInput) console.log(JSON.stringify(asErrorShape(problem)))
    else console.error(`plumb-mark: ${problem instanceof Error ? problem.message : String(problem)}`)
    process.exitCode = problem instanceof BadInput ? 2 : 3
  },
)
