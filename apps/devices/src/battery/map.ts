import { claimed, type Device } from '../device.js'
import { model, wholeMap } from '../protocol/models.js'
import { encode } from '../protocol/registers.js'
import { chargeOf, type Battery } from './battery.js'

const CHARGING = 4
const DISCHARGING = 3
const HOLDING = 6
const STILL = 1

/** The open model of a battery. */
export function batteryMap(device: Device, battery: Battery, volts: number): number[] {
  return wholeMap([
    model(1, { ...claimed(device), DA: device.unitId }),
    model(802, {
      WHRtg: battery.capacity,
      WChaRteMax: battery.maxCharge,
      WDisChaRteMax: battery.maxDischarge,
      SoCMax: 1000,
      SoCMin: battery.floor * 10,
      SoC: chargeOf(battery) * 10,
      SoH: 1000,
      ChaSt: battery.power < -STILL ? CHARGING : battery.power > STILL ? DISCHARGING : HOLDING,
      Typ: 4,
      State: 3,
      V: volts * 10,
      A: (battery.power / volts) * 10,
      W: battery.power,
      WHRtg_SF: 0,
      WChaDisChaMax_SF: 0,
      SoC_SF: -1,
      SoH_SF: -1,
      V_SF: -1,
      A_SF: -1,
      W_SF: 0,
    }),
  ])
}

const SERIAL_AT = 42_020
const SERIAL_SIZE = 16

/** The maker's own registers, as its sheet lists them: 42000 to 42035. */
export function batteryRegisters(
  { plate }: Device,
  battery: Battery,
  volts: number,
  inChain: { place: number; of: number },
): (address: number) => number | undefined {
  const serial = encode(`str${SERIAL_SIZE}`, plate.serial)
  const all: Record<number, () => number> = {
    42_000: () => Math.round(chargeOf(battery) * 10),
    42_001: () => Math.round(volts * 10),
    42_002: () => Math.round((battery.power / volts) * 10) & 0xffff,
    42_003: () => Math.round(battery.power) & 0xffff,
    42_004: () => inChain.of,
    42_005: () => 1,
    42_006: () => (battery.power < -STILL ? 2 : battery.power > STILL ? 3 : 1),
    42_007: () => 0,
    42_008: () => inChain.place,
    42_009: () => Math.round(battery.floor),
    42_010: () => Math.round(battery.forcedCharge),
  }
  return (address) => all[address]?.() ?? serial[address - SERIAL_AT]
}
