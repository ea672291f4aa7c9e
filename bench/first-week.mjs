import { spawnSync } from 'node:child_process'
import { readFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { at } from '../scripts/shared.mjs'
import { table } from './reference.mjs'

/** What the first week of a firm costs its people in touches and keys, counted in the walk that tells it. */
export async function run() {
  const results = mkdtempSync(join(tmpdir(), 'plumb-mark-first-week-'))
  const file = join(results, 'walk.json')
  const began = Date.now()
  const { status } = spawnSync(
    process.execPath,
    [
      at('node_modules/@playwright/test/cli.js'),
      'test',
      '-c',
      at('e2e/playwright.config.ts'),
      'first-week',
      '--reporter=json',
    ],
    {
      cwd: at(),
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_FILE: file },
    },
  )
  const text = readFileSync(file, 'utf8')
  rmSync(results, { recursive: true, force: true })
  const [attached] = JSON.parse(text)
    .suites.flatMap(({ specs }) => specs)
    .flatMap(({ tests }) => tests)
    .flatMap(({ results: all }) => all.at(-1).attachments)
    .filter(({ name }) => name === 'effort')
  if (status !== 0 || !attached) throw new Error('the walk of the first week did not come to its end')
  const { taps, keys } = JSON.parse(Buffer.from(attached.body, 'base64').toString('utf8'))
  table([
    ['first week of a firm, touches', String(taps), 'under 150'],
    ['first week of a firm, keys', String(keys), 'under 500'],
    ['the same as a walk in the browser', `${Math.round((Date.now() - began) / 1000)} s`, 'under 4 min'],
  ])
}
