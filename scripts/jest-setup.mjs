import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import bundle from '../apps/web/bundled-for-tests.mjs'

/** Before the tests: one folder for what they share, and what they load as one file. */
export default async function setup() {
  process.env.PLUMB_MARK_TEST_RUN = mkdtempSync(join(tmpdir(), 'plumb-mark-run-'))
  await bundle()
}
