import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const PACKAGE = join(import.meta.dirname, '..', 'package.json')

/** As the package says it. */
export const VERSION = (JSON.parse(readFileSync(PACKAGE, 'utf8')) as { version: string }).version
