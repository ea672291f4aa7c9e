export { demoPark, FIRST_PORT } from './park.js'
export { run, type Running } from './run.js'
export { FAULT_NAMES, SWITCHES, throwSwitch } from './faults/faults.js'
export type { Device } from './device.js'
