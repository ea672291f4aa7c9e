import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { DataSource } from 'typeorm'
import { holdFolder } from './database/data-folder.js'
import { DATABASE_FILE } from './database/database.module.js'
import { demoServicesOf } from './demo/demo-services.js'
import { DEMO_PASSWORD, DEMO_PEOPLE, loadDemo } from './demo/load-demo.js'
import { PersonRow } from './accounts/account.entities.js'
import { CannotStart, type Settings } from './settings.js'
import { createLog } from './http/log.js'
import { createServer, listen } from './server.js'
import { stopOnSignal } from './stop.js'

const ROOT = join(import.meta.dirname, '..', '..', '..')

interface Wishes {
  settings: Settings
  fresh: boolean
  empty: boolean
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
        'secure-cookie': { type: 'boolean', default: false },
      },
    })
    const port = Number(values.port)
    if (!Number.isInteger(port) || port < 0 || port > 65535)
      throw new CannotStart(`--port must be a number from 0 to 65535, not “${values.port}”`)
    const settings = {
      log: createLog(),
      port,
      host: values.host,
      dataDir: values.data,
      webDir: join(ROOT, 'apps', 'web', 'dist'),
      secureCookie: values['secure-cookie'],
    }
    return { settings, fresh: values.fresh, empty: values.empty }
  } catch (problem) {
    throw problem instanceof CannotStart
      ? problem
      : new CannotStart(
          `${(problem as Error).message} (there are: --port N, --host ADDRESS, --data DIR, --fresh, --empty, --secure-cookie)`,
        )
  }
}

async function main(): Promise<void> {
  const { settings, fresh, empty } = wishes()
  if (fresh) holdFolder(settings.dataDir).release()
  if (fresh)
    for (const name of [DATABASE_FILE, `${DATABASE_FILE}-wal`, `${DATABASE_FILE}-shm`, 'photos', 'traces'])
      rmSync(join(settings.dataDir, name), { recursive: true, force: true })
  const app = await createServer(settings)
  const untouched = (await app.get(DataSource).getRepository(PersonRow).count()) === 0
  if (untouched) {
    await loadDemo(join(ROOT, 'samples'), demoServicesOf(app), { jobs: !empty })
  }
  stopOnSignal(app, settings.log)
  const address = await listen(app, settings)
  settings.log.info({ address, dataDir: settings.dataDir }, 'started')
  const people = DEMO_PEOPLE.map(({ email, role }) => `${email} (${role})`).join(', ')
  // In one piece: whoever waits for the address reads the accounts with it, and no log line comes between.
  console.log(`Plumb Mark is at ${address}\nDemo accounts (password ${DEMO_PASSWORD}): ${people}`)
}

main().catch((problem: unknown) => {
  console.error(problem instanceof CannotStart ? `Plumb Mark cannot start: ${problem.message}` : problem)
  process.exit(1)
})
