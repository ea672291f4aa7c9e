// npm run hostile: the tests alone that attack from outside, in under two minutes on two cores.
import { spawnSync } from 'node:child_process'
import { ROOT, at } from './shared.mjs'

/** By the names of their files. */
export const HOSTILE = /(hostile-[a-z]+|writer|sessions|photos|worked-apart|outbox)\.spec\.ts$/

if (process.argv[1] === import.meta.filename) {
  const jest = [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    at('node_modules/jest/bin/jest.js'),
  ]
  const { status } = spawnSync(process.execPath, [...jest, '--testPathPatterns', HOSTILE.source], {
    cwd: ROOT,
    stdio: 'inherit',
  })
  process.exit(status ?? 1)
}
