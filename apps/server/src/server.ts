import 'reflect-metadata'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { NestFactory } from '@nestjs/core'
import type { NestExpressApplication } from '@nestjs/platform-express'
import { json, raw, type NextFunction, type Request, type RequestHandler, type Response } from 'express'
import helmet from 'helmet'
import { AccountsService } from './accounts/accounts.service.js'
import { SessionCookie } from './accounts/session-cookie.js'
import { AppModule } from './app.module.js'
import { holdFolder } from './database/data-folder.js'
import { openDatabase } from './database/database.module.js'
import { ENTITIES } from './entities.js'
import { ErrorFilter } from './http/error.filter.js'
import { FrameworkLog } from './http/log.js'
import { answerMalformed } from './http/malformed.js'
import { plainBody } from './http/plain-body.js'
import { nameRequest } from './http/request-id.js'
import { sameOrigin } from './http/same-origin.js'
import { limitTries } from './http/rate-limit.js'
import { CannotStart, type Settings } from './settings.js'

const MEGABYTE = 1024 * 1024
const LARGEST_BODY = 2 * MEGABYTE
/** Of a photo that comes in parts. */
const LARGEST_PART = MEGABYTE
const LARGEST_OF_STRANGER = 16 * 1024

/** Builds the application; `listen` opens the port. Tests build it and listen on a port of their own. */
export async function createServer(settings: Settings): Promise<NestExpressApplication> {
  // What is written from here on is its owner's alone, whatever the machine is set to.
  process.umask(0o077)
  const held = holdFolder(settings.dataDir)
  const db = await openDatabase(settings.dataDir, ENTITIES).catch((problem: unknown) => {
    held.release()
    throw problem
  })
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(settings, db, held), {
    // Ours stand below: nothing but JSON and bytes is read, and of a stranger little.
    bodyParser: false,
    logger: new FrameworkLog(settings.log),
    abortOnError: false,
    ...(settings.tls && { httpsOptions: settings.tls }),
  })
  app.set('trust proxy', settings.trustedProxies)
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          // Compiled code of our own origin: what reads many labels out of one photo.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: settings.secureCookie,
    }),
  )
  app.use(nameRequest)
  app.use(sameOrigin)
  for (const door of ['/api/welcome', '/api/first-account']) app.use(door, limitTries())
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.setHeader('Cache-Control', 'no-store')
    next()
  })
  app.use(readBody(app))
  app.use(plainBody)
  app.useGlobalFilters(new ErrorFilter(settings.log))
  answerMalformed(app.getHttpServer())
  if (settings.webDir) serveWeb(app, settings.webDir)
  return app
}

/** A body is read as far as its sender may send one: of somebody without a session no more than it takes to sign in. */
function readBody(app: NestExpressApplication): RequestHandler {
  const [accounts, cookie] = [app.get(AccountsService), app.get(SessionCookie)]
  const known = [json({ limit: LARGEST_BODY }), raw({ limit: LARGEST_PART })]
  const stranger = [json({ limit: LARGEST_OF_STRANGER }), raw({ limit: LARGEST_OF_STRANGER })]
  return (request, response, next) => {
    const length = Number(request.headers['content-length'] ?? Infinity)
    const small = SAFE.has(request.method) || length <= LARGEST_OF_STRANGER
    const person = small ? Promise.resolve(undefined) : accounts.personOf(cookie.tokenOf(request))
    person
      .then((who) => {
        const [asJson, asBytes] = who ? known : stranger
        asJson!(request, response, (problem) => (problem ? next(problem) : asBytes!(request, response, next)))
      })
      .catch(next)
  }
}
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS'])

/** The built web application; any address that is neither a file nor the API is the application's own. */
function serveWeb(app: NestExpressApplication, webDir: string): void {
  const page = join(webDir, 'index.html')
  if (!existsSync(page))
    throw new CannotStart(
      `the web application is not built (${page} is missing): run npm start, or npm run build`,
    )
  app.useStaticAssets(join(webDir, 'assets'), { prefix: '/assets/', immutable: true, maxAge: '365d' })
  app.useStaticAssets(webDir, { index: false, maxAge: 0 })
  app.use((request: Request, response: Response, next: NextFunction) => {
    const own = ['/api/', '/assets/', '/health']
    if (request.method !== 'GET' || own.some((path) => request.path.startsWith(path))) return next()
    response.setHeader('Cache-Control', 'no-cache')
    response.sendFile('index.html', { root: webDir })
  })
}

export async function listen(app: NestExpressApplication, { port, host, log }: Settings): Promise<string> {
  // What goes wrong here is told in one sentence below; the framework would print its own stack first.
  app.useLogger(false)
  try {
    await app.listen(port, host)
    app.useLogger(new FrameworkLog(log))
  } catch (problem) {
    await app.close()
    const { code } = problem as NodeJS.ErrnoException
    if (code === 'EADDRINUSE')
      throw new CannotStart(`port ${port} on ${host} is in use: choose another with --port`)
    if (code === 'EACCES' || code === 'EADDRNOTAVAIL')
      throw new CannotStart(
        `cannot listen on ${host} port ${port} (${code}): choose others with --host and --port`,
      )
    throw problem
  }
  return (await app.getUrl()).replace('[::1]', 'localhost').replace('0.0.0.0', '127.0.0.1')
}
