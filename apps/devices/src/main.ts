import { parseArgs } from 'node:util'
import { createInterface } from 'node:readline'
import { FAULT_NAMES, SWITCHES, throwSwitch } from './faults/faults.js'
import { demoPark, FIRST_PORT } from './park.js'
import { handRegister, run } from './run.js'
import { throwAt } from './throw-at.js'

/** How many ports after the first the hand listens that throws the switches. */
const HAND_AFTER = 99

const HELP = `Stand-ins for inverters, batteries and meters, over Modbus TCP on loopback.

  npm run devices                        start them
  npm run devices -- --list [--json]     say which there are, and end
  npm run devices -- --fault NAME        start with a fault, on every device that has it; may be given again
  npm run devices -- --fault DEVICE:NAME the same on one device
  npm run devices -- --first-port N      take the ports from N on
  npm run devices -- --speed N           let time pass N times as fast
  npm run devices -- --throw DEVICE:NAME=on|off   throw a switch of stand-ins that run already, and end

Switches of a site: ${SWITCHES.filter(({ name }) => !FAULT_NAMES.includes(name))
  .map(({ name }) => name)
  .join(', ')}
Faults: ${FAULT_NAMES.join(', ')}
While they run, a line on the input throws a switch too: DEVICE:NAME=on`

const { values } = parseArgs({
  options: {
    host: { type: 'string', default: '127.0.0.1' },
    list: { type: 'boolean', default: false },
    json: { type: 'boolean', default: false },
    help: { type: 'boolean', default: false },
    fault: { type: 'string', multiple: true, default: [] },
    throw: { type: 'string', multiple: true, default: [] },
    speed: { type: 'string', default: '1' },
    'first-port': { type: 'string', default: String(FIRST_PORT) },
  },
})

function die(message: string): never {
  console.error(message)
  process.exit(2)
}

async function main(): Promise<void> {
  const firstPort = Number(values['first-port'])
  if (!(Number.isInteger(firstPort) && firstPort > 0 && firstPort < 65_500))
    die(`--first-port must be a port, not “${values['first-port']}”`)
  const handPort = firstPort + HAND_AFTER
  const devices = demoPark(Date.now, firstPort)
  const speed = Number(values.speed)
  if (!(speed > 0 && speed <= 1000)) die(`--speed must be above 0 and at most 1000, not “${values.speed}”`)
  if (values.help) return console.log(HELP)
  if (values.throw.length > 0) {
    for (const said of values.throw) await throwRunning(said)
    return
  }
  for (const said of values.fault) {
    const [name, only] = said.split(':').reverse() as [string, string?]
    if (!FAULT_NAMES.includes(name)) die(`no fault is called “${name}”; there are: ${FAULT_NAMES.join(', ')}`)
    const meant = devices.filter((device) => !only || device.name === only)
    if (meant.length === 0) die(`no device is called “${only}”`)
    for (const device of meant) throwSwitch(device, name, true)
  }
  const listed = devices.map(({ name, port, unitId, plate, thrown }) => ({
    name,
    host: values.host,
    port,
    unitId,
    maker: plate.maker,
    model: plate.model,
    serial: plate.serial,
    faults: [...thrown],
  }))
  if (values.list) return console.log(values.json ? JSON.stringify(listed) : listed.map(line).join('\n'))
  const running = await run(devices, values.host, speed, handPort)
  console.log(`Stand-in devices (simulated):\n${listed.map(line).join('\n')}`)
  const stop = () => void running.stop().then(() => process.exit(0))
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  createInterface({ input: process.stdin }).on('line', (said) => {
    const [, name, what, on] = SAID.exec(said.trim()) ?? []
    const device = devices.find((one) => one.name === name)
    const thrown = device && throwSwitch(device, what!, on === 'on')
    console.log(thrown ? `${name}: ${what} ${on}` : `not understood: ${said} (DEVICE:NAME=on or =off)`)
  })

  async function throwRunning(said: string): Promise<void> {
    const [, name, what, on] = SAID.exec(said) ?? []
    const device = devices.find((one) => one.name === name)
    if (!device || !SWITCHES.some((one) => one.name === what))
      die(`not understood: ${said} (DEVICE:NAME=on or =off)`)
    const hand = { host: values.host, port: handPort, unitId: 1 }
    await throwAt(hand, handRegister(devices.indexOf(device), what!), on === 'on')
    console.log(`${name}: ${what} ${on}`)
  }
}

const SAID = /^([\w-]+):([\w-]+)=(on|off)$/

const line = ({
  name,
  host,
  port,
  maker,
  model,
  serial,
  faults,
}: {
  name: string
  host: string
  port: number
  maker: string
  model: string
  serial: string
  faults: string[]
}) =>
  `  ${name}  ${host}:${port}  ${maker} ${model} ${serial}${faults.length > 0 ? `  faults: ${faults.join(', ')}` : ''}`

main().catch((problem: NodeJS.ErrnoException) => {
  if (problem.code === 'EADDRINUSE')
    die('the stand-in devices cannot start: their ports are in use (do they run already?)')
  console.error(problem)
  process.exit(1)
})
