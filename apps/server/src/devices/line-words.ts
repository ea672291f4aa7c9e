import { LineFault, DeviceRefuses } from './modbus-line.js'
import { NoOpenMap } from './open-map.js'

const OF_SYSTEM: Record<string, string> = {
  ECONNREFUSED: 'nobody answers at this address and port',
  EHOSTUNREACH: 'there is no way to this address',
  ENETUNREACH: 'there is no way to this address',
  ECONNRESET: 'the device closed the line',
  ETIMEDOUT: 'no answer in time: look whether the device is on, and on this network',
}

const OF_LINE = {
  'no-answer': 'no answer in time: look whether the device is on, and on this network',
  flood: 'what answers there sends without being asked: it is no such device, and was not listened to',
  closed: 'the device closed the line: look whether it lets another program read it at the same time',
  'not-modbus': 'what answers there does not speak Modbus TCP as it should: look at the port and the unit id',
  'too-long': 'it answers too slowly to be read: look at the line, and whether others read it too',
  'called-off': 'it was called off',
} satisfies Record<LineFault['code'], string>

/** What went wrong between the server and a device, for a person in front of it. */
export function lineWords(problem: Error & { code?: string }): string {
  if (problem instanceof LineFault) return OF_LINE[problem.code]
  if (problem instanceof NoOpenMap)
    return 'what answers there does not begin with the mark of the open models: look at the port and the unit id'
  if (problem instanceof DeviceRefuses)
    return `the device refuses to answer (exception ${problem.code}): look at the unit id, and whether reading is switched on in it`
  return OF_SYSTEM[problem.code ?? ''] ?? problem.message
}
