import type { Log } from './http/log.js'

/** What the server is started with. */
export interface Settings {
  host: string
  port: number
  /** Folder of the database and the photos. */
  dataDir: string
  /** Folder of the sheets and manuals that come with the program. */
  samplesDir: string
  /** Where backups go; beside the data where nobody said otherwise. */
  backupDir?: string | undefined
  /** Under which the key of the seals lies in backups; left out of them where nobody says one. */
  backupPassphrase?: string | undefined
  /** Folder of the built web application; absent in API tests. */
  webDir?: string | undefined
  /** Certificate and key, PEM, where the server speaks TLS itself. */
  tls?: { cert: Buffer; key: Buffer } | undefined
  /** True behind TLS: the session cookie is then marked secure. */
  secureCookie: boolean
  /** True where the simulated devices run on this machine, for looking round. */
  simulatedDevices: boolean
  /** What the first account of an empty installation asks for; made up at the start where nobody says it. */
  firstWord?: string | undefined
  /** How many proxies of our own stand before the server: that many are believed about where a request comes from. */
  trustedProxies: number
  /** Where everything that matters is written down, one line a happening. */
  log: Log
}

export const SETTINGS = Symbol('settings')

/** A failure that the person who started the program can mend; shown as one sentence, without a stack. */
export class CannotStart extends Error {}
