// The libraries of the interface are some thousand files, which every test file would load one by one: each is made one file, once.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { build } from 'vite'

const LIBRARIES = ['@chakra-ui/react', 'lucide-react']
/** There must be one of each, whoever asks. */
const SHARED = /^(react|react-dom)(\/.+)?$/
const PACKAGES = join(import.meta.dirname, '..', '..', 'node_modules')

const versionOf = (name) => JSON.parse(readFileSync(join(PACKAGES, name, 'package.json'), 'utf8')).version
const fileOf = (name) =>
  join(PACKAGES, '.cache', 'plumb-mark', `${name.replace('/', '-')}-${versionOf(name)}.mjs`)

/** For Jest's `moduleNameMapper`. */
export const BUNDLED = Object.fromEntries(LIBRARIES.map((name) => [`^${name}$`, fileOf(name)]))

/** Jest's `globalSetup`: makes what is not there yet. */
export default async function bundle() {
  for (const name of LIBRARIES.filter((one) => !existsSync(fileOf(one)))) await bundleOf(name, fileOf(name))
}

async function bundleOf(name, file) {
  const entry = file.replace(/mjs$/, 'entry.js')
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(entry, `export * from '${name}'\n`)
  await build({
    configFile: false,
    logLevel: 'error',
    build: {
      lib: { entry, formats: ['es'], fileName: () => basename(file) },
      outDir: dirname(file),
      emptyOutDir: false,
      minify: false,
      target: 'es2022',
      rollupOptions: { external: SHARED },
    },
  })
}
