import type { LineFaults } from './protocol/line.js'
import type { Plant } from './site/plant.js'

/** What a nameplate says over the line. */
export interface Plate {
  maker: string
  model: string
  serial: string
  firmware: string
}

/** Faults of what a device says of itself. */
export interface Claims {
  wrongCode: boolean
  wrongSign: boolean
  clockOff: boolean
  busy: boolean
  otherModel: boolean
  otherSerial: boolean
}

/** One stand-in: a part of a plant, with an address. */
export interface Device {
  name: string
  plate: Plate
  unitId: number
  port: number
  plant: Plant
  claims: Claims
  line: LineFaults
  /** Names of the switches that are on. */
  thrown: Set<string>
  /** Registers from 40000 on. */
  map(): number[]
  register(address: number): number | undefined
}

export const NOTHING_CLAIMED: Readonly<Claims> = {
  wrongCode: false,
  wrongSign: false,
  clockOff: false,
  busy: false,
  otherModel: false,
  otherSerial: false,
}

/** The nameplate as it is claimed; the options of the common model say that this is a stand-in. */
export function claimed({
  plate,
  claims,
}: Pick<Device, 'plate' | 'claims'>): Record<string, string | number> {
  return {
    Mn: plate.maker,
    Md: claims.otherModel ? `${plate.model}-X` : plate.model,
    Opt: 'SIMULATED',
    Vr: plate.firmware,
    SN: claims.otherSerial ? `${plate.serial.slice(0, -2)}00` : plate.serial,
  }
}
