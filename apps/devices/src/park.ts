import { batteryMap, batteryRegisters } from './battery/map.js'
import type { Battery } from './battery/battery.js'
import { NOTHING_CLAIMED, type Device, type Plate } from './device.js'
import { listenerMap, listenerRegisters } from './electronics/map.js'
import { throwSwitch } from './faults/faults.js'
import { STATE, type Inverter } from './inverter/inverter.js'
import { inverterMap, inverterRegisters, type InverterSettings } from './inverter/map.js'
import { meterMap } from './meter/map.js'
import { SOUND_LINE } from './protocol/line.js'
import { house } from './site/house.js'
import { advance, type Plant } from './site/plant.js'
import type { StringOfModules } from './environment/array.js'

export const FIRST_PORT = 15_020
/** Long enough that everything feeds, and is heard, when the first question comes. */
const RUNNING = 600

/** The sites of the demo, each part with the nameplate that was ordered, and what is wrong with it from the start. */
export function demoPark(clock: () => number, firstPort = FIRST_PORT): Device[] {
  const all = [...fallowmere(clock), ...juniperFlat(), ...skerryPoint(clock)]
  all.forEach((device, i) => (device.port = firstPort + i))
  return all
}

function fallowmere(clock: () => number): Device[] {
  const string = (input: string): StringOfModules => ({ input, count: 12, pmax: 430, vmp: 32.4, voc: 38.6 })
  const batteries = [battery(10_000, 72), battery(10_000, 72)]
  const inverters = batteries.map((own) =>
    inverter({
      strings: [string('PV1'), string('PV2')],
      rated: 8000,
      limit: 8000,
      sharedBy: 2,
      battery: own,
    }),
  )
  const plant = house('Fallowmere', 3, 230, inverters, [900, 700, 600])
  const settings = (exportLimit: number): InverterSettings => ({
    gridCode: 1,
    exportLimit,
    floor: 20,
    forcedCharge: 12,
    reserve: 30,
    batteryKind: 1,
    batteries: 2,
    parallel: 2,
    timeZoneMinutes: 0,
    backupPort: true,
    gridCharging: false,
  })
  const machines = inverters.map((own, i) => {
    const plate = {
      maker: 'Aldervane',
      model: 'AH-8T',
      serial: ['AH8T-26-004418', 'AH8T-26-004423'][i]!,
      firmware: '2.4.1',
    }
    const at = device(`fallowmere-inverter-${i + 1}`, plate, plant)
    at.map = () => inverterMap(at, own, settings(8000))
    at.register = inverterRegisters(at, own, settings(8000), clock)
    return at
  })
  const stores = batteries.map((own, i) => {
    const plate = {
      maker: 'Thrumcap',
      model: 'TB-10',
      serial: ['TB10-26-1180', 'TB10-26-1184'][i]!,
      firmware: '1.9',
    }
    const at = device(`fallowmere-battery-${i + 1}`, plate, plant)
    at.map = () => batteryMap(at, own, 410)
    at.register = batteryRegisters(at, own, 410, { place: i + 1, of: 2 })
    return at
  })
  const meter = meterOf(
    'fallowmere-meter',
    { maker: 'Cobblewick', model: 'CM-3', serial: 'CM3-26-0732', firmware: '3.0' },
    plant,
  )
  advance(plant, RUNNING)
  // Planted: a fallback that comes late, two transformers swapped, the second inverter's limit with the wrong sign.
  throwSwitch(machines[0]!, 'fallback-late', true)
  throwSwitch(meter, 'ct-swapped', true)
  throwSwitch(machines[1]!, 'wrong-sign', true)
  return [...machines, ...stores, meter]
}

function juniperFlat(): Device[] {
  const plant = house('Juniper Flat', 2, 120, [], [500, 300])
  const boxes = Array.from({ length: 22 }, (_, i) => `SP38-${262_037 + 37 * i}`)
  // Planted: the box in row 2, place 4 has never been heard.
  plant.boxes = boxes.map((serial, i) => ({ serial, silent: i === 14 }))
  const listener = device(
    'juniper-listener',
    { maker: 'Sorrelight', model: 'SL-20', serial: 'SL20-7731', firmware: '5.2' },
    plant,
  )
  listener.map = () => listenerMap(listener)
  listener.register = listenerRegisters(listener)
  advance(plant, RUNNING)
  return [listener]
}

function skerryPoint(clock: () => number): Device[] {
  const stack = battery(10_000, 64)
  const own = inverter({
    strings: [{ input: 'PV1', count: 10, pmax: 395, vmp: 30.9, voc: 36.9 }],
    rated: 5000,
    limit: undefined,
    sharedBy: 1,
    battery: stack,
  })
  const plant = house('Skerry Point', 1, 230, [own], [800])
  plant.boxes = Array.from({ length: 10 }, (_, i) => ({ serial: `ME1-${4400 + 7 * i}`, silent: false }))
  const machine = device(
    'skerry-inverter',
    { maker: 'Aldervane', model: 'AS-5', serial: 'AS5-19-22071', firmware: '4.0.7' },
    plant,
  )
  const settings: InverterSettings = {
    gridCode: 1,
    exportLimit: 5000,
    floor: 10,
    forcedCharge: 5,
    reserve: 20,
    batteryKind: 2,
    batteries: 1,
    parallel: 1,
    timeZoneMinutes: 0,
    backupPort: false,
    gridCharging: false,
  }
  machine.map = () => inverterMap(machine, own, settings)
  machine.register = inverterRegisters(machine, own, settings, clock)
  const store = device(
    'skerry-battery',
    { maker: 'Thrumcap', model: 'TS-5', serial: 'TS5-26-0091', firmware: '2.2' },
    plant,
  )
  store.map = () => batteryMap(store, stack, 205)
  store.register = batteryRegisters(store, stack, 205, { place: 1, of: 1 })
  const meter = meterOf(
    'skerry-meter',
    { maker: 'Cobblewick', model: 'CM-1', serial: 'CM1-26-5540', firmware: '3.0' },
    plant,
  )
  advance(plant, RUNNING)
  return [machine, store, meter]
}

const FALLBACK_AFTER = 8

function inverter(has: {
  strings: StringOfModules[]
  rated: number
  limit: number | undefined
  sharedBy: number
  battery: Battery
}): Inverter {
  const { strings, rated, limit, sharedBy, battery: own } = has
  return {
    strings,
    rated,
    startDelay: 20,
    reconnectWait: 300,
    released: true,
    releasedAt: -3600,
    control: { limit, sharedBy, deadTime: 1, gain: 0.4, fallbackAfter: FALLBACK_AFTER, told: [], output: 0 },
    battery: own,
    state: STATE.standby,
    acPower: 0,
    dcPower: 0,
    losses: 0,
  }
}

const battery = (capacity: number, percent: number): Battery => ({
  capacity,
  stored: (capacity * percent) / 100,
  maxCharge: 5000,
  maxDischarge: 5000,
  floor: 20,
  forcedCharge: 12,
  power: 0,
})

function device(name: string, plate: Plate, plant: Plant): Device {
  return {
    name,
    plate,
    unitId: 1,
    port: 0,
    plant,
    claims: { ...NOTHING_CLAIMED },
    line: { ...SOUND_LINE },
    thrown: new Set(),
    map: () => [],
    register: () => undefined,
  }
}

function meterOf(name: string, plate: Plate, plant: Plant): Device {
  const meter = device(name, plate, plant)
  meter.map = () => meterMap(meter)
  return meter
}
