import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { setPriority } from 'node:os'
import { join, relative } from 'node:path'

export const ROOT = join(import.meta.dirname, '..')
/** Open jobs are bounded; without a limit the collector waits until some gigabytes are used, since there would be room for them. */
export const SERVER_HEAP = '--max-old-space-size=450'
export const at = (...parts) => join(ROOT, ...parts)
/** The browser without a window takes half the processor. */
export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell'

/** Runs a program in the project folder; with `quiet`, its words are shown only when it fails. Stops everything when it fails. */
export function run(command, args, { quiet = false, env = {} } = {}) {
  const done = spawnSync(command, args, {
    cwd: ROOT,
    stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    env: { ...process.env, ...env },
    maxBuffer: 1 << 28,
  })
  if (done.status === 0) return
  if (quiet) process.stderr.write(`${done.stdout ?? ''}${done.stderr ?? ''}`)
  console.error(`${command} ${args.join(' ')} failed${done.error ? `: ${done.error.message}` : ''}`)
  process.exit(done.status ?? 1)
}

/** Installs what is missing and builds what is old. */
export function prepare({ force = false } = {}) {
  installPackages()
  build({ force })
}

/** A program that runs beside this one, with what it printed once it has ended; the higher `nice`, the more it lets others go first. */
export function beside(command, args, { nice = 0 } = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] })
  if (nice > 0 && child.pid !== undefined) setPriority(child.pid, nice)
  let words = ''
  for (const stream of [child.stdout, child.stderr])
    stream.setEncoding('utf8').on('data', (text) => (words += text))
  return new Promise((resolve) => child.on('exit', (status) => resolve({ status, words })))
}

/** The packages, when they are missing or the lock file has changed since. None of them runs or compiles anything while it is installed. */
export function installPackages() {
  if (packagesInstalled()) return
  console.log('Installing packages …')
  run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'])
}

function packagesInstalled() {
  const [lock, packages] = [at('package-lock.json'), at('node_modules', '.package-lock.json')]
  return existsSync(packages) && statSync(packages).mtimeMs >= statSync(lock).mtimeMs
}

const SOURCES = ['packages', 'apps', 'scripts/bundle.mjs', 'tsconfig.base.json', 'package-lock.json']
const STAMP = at('.build-stamp')

/** Is everything that runs of the sources of now? What the build makes is none of them. */
export function isBuilt() {
  const programs = [
    ['server', 'bundle', 'main.js'],
    ['cli', 'bundle', 'main.js'],
    ['devices', 'dist', 'main.js'],
    ['web', 'dist', 'index.html'],
  ]
  return (
    programs.every((program) => existsSync(at('apps', ...program))) &&
    existsSync(STAMP) &&
    readFileSync(STAMP, 'utf8') === fingerprint()
  )
}

/** Builds everything that runs, when a source is newer than the last build. */
export function build({ force = false } = {}) {
  if (!force && isBuilt()) return
  const fresh = fingerprint()
  // What is printed may be read by a program: progress goes beside it.
  console.error('Building …')
  run(process.execPath, [at('node_modules', 'typescript', 'bin', 'tsc'), '-b'], { quiet: true })
  run(process.execPath, [at('scripts', 'bundle.mjs'), 'server', 'cli'], { quiet: true })
  run(
    process.execPath,
    [at('node_modules', 'vite', 'bin', 'vite.js'), 'build', 'apps/web', '--logLevel', 'error'],
    { quiet: true },
  )
  writeFileSync(STAMP, fresh)
}

/** Names, sizes and times of all sources: cheap to take, and different after any edit. */
function fingerprint() {
  const hash = createHash('sha256')
  const visit = (path) => {
    const stats = statSync(path)
    if (stats.isDirectory()) {
      for (const name of readdirSync(path).sort())
        if (!['node_modules', 'dist', 'bundle'].includes(name)) visit(join(path, name))
    } else hash.update(`${relative(ROOT, path)} ${stats.size} ${Math.round(stats.mtimeMs)}\n`)
  }
  for (const source of SOURCES) visit(at(source))
  return hash.digest('hex')
}
