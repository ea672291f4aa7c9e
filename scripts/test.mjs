// npm test: installs what is missing, then everything that checks; one closing line with the counts.
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { HOSTILE } from './hostile.mjs'
import { CHROMIUM, ROOT, at, beside, build, installPackages, isBuilt, run } from './shared.mjs'

const results = mkdtempSync(join(tmpdir(), 'plumb-mark-results-'))
const node = (...parts) => [process.execPath, [at(...parts.slice(0, 1)), ...parts.slice(1)]]

let passed = 0
let failed = 0

/** One check that passes or fails as a whole; its words are printed when it has ended, so that two can run beside each other. */
async function whole(name, command, args) {
  const began = Date.now()
  const { status, words } = await beside(command, args, { nice: 10 })
  process.stdout.write(words)
  single(`${name} (${Math.round((Date.now() - began) / 1000)} s)`, status === 0)
}

/** One rule that holds or does not. */
function single(name, holds) {
  console.log(`${holds ? 'passed' : 'FAILED'}: ${name}`)
  if (holds) passed++
  else failed++
}

/** A test runner that leaves its counts in a file; a runner that leaves none has failed as a whole. */
async function suite(name, command, args, file, env, count) {
  const began = Date.now()
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } })
  const [status] = await once(child, 'exit')
  const counts = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 0 }
  if (status !== 0 && counts.failed === 0) counts.failed = 1
  if (counts.passed + counts.failed === 0) counts.failed = 1
  console.log(
    `${counts.failed === 0 ? 'passed' : 'FAILED'}: ${name}, ${counts.passed} passed, ${counts.failed} failed (${Math.round((Date.now() - began) / 1000)} s)`,
  )
  passed += counts.passed
  failed += counts.failed
}

function chromium() {
  if (existsSync(CHROMIUM)) return
  console.log('Installing Chromium from Debian’s packages …')
  const root = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = (...args) =>
    run(root[0] ?? 'apt-get', [...root.slice(1), ...(root.length > 0 ? ['apt-get'] : []), ...args], {
      quiet: true,
      env: { DEBIAN_FRONTEND: 'noninteractive' },
    })
  apt('update')
  apt('install', '-y', '--no-install-recommends', 'chromium-headless-shell')
}

installPackages()
build()
single('what was built is not built again at the next start', isBuilt())
chromium()

const typed = (name, ...project) => whole(name, ...node('node_modules/typescript/bin/tsc', ...project))

/** What reads the sources, in two lanes of about the same length. Every kind of fault is planted at least once; the whole campaign is run by hand. */
const LANES = [
  async () => {
    await typed('types', '-b')
    await typed('types of web, tests and walks', '-p', 'tsconfig.check.json', '--noEmit')
    await whole(
      'short campaign of planted faults',
      ...node('campaign/run.mjs', '--runs', '240', '--seed', '7'),
    )
  },
  async () => {
    await whole('lint', ...node('node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0'))
    await whole('what a browser loads first', ...node('scripts/light.mjs'))
    await whole(
      'format',
      ...node('node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.'),
    )
  },
]

/** What attacks from outside: files, forms, devices, streams, accounts, photos, two writers at once. */
function hostile({ testResults }) {
  const files = testResults.filter(({ name }) => HOSTILE.test(name))
  const ok = files
    .flatMap(({ assertionResults }) => assertionResults)
    .filter(({ status }) => status === 'passed')
  const seconds = files.reduce((sum, { startTime, endTime }) => sum + (endTime - startTime) / 1000, 0)
  console.log(
    `of these hostile: ${ok.length} passed in ${files.length} files (${Math.round(seconds)} s of their own)`,
  )
}

// A browser waits for a good part of its time: what reads the sources fills it, and never comes first.
const e2eFile = join(results, 'e2e.json')
const walks = suite(
  'browser tests',
  process.execPath,
  [at('node_modules/@playwright/test/cli.js'), 'test', '-c', 'e2e/playwright.config.ts'],
  e2eFile,
  { PLAYWRIGHT_JSON_OUTPUT_NAME: e2eFile, CHROMIUM },
  ({ stats }) => ({
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected,
  }),
)

await Promise.all([walks, ...LANES.map((lane) => lane())])

const jestFile = join(results, 'jest.json')
await suite(
  'unit and API tests',
  process.execPath,
  [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    at('node_modules/jest/bin/jest.js'),
    '--json',
    '--outputFile',
    jestFile,
    '--silent',
  ],
  jestFile,
  {},
  (report) => {
    hostile(report)
    return {
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
    }
  },
)

rmSync(results, { recursive: true, force: true })
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
