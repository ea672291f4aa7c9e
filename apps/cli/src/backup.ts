import { openData, takeBackup } from '@plumb-mark/archive'
import type { Command } from './command.js'
import { placesIn } from './places.js'

/** `backup <folder> [--data DIR]`: a copy of everything, taken while people work, with the digest of every file. */
export const backup: Command = async (args) => {
  const { subject: target, data } = placesIn(args, 'backup')
  const { folder, files, at } = await takeBackup(data, target)
  const db = openData(data, { readonly: false })
  // A database of before the audit list was made is copied all the same.
  await db
    .sql(
      `INSERT INTO audit (at, action, person, subject, detail, address) VALUES (?, 'backed up', '', ?, ?, 'command line')`,
      [at, folder, `${files} files`],
    )
    .catch(() => undefined)
  db.close()
  console.log(`${folder}: ${files} files`)
  return 0
}
