import type { Plant } from '../site/plant.js'
import { switchGrid } from '../environment/grid.js'
import type { DemandMode } from '../inverter/inverter.js'
import type { Device } from '../device.js'

/** Something that a person can switch at a stand-in: what belongs to the site, or a fault. On and off at any time while it runs. */
export interface Switch {
  name: string
  says: string
  /** Undefined where this device has no such thing. */
  set(device: Device, on: boolean): boolean
}

/** What a person on site does with a hand: nothing here is wrong. */
const HANDS: Switch[] = [
  {
    name: 'grid-off',
    says: 'the main switch is open',
    set: (d, on) => done(() => switchGrid(d.plant.grid, !on, d.plant.now)),
  },
  {
    name: 'shade',
    says: 'a cloud: four fifths of the light are gone',
    set: (d, on) => done(() => (d.plant.shade = on ? 0.8 : 0)),
  },
  {
    name: 'data-lead-out',
    says: 'the data lead between meter and inverter is unplugged',
    set: (d, on) => done(() => (d.plant.dataLead = !on)),
  },
  { name: 'load-1', says: 'a load of 2 kW on the first phase', set: (d, on) => load(d, 0, on) },
  { name: 'load-2', says: 'a load of 3 kW on the second phase', set: (d, on) => load(d, 1, on) },
  { name: 'load-3', says: 'a load of 1.5 kW on the third phase', set: (d, on) => load(d, 2, on) },
  {
    name: 'demand-0',
    says: 'the demand-response port tells the inverters to leave the grid',
    set: (d, on) => done(() => tellAll(d.plant, on ? 0 : undefined)),
  },
  {
    name: 'demand-5',
    says: 'the demand-response port tells the inverters to feed nothing in',
    set: (d, on) => done(() => tellAll(d.plant, on ? 5 : undefined)),
  },
  {
    name: 'demand-6',
    says: 'the demand-response port tells the inverters to feed in half at most',
    set: (d, on) => done(() => tellAll(d.plant, on ? 6 : undefined)),
  },
  {
    name: 'released',
    says: 'the inverters are released',
    set: (d, on) => done(() => release(d.plant, on)),
  },
]

const FAULTS: Switch[] = [
  {
    name: 'ct-swapped',
    says: 'two transformers sit on each other’s phase',
    set: (d, on) => done(() => swap(d.plant, on)),
  },
  {
    name: 'ct-reversed',
    says: 'the first transformer is turned round',
    set: (d, on) => done(() => (d.plant.transformers[0]!.turned = on)),
  },
  {
    name: 'fallback-late',
    says: 'the fallback comes after 45 s',
    set: (d, on) => done(() => fallback(d.plant, on ? 45 : 8)),
  },
  {
    name: 'fallback-never',
    says: 'no fallback at all',
    set: (d, on) => done(() => fallback(d.plant, on ? undefined : 8)),
  },
  {
    name: 'demand-deaf',
    says: 'the demand-response port is wired to nothing',
    set: (d, on) => done(() => d.plant.inverters.forEach((inverter) => (inverter.deaf = on))),
  },
  {
    name: 'wrong-grid-code',
    says: 'set to another country’s grid code',
    set: (d, on) => flag(d, 'wrongCode', on),
  },
  {
    name: 'wrong-sign',
    says: 'the export limit is set with the wrong sign',
    set: (d, on) => flag(d, 'wrongSign', on),
  },
  { name: 'clock-off', says: 'its clock is seven hours off', set: (d, on) => flag(d, 'clockOff', on) },
  {
    name: 'silent-module',
    says: 'one more box under a module is silent',
    set: (d, on) => silence(d.plant, on),
  },
  {
    name: 'exceptions',
    says: 'answers every question with an exception',
    set: (d, on) => flag(d, 'busy', on),
  },
  {
    name: 'line-drops',
    says: 'the line is closed at every question',
    set: (d, on) => done(() => (d.line.drops = on)),
  },
  { name: 'gone', says: 'nobody answers at its address', set: (d, on) => done(() => (d.line.gone = on)) },
  {
    name: 'slow',
    says: 'every answer takes four seconds',
    set: (d, on) => done(() => (d.line.slow = on ? 4000 : 0)),
  },
  {
    name: 'half-frame',
    says: 'every answer is cut in the middle',
    set: (d, on) => done(() => (d.line.half = on)),
  },
  {
    name: 'other-model',
    says: 'claims to be another model than was ordered',
    set: (d, on) => flag(d, 'otherModel', on),
  },
  {
    name: 'other-serial',
    says: 'claims another serial than was ordered',
    set: (d, on) => flag(d, 'otherSerial', on),
  },
]

const tellAll = (plant: Plant, mode: DemandMode | undefined) =>
  plant.inverters.forEach((inverter) => (inverter.demand = mode))

export const SWITCHES: readonly Switch[] = [...HANDS, ...FAULTS]
export const FAULT_NAMES = FAULTS.map(({ name }) => name)

/** Throws one switch; false where there is none of that name or this device has no use for it. */
export function throwSwitch(device: Device, name: string, on: boolean): boolean {
  const known = SWITCHES.find((one) => one.name === name)
  if (!known?.set(device, on)) return false
  if (on) device.thrown.add(name)
  else device.thrown.delete(name)
  return true
}

function done(change: () => unknown): true {
  change()
  return true
}

type Flag = keyof Device['claims']

const flag = ({ claims }: Device, name: Flag, on: boolean): true => done(() => (claims[name] = on))

function load({ plant }: Device, phase: number, on: boolean): boolean {
  const one = plant.loads.find((candidate) => candidate.phase === phase && candidate.name.startsWith('test'))
  if (one) one.on = on
  return one !== undefined
}

function release({ inverters, now }: Plant, on: boolean): void {
  for (const inverter of inverters) {
    if (on && !inverter.released) inverter.releasedAt = now
    inverter.released = on
  }
}

function swap({ transformers }: Plant, on: boolean): void {
  const last = transformers.length - 1
  if (last < 1) return
  transformers[last]!.on = on ? last - 1 : last
  transformers[last - 1]!.on = on ? last : last - 1
}

function fallback({ inverters }: Plant, after: number | undefined): void {
  for (const { control } of inverters) control.fallbackAfter = after
}

function silence({ boxes }: Plant, on: boolean): boolean {
  const box = on ? boxes.find(({ silent }) => !silent) : boxes.findLast(({ silent }) => silent)
  if (box) box.silent = on
  return box !== undefined
}
