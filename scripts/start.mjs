// npm start: installs what is missing, builds what is old, starts with the demo data.
import { spawn } from 'node:child_process'
import { at, build, install } from './shared.mjs'

const [major, minor] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Plumb Mark needs Node 20.19 or newer; this is ${process.version}.`)
  process.exit(1)
}
install()
build()
const server = spawn(
  process.execPath,
  ['--enable-source-maps', at('apps', 'server', 'dist', 'main.js'), ...process.argv.slice(2)],
  { stdio: 'inherit' },
)
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', (code, signal) => process.exit(code ?? (signal ? 0 : 1)))
