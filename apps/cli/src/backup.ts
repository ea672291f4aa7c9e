import { openData, takeBackup } from '@plumb-mark/archive'
import type { Command } from './command.js'
import { placesIn } from './places.js'

/**
 * `backup <folder> [--with-key --passphrase-file FILE] [--data DIR]`: a copy of everything, taken while people work, with the digest of
 * every file. The key of the seals is left out, or lies in it under a passphrase.
 */
export const backup: Command = async (args) => {
  const { subject: target, data, flags, passphrase } = placesIn(args, 'backup')
  if (flags.has('with-key') !== (passphrase !== undefined))
    throw new Error(
      '--with-key and --passphrase-file FILE are given together: the key leaves only under a passphrase',
    )
  const { folder, files, at } = await takeBackup(data, target, { passphrase })
  const db = openData(data, { readonly: false })
  // A database of before the audit list was made is copied all the same.
  await db
    .sql(
      `INSERT INTO audit (at, action, person, subject, detail, address) VALUES (?, 'backed up', '', ?, ?, 'command line')`,
      [at, folder, `${files} files${passphrase === undefined ? '' : ', with the key under a passphrase'}`],
    )
    .catch(() => undefined)
  db.close()
  console.log(
    `${folder}: ${files} files, ${passphrase === undefined ? 'without' : 'with'} the key of the seals`,
  )
  return 0
}
