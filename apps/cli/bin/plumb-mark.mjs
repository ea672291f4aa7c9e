#!/usr/bin/env node
import { existsSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

const main = new URL('../bundle/main.js', import.meta.url)

// A fresh checkout has no build yet: make the little that the command line needs, once. Its messages go to standard error.
if (!existsSync(main)) {
  const root = fileURLToPath(new URL('../../../', import.meta.url))
  const tsc = fileURLToPath(new URL('../../../node_modules/typescript/bin/tsc', import.meta.url))
  const bundle = fileURLToPath(new URL('../../../scripts/bundle.mjs', import.meta.url))
  const done = [
    [tsc, '-b', 'apps/cli'],
    [bundle, 'cli'],
  ].every(
    (command) => spawnSync(process.execPath, command, { cwd: root, stdio: ['ignore', 2, 2] }).status === 0,
  )
  if (!done) {
    console.error('plumb-mark: could not be built; run `npm install` in the project folder first')
    process.exit(3)
  }
}
await import(main)
