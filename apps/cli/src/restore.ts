import { restoreBackup } from '@plumb-mark/archive'
import type { Command } from './command.js'
import { placesIn } from './places.js'

/**
 * `restore <backup> --data DIR [--passphrase-file FILE | --without-key]`: verified to the last byte, into a folder that is empty or not
 * there.
 */
export const restore: Command = async (args) => {
  const { subject: from, data, flags, passphrase } = placesIn(args, 'restore')
  const { files, key } = await restoreBackup(from, data, { passphrase, withoutKey: flags.has('without-key') })
  console.log(`${data}: ${files} files put back and verified`)
  if (key === 'left-out')
    console.log(
      'The key of the seals was not in it: put seal-key.pem into the folder before the start, or a new one is made and the office is told.',
    )
  return 0
}
