import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createSecureContext } from 'node:tls'
import { parseArgs } from 'node:util'
import type { NestExpressApplication } from '@nestjs/platform-express'
import { holdFolder } from './database/data-folder.js'
import { DATABASE_FILE } from '@plumb-mark/archive'
import { demoServicesOf } from './demo/demo-services.js'
import { DEMO_PASSWORD, DEMO_PEOPLE, loadDemo } from './demo/load-demo.js'
import { FirstWord } from './accounts/first-word.js'
import { PeopleService } from './accounts/people.service.js'
import { CannotStart, type Settings } from './settings.js'
import { createLog } from './http/log.js'
import { createServer, listen } from './server.js'
import { stopOnSignal } from './stop.js'

const ROOT = join(import.meta.dirname, '..', '..', '..')

/** Stands in the folder of the data while the demo is being loaded. */
const UNFINISHED = 'demo-unfinished'
const LOOPBACK = ['127.0.0.1', 'localhost', '::1']

interface Wishes {
  settings: Settings
  fresh: boolean
  /** Fills an untouched folder with invented jobs, people and sheets. */
  demo: boolean
}

function wishes(): Wishes {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string', default: process.env['PORT'] ?? '4180' },
        host: { type: 'string', default: '127.0.0.1' },
        data: { type: 'string', default: join(ROOT, 'data') },
        fresh: { type: 'boolean', default: false },
        empty: { type: 'boolean', default: false },
        demo: { type: 'boolean', default: false },
        'secure-cookie': { type: 'boolean', default: false },
        'trust-proxy': { type: 'string', default: '0' },
        backups: { type: 'string' },
        'backup-passphrase-file': { type: 'string' },
        'first-word': { type: 'string' },
        'simulated-devices': { type: 'boolean', default: false },
        'tls-cert': { type: 'string' },
        'tls-key': { type: 'string' },
      },
    })
    const tls = tlsFrom(values['tls-cert'], values['tls-key'])
    const port = Number(values.port)
    if (!Number.isInteger(port) || port < 0 || port > 65535)
      throw new CannotStart(`--port must be a number from 0 to 65535, not “${values.port}”`)
    const trustedProxies = Number(values['trust-proxy'])
    if (!Number.isInteger(trustedProxies) || trustedProxies < 0 || trustedProxies > 10)
      throw new CannotStart(
        `--trust-proxy takes how many proxies stand before it, 0 to 10, not “${values['trust-proxy']}”`,
      )
    const settings = {
      log: createLog(),
      port,
      host: values.host,
      dataDir: values.data,
      samplesDir: join(ROOT, 'samples'),
      webDir: join(ROOT, 'apps', 'web', 'dist'),
      secureCookie: values['secure-cookie'] || tls !== undefined,
      firstWord: values['first-word'],
      simulatedDevices: values['simulated-devices'],
      trustedProxies,
      tls,
      backupDir: values.backups,
      backupPassphrase: passphraseFrom(values['backup-passphrase-file']),
    }
    // Published passwords never come onto a network by themselves.
    const demo = !values.empty && (values.demo || LOOPBACK.includes(values.host))
    return { settings, fresh: values.fresh, demo }
  } catch (problem) {
    throw problem instanceof CannotStart
      ? problem
      : new CannotStart(
          `${(problem as Error).message} (there are: --port N, --host ADDRESS, --data DIR, --fresh, --empty, --demo, --secure-cookie, --trust-proxy N, --first-word WORD, --backups DIR, --backup-passphrase-file FILE, --tls-cert FILE, --tls-key FILE)`,
        )
  }
}

const SHORTEST_PASSPHRASE = 12

/** From a file, since others of the machine can read the words of a command. */
function passphraseFrom(file: string | undefined): string | undefined {
  if (file === undefined) return undefined
  const passphrase = readFileSync(file, 'utf8').split(/\r?\n/)[0]!
  if (passphrase.length < SHORTEST_PASSPHRASE)
    throw new CannotStart(`the passphrase in ${file} must have ${SHORTEST_PASSPHRASE} characters or more`)
  return passphrase
}

/** Both files or neither; that they belong together is found out before anything is started. */
function tlsFrom(cert: string | undefined, key: string | undefined): Settings['tls'] {
  if (cert === undefined && key === undefined) return undefined
  if (cert === undefined || key === undefined)
    throw new CannotStart('--tls-cert and --tls-key are given together: the certificate and its key, PEM')
  try {
    const tls = { cert: readFileSync(cert), key: readFileSync(key) }
    createSecureContext(tls)
    return tls
  } catch (problem) {
    throw new CannotStart(`${cert} and ${key} are no certificate and its key: ${(problem as Error).message}`)
  }
}

async function main(): Promise<void> {
  const { settings, fresh, demo } = wishes()
  const unfinished = join(settings.dataDir, UNFINISHED)
  // A first start that was ended in the middle leaves half of the demo, and nothing of anybody's: it begins again.
  if (fresh || existsSync(unfinished)) clear(settings.dataDir)
  const app = await createServer(settings)
  const untouched = await app.get(PeopleService).isEmpty()
  if (untouched && demo) {
    writeFileSync(unfinished, '')
    await loadDemo(join(ROOT, 'samples'), demoServicesOf(app), { jobs: true })
    rmSync(unfinished)
  }
  stopOnSignal(app, settings.log)
  const address = await listen(app, settings)
  settings.log.info({ address, dataDir: settings.dataDir }, 'started')
  // In one piece: whoever waits for the address reads the rest with it, and no log line comes between.
  console.log(`Plumb Mark is at ${address}\n${await whoMayComeIn(app, address)}`)
}

/** The accounts that are published, where the demo is there; else how the first one is made. */
async function whoMayComeIn(app: NestExpressApplication, address: string): Promise<string> {
  const people = await app.get(PeopleService).list()
  if (people.length === 0)
    return `Nobody has an account yet: open ${address}/#word=${app.get(FirstWord).word} to make the first one, of the office. It asks for the word ${app.get(FirstWord).word}.`
  const demo = DEMO_PEOPLE.filter(({ email }) => people.some((person) => person.email === email))
  if (demo.length === 0) return `${people.length} people have an account.`
  return `Demo accounts (password ${DEMO_PASSWORD}): ${demo.map(({ email, role }) => `${email} (${role})`).join(', ')}`
}

function clear(dataDir: string): void {
  holdFolder(dataDir).release()
  for (const name of [
    DATABASE_FILE,
    `${DATABASE_FILE}-wal`,
    `${DATABASE_FILE}-shm`,
    'photos',
    'traces',
    'records',
    'incoming',
    UNFINISHED,
  ])
    rmSync(join(dataDir, name), { recursive: true, force: true })
}

main().catch((problem: unknown) => {
  console.error(problem instanceof CannotStart ? `Plumb Mark cannot start: ${problem.message}` : problem)
  process.exit(1)
})
