// What is started often is made one file: Node reads some thousand small ones for two seconds.
import { readdirSync, rmSync } from 'node:fs'
import { createRequire } from 'node:module'
import { basename, join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { rolldown } from 'rolldown'
import { at } from './shared.mjs'

/** Those that bring a binary, files of their own, or threads that load them by name. */
const APART =
  /^(@photostructure\/sqlite|sharp|@node-rs\/argon2|piscina|pdfmake|pdfjs-dist|tesseract\.js|@napi-rs\/canvas|@expo-google-fonts)(\/|$)/

/** Puts the compiled program and its workers beside one another in `bundle/`, from where they find the rest as from `dist/`. */
export async function bundle(app) {
  const [dist, sources] = [at('apps', app, 'dist'), at('apps', app, 'src')]
  const dir = at('apps', app, 'bundle')
  const files = [
    'main.js',
    // By the sources: what was compiled before a move lies on in `dist/`.
    ...readdirSync(sources, { recursive: true })
      .filter((name) => name.endsWith('.worker.ts'))
      .map((name) => name.replace(/ts$/, 'js')),
  ]
  rmSync(dir, { recursive: true, force: true })
  const whole = await rolldown({
    input: Object.fromEntries(files.map((file) => [basename(file, '.js'), join(dist, file)])),
    platform: 'node',
    external: (id, from) => !isOurs(id) && (APART.test(id) || !isThere(id, from)),
    logLevel: 'silent',
  })
  // Only where a line came from: with the sources themselves in it, Node reads the map for a third of a second at each start.
  const maps = { sourcemap: true, sourcemapExcludeSources: true }
  await whole.write({ dir, format: 'esm', entryFileNames: '[name].js', ...maps })
}

const isOurs = (id) => /^[./]/.test(id) || id.startsWith('@plumb-mark/')

/** A framework asks for much that may be wanting: what is not installed is left to it. What Node brings is never there. */
function isThere(id, from) {
  if (id.startsWith('node:') || from === undefined) return false
  try {
    const path = createRequire(from).resolve(id)
    return path !== id
  } catch {
    return false
  }
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href)
  for (const app of process.argv.slice(2)) await bundle(app)
