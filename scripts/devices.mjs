// npm run devices: the simulated stand-ins alone.
import { spawn } from 'node:child_process'
import { at, build, installPackages } from './shared.mjs'

installPackages()
build()
const devices = spawn(
  process.execPath,
  [at('apps', 'devices', 'dist', 'main.js'), ...process.argv.slice(2)],
  {
    stdio: 'inherit',
  },
)
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => devices.kill(signal))
devices.on('exit', (code, signal) => process.exit(code ?? (signal ? 0 : 1)))
