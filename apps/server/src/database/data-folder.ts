import { accessSync, chmodSync, constants, existsSync, mkdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { RESTORE_UNFINISHED, Sqlite } from '@plumb-mark/archive'
import { CannotStart } from '../settings.js'

/** A folder of data is served by one program at a time; closing gives it back. */
export interface HeldFolder {
  release(): void
}

/**
 * Makes the folder where it is missing and holds it. The hold is a lock of the system on a file of its own: a
 * program that was killed leaves nothing behind that would have to be removed by hand.
 */
export function holdFolder(dataDir: string): HeldFolder {
  try {
    makeFolder(dataDir)
    accessSync(dataDir, constants.W_OK)
    // One of before may have been open to others of the machine.
    chmodSync(dataDir, 0o700)
  } catch (problem) {
    throw new CannotStart(
      `the folder ${dataDir} cannot be written (${(problem as NodeJS.ErrnoException).code ?? 'unknown'}): choose another with --data`,
    )
  }
  if (existsSync(join(dataDir, RESTORE_UNFINISHED)))
    throw new CannotStart(
      `a backup was being put back into ${dataDir} and was cut off: put it back again, which begins anew, or choose another folder with --data`,
    )
  const lock = new Sqlite(join(dataDir, 'in-use.lock'), { timeout: 0 })
  try {
    lock.exec('BEGIN EXCLUSIVE')
  } catch {
    lock.close()
    throw new CannotStart(
      `the folder ${dataDir} is served by another running Plumb Mark: stop that one, or choose another folder with --data`,
    )
  }
  return { release: () => lock.close() }
}

/** Step by step: asked to make a whole path at once, Node tries for ever where the system lets no folder be made. */
function makeFolder(path: string): void {
  if (existsSync(path)) return
  makeFolder(dirname(path))
  mkdirSync(path)
}
