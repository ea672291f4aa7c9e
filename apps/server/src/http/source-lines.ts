import { existsSync, readFileSync } from 'node:fs'
import { SourceMap } from 'node:module'
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const PLACE = /((?:file:\/\/)?\/[^\s():]+\.js):(\d+):(\d+)/g
const MAPS = new Map<string, SourceMap | undefined>()

/**
 * The stack of a fault with the lines of the sources in place of those of the bundle, where the map beside it knows them. The maps are read
 * when the first fault is logged: Node itself would read them at each start.
 */
export function inSources(stack: string): string {
  return stack.replace(PLACE, (place: string, url: string, line: string, column: string) => {
    const file = url.startsWith('file:') ? fileURLToPath(url) : url
    const found = mapOf(file)?.findEntry(Number(line) - 1, Number(column) - 1)
    if (!found || !('originalSource' in found)) return place
    const source = resolve(dirname(file), found.originalSource)
    return `${source}:${found.originalLine + 1}:${found.originalColumn + 1}`
  })
}

function mapOf(file: string): SourceMap | undefined {
  if (!MAPS.has(file)) MAPS.set(file, readMap(`${file}.map`))
  return MAPS.get(file)
}

/** A map that cannot be read keeps no fault from being logged. */
function readMap(path: string): SourceMap | undefined {
  try {
    return existsSync(path) ? new SourceMap(JSON.parse(readFileSync(path, 'utf8'))) : undefined
  } catch {
    return undefined
  }
}
