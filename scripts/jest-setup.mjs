import { existsSync, mkdtempSync, readdirSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import bundle from '../apps/web/bundled-for-tests.mjs'
import { bundle as bundleApp } from './bundle.mjs'
import { at } from './shared.mjs'

/** Before the tests: one folder for what they share, and what they load as one file. */
export default async function setup() {
  process.env.PLUMB_MARK_TEST_RUN = mkdtempSync(join(tmpdir(), 'plumb-mark-run-'))
  await bundle()
  if (isBehind()) await bundleApp('server')
}

/** The server's long works run in threads of what was bundled: was anything compiled since? */
function isBehind() {
  const made = at('apps', 'server', 'bundle', 'main.js')
  // Where nothing was compiled there is nothing to bundle: only the long works of the server want it.
  if (!existsSync(at('apps', 'server', 'dist'))) return false
  if (!existsSync(made)) return true
  const folders = [at('apps', 'server'), ...readdirSync(at('packages')).map((name) => at('packages', name))]
  const compiled = folders.map((folder) => join(folder, 'dist')).filter((dist) => existsSync(dist))
  const times = compiled.flatMap((dist) =>
    readdirSync(dist, { recursive: true })
      .filter((name) => name.endsWith('.js'))
      .map((name) => statSync(join(dist, name)).mtimeMs),
  )
  return Math.max(...times) > statSync(made).mtimeMs
}
