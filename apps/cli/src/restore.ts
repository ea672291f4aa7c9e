import { restoreBackup } from '@plumb-mark/archive'
import type { Command } from './command.js'
import { placesIn } from './places.js'

/** `restore <backup> --data DIR`: verified to the last byte, into a folder that is empty or not there. */
export const restore: Command = async (args) => {
  const { subject: from, data } = placesIn(args, 'restore')
  console.log(`${data}: ${await restoreBackup(from, data)} files put back and verified`)
  return 0
}
