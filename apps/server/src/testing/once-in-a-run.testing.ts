import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as later } from 'node:timers/promises'

/** Where the files of this run of the tests share what is made once; Jest's `globalSetup` names it and its `globalTeardown` removes it. */
const RUN = process.env['PLUMB_MARK_TEST_RUN']!
const EVERY_MS = 50

/** A folder that whoever comes first fills, in whichever process; the others wait until it is whole. */
export async function onceInARun(name: string, fill: (folder: string) => Promise<void>): Promise<string> {
  const [folder, part, claim] = [join(RUN, name), join(RUN, `${name}.part`), join(RUN, `${name}.claimed`)]
  for (;;) {
    if (existsSync(folder)) return folder
    if (claimed(claim)) break
    await later(EVERY_MS)
  }
  try {
    mkdirSync(part)
    await fill(part)
    renameSync(part, folder)
    return folder
  } catch (problem) {
    // Another may have better luck, and this one says what was wrong.
    rmSync(part, { recursive: true, force: true })
    rmSync(claim, { recursive: true })
    throw problem
  }
}

/** Of two that come at once the system lets one make the folder. */
function claimed(claim: string): boolean {
  try {
    mkdirSync(claim)
    return true
  } catch {
    return false
  }
}
