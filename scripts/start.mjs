// npm start: installs what is missing, builds what is old, starts with the demo data.
import { spawn } from 'node:child_process'
import { SERVER_HEAP, at, prepare } from './shared.mjs'

const [major, minor] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Plumb Mark needs Node 20.19 or newer; this is ${process.version}.`)
  process.exit(1)
}
prepare()
const wishes = process.argv.slice(2)
const alone = wishes.includes('--no-devices')
const children = [
  // They say themselves which ports they have; when they cannot start, the application runs without them.
  ...(alone
    ? []
    : [
        spawn(process.execPath, [at('apps', 'devices', 'dist', 'main.js')], {
          stdio: ['pipe', 'inherit', 'inherit'],
        }),
      ]),
  spawn(
    process.execPath,
    [
      SERVER_HEAP,
      at('apps', 'server', 'bundle', 'main.js'),
      ...(alone ? [] : ['--simulated-devices']),
      ...wishes.filter((wish) => wish !== '--no-devices'),
    ],
    { stdio: 'inherit' },
  ),
]
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => children.forEach((child) => child.kill(signal)))
const server = children.at(-1)
server.on('exit', (code, signal) => {
  for (const child of children) child.kill('SIGTERM')
  process.exit(code ?? (signal ? 0 : 1))
})
