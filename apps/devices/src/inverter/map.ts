import { claimed, type Device } from '../device.js'
import { model, trackers, wholeMap } from '../protocol/models.js'
import { lightOf } from '../environment/sun.js'
import { batteryCharge, inputsOf, type Inverter } from './inverter.js'
import { limitsOf } from '../battery/battery.js'

/** What is set at the display and stands in no open model. */
export interface InverterSettings {
  gridCode: number
  /** W; out to the grid is positive. */
  exportLimit: number
  floor: number
  forcedCharge: number
  reserve: number
  batteryKind: number
  batteries: number
  parallel: number
  timeZoneMinutes: number
  backupPort: boolean
  gridCharging: boolean
}

const UNIT = -1
const TENTH = -1

/** The open models of an inverter: what it is, what it does, what it may, its battery and its trackers. */
export function inverterMap(device: Device, inverter: Inverter, settings: InverterSettings): number[] {
  const { plant } = device
  const light = lightOf(plant)
  const inputs = inputsOf(inverter, light)
  const volts = supplyVolts(device, inverter)
  const live = volts > 0
  const phase = live ? inverter.acPower / plant.phases / volts : 0
  const dcVolts = Math.max(0, ...inputs.map((input) => input.volts))
  const three = plant.phases === 3
  const perPhase = (value: number): Record<string, number> => (three ? { B: value, C: value } : {})
  return wholeMap([
    model(1, { ...claimed(device), DA: device.unitId }),
    model(three ? 103 : 101, {
      A: phase * plant.phases * 100,
      AphA: phase * 100,
      ...named('Aph', perPhase(phase * 100)),
      A_SF: -2,
      PhVphA: volts * 10,
      ...named('PhVph', perPhase(volts * 10)),
      V_SF: UNIT,
      W: inverter.acPower,
      W_SF: 0,
      Hz: live ? plant.grid.hertz * 100 : 0,
      Hz_SF: -2,
      VA: inverter.acPower,
      VA_SF: 0,
      VAr: 0,
      VAr_SF: 0,
      PF: 100,
      PF_SF: -2,
      WH: 120_000,
      WH_SF: 0,
      DCV: dcVolts * 10,
      DCV_SF: TENTH,
      DCW: inverter.dcPower,
      DCW_SF: 0,
      TmpCab: 380,
      Tmp_SF: TENTH,
      St: inverter.state,
      StVnd: device.claims.wrongCode ? 31 : 0,
      Evt1: 0,
      Evt2: 0,
    }),
    model(120, {
      DERTyp: inverter.battery ? 82 : 4,
      WRtg: inverter.rated,
      WRtg_SF: 0,
      VARtg: inverter.rated,
      VARtg_SF: 0,
      ...(inverter.battery && { WHRtg: inverter.battery.capacity, WHRtg_SF: 0 }),
    }),
    model(121, { WMax: inverter.rated, VRef: plant.grid.volts, WMax_SF: 0, VRef_SF: 0 }),
    model(123, {
      Conn: inverter.released ? 1 : 0,
      WMaxLimPct: (1000 * Math.abs(settings.exportLimit)) / inverter.rated,
      WMaxLim_Ena: inverter.control.limit === undefined ? 0 : 1,
      WMaxLimPct_SF: TENTH,
    }),
    ...(inverter.battery
      ? [
          model(124, {
            WChaMax: inverter.battery.maxCharge,
            StorCtl_Mod: 0,
            MinRsvPct: settings.floor * 10,
            ChaState: batteryCharge(inverter) * 10,
            ChaSt: inverter.battery.power < -1 ? 4 : inverter.battery.power > 1 ? 3 : 6,
            ChaGriSet: settings.gridCharging ? 1 : 0,
            WChaMax_SF: 0,
            MinRsvPct_SF: TENTH,
            ChaState_SF: TENTH,
          }),
        ]
      : []),
    trackers(inputs),
  ])
}

const named = (prefix: string, values: Record<string, number>): Record<string, number> =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [prefix + name, value]))

/** What stands at its terminals, V: the street, or its own supply for the backup port. */
function supplyVolts({ plant }: Device, inverter: Inverter): number {
  if (plant.grid.present || inverter.islandedSince !== undefined) return plant.grid.volts
  return 0
}

const WRONG_CODE = 9
const MAINS_WAIT = 41_013

/** The maker's own registers, as its sheet lists them: 41000 to 41018. */
export function inverterRegisters(
  { plant, claims }: Device,
  inverter: Inverter,
  settings: InverterSettings,
  clock: () => number,
): (address: number) => number | undefined {
  const { control, battery, reconnectWait } = inverter
  const seconds = () => Math.round(clock() / 1000) + (claims.clockOff ? 7 * 3600 : 0)
  const limit = () => Math.round((claims.wrongSign ? -settings.exportLimit : settings.exportLimit) / 100)
  const last = () => control.told.at(-1)
  const all: Record<number, () => number> = {
    41_000: () => (claims.wrongCode ? WRONG_CODE : settings.gridCode),
    41_001: () => limit() & 0xffff,
    41_002: () => (control.fallbackAfter === undefined ? 0 : 1),
    41_003: () => settings.floor,
    41_004: () => settings.forcedCharge,
    41_005: () => settings.reserve,
    41_006: () => settings.batteryKind,
    41_007: () => settings.batteries,
    41_008: () => settings.parallel,
    41_009: () => settings.timeZoneMinutes & 0xffff,
    41_010: () => (seconds() >>> 16) & 0xffff,
    41_011: () => seconds() & 0xffff,
    41_012: () => (settings.backupPort ? 1 : 0),
    [MAINS_WAIT]: () => reconnectWait,
    41_014: () => (plant.grid.present ? 1 : 0),
    41_015: () => (claims.wrongCode ? 31 : 0),
    41_016: () => (last() && plant.now - last()!.at < 5 ? 1 : 0),
    41_017: () => (inverter.islandedSince === undefined && !plant.grid.present ? 0 : plant.grid.volts),
    41_018: () => (settings.gridCharging ? 1 : 0),
    41_019: () => Math.round(battery ? limitsOf(battery, 1, false).give : 0),
  }
  return (address) => all[address]?.()
}
