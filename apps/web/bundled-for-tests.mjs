// What every test file would load one by one, some thousand files, is made one file, once: the libraries of the interface, and the core.
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'vite'

const ROOT = join(import.meta.dirname, '..', '..')
const PACKAGES = join(ROOT, 'node_modules')
const CACHE = join(PACKAGES, '.cache', 'plumb-mark')
/** There must be one of each, whoever asks. */
const SHARED = /^(react|react-dom)(\/.+)?$/

const LIBRARIES = ['@chakra-ui/react', '@chakra-ui/react/theme', 'lucide-react']
const versionOf = (name) => {
  const folder = name.split('/').slice(0, name.startsWith('@') ? 2 : 1)
  return JSON.parse(readFileSync(join(PACKAGES, ...folder, 'package.json'), 'utf8')).version
}
const fileOf = (name) => join(CACHE, `${name.replaceAll('/', '-')}-${versionOf(name)}.mjs`)

/** Ours without decorators, for the tests of others: its own tests read the sources. */
const OURS = ['core']
const OWN = join(CACHE, 'own')

/** For Jest's `moduleNameMapper`. */
export const BUNDLED = {
  ...Object.fromEntries(LIBRARIES.map((name) => [`^${name}$`, fileOf(name)])),
  ...Object.fromEntries(OURS.map((name) => [`^@plumb-mark/${name}$`, join(OWN, `${name}.mjs`)])),
}

/** Before the tests: makes what is not there yet, or not of today's sources. */
export default async function bundle() {
  mkdirSync(OWN, { recursive: true })
  for (const name of LIBRARIES.filter((one) => !existsSync(fileOf(one)))) {
    const entry = fileOf(name).replace(/mjs$/, 'entry.js')
    writeFileSync(entry, `export * from '${name}'\n`)
    await bundleOf(entry, fileOf(name))
  }
  for (const name of OURS) {
    const source = join(ROOT, 'packages', name, 'src')
    const made = join(OWN, `${name}.mjs`)
    if (existsSync(made) && statSync(made).mtimeMs > newestIn(source)) continue
    await bundleOf(join(source, 'index.ts'), made)
  }
}

function newestIn(folder) {
  const times = readdirSync(folder, { recursive: true }).map((name) => statSync(join(folder, name)).mtimeMs)
  return Math.max(statSync(folder).mtimeMs, ...times)
}

/** Put in its place whole: another run may be reading the one of before. */
async function bundleOf(entry, file) {
  const outDir = `${file}.${process.pid}`
  await build({
    configFile: false,
    logLevel: 'error',
    build: {
      lib: { entry, formats: ['es'], fileName: () => 'made.mjs' },
      outDir,
      minify: false,
      target: 'es2022',
      rollupOptions: { external: SHARED },
    },
  })
  writeFileSync(file, readFileSync(join(outDir, 'made.mjs')))
  rmSync(outDir, { recursive: true })
}
