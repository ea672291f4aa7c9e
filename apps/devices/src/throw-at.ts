import Modbus from 'modbus-serial'
import type { ModbusRTU } from 'modbus-serial/ModbusRTU.js'

// The package is older than modules: what its types call the default export is the package itself.
const Client = Modbus as unknown as new () => ModbusRTU

const PATIENCE_MS = 3000

/** Throws a switch of a stand-in that runs, over the line, as any plain client of the protocol could. */
export async function throwAt(
  { host, port, unitId }: { host: string; port: number; unitId: number },
  register: number,
  on: boolean,
): Promise<void> {
  const client = new Client()
  client.setTimeout(PATIENCE_MS)
  client.setID(unitId)
  await client.connectTCP(host, { port })
  try {
    await client.writeRegister(register, on ? 1 : 0)
  } finally {
    client.close(() => {})
  }
}
