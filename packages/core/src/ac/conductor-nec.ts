import { BadInput } from '../shape/bad-input.js'
import { atLeast, atMost } from '../verdict/compare.js'
import { amps, volts } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { judged } from '../verdict/verdict.js'
import type { ConductorCheck, Load, NecConductor, SchoolJudgement } from './conductor-input.js'
import {
  NEC_AMBIENT,
  NEC_AMPACITY,
  NEC_GROUPING,
  NEC_RESISTANCE,
  NEC_SIZES,
  SMALL_CONDUCTOR_DEVICE,
  STANDARD_DEVICES,
  factorAt,
  type NecSize,
} from './conductor-tables.js'

const FOOT = 0.3048

/** The NEC-style school: termination, corrected ampacity, device, voltage drop, terminal. */
export function judgeNec(given: NecConductor, load: Load): SchoolJudgement {
  const {
    size,
    insulationTemp,
    terminationTemp,
    ambient,
    currentCarrying,
    continuous,
    maxDropPercent,
    terminal,
  } = given
  const ambientFactor = factorAt(NEC_AMBIENT[insulationTemp], ambient)
  if (ambientFactor === undefined)
    throw new BadInput(
      'out-of-range',
      'ambient',
      `of ${formatNumber(ambient)} °C is above what the table of ${insulationTemp} °C conductors knows`,
    )
  const groupingFactor = factorAt(NEC_GROUPING, currentCarrying)!
  const at = NEC_SIZES.indexOf(size)
  const base = NEC_AMPACITY[insulationTemp][at]!
  const termination = NEC_AMPACITY[terminationTemp][at]!
  const ampacity = base * ambientFactor * groupingFactor
  const required = load.limited ? load.designCurrent : load.current * (continuous ? 1.25 : 1)
  const drop = dropOf(given, load.designCurrent)
  const { device } = load
  const largest = largestDevice(Math.min(ampacity, termination), size)
  const checks: ConductorCheck[] = [
    { id: 'termination', verdict: judged(atLeast(termination, required)) },
    { id: 'corrected', verdict: judged(atLeast(ampacity, load.current)) },
    ...(device === undefined
      ? []
      : [
          { id: 'device-carries-design' as const, verdict: judged(atLeast(device, required)) },
          { id: 'cable-carries-device' as const, verdict: judged(atMost(device, largest)) },
        ]),
    ...(maxDropPercent === undefined
      ? []
      : [{ id: 'drop' as const, verdict: judged(atMost(drop.percent, maxDropPercent)) }]),
    ...(terminal === undefined
      ? []
      : [{ id: 'terminal' as const, verdict: judged(inWindow(size, terminal)) }]),
  ]
  return {
    ampacity,
    ambientFactor,
    groupingFactor,
    checks,
    dropVolts: drop.volts,
    dropPercent: drop.percent,
    working: [
      msg`required at the terminals: ${amps(required)}${continuous && !load.limited ? ' (continuous: 1.25 times)' : ''}; ${size} AWG at ${terminationTemp} °C carries ${amps(termination)}`,
      msg`corrected: ${amps(base)} × ${formatNumber(ambientFactor)} (ambient) × ${formatNumber(groupingFactor)} (conductors) = ${amps(ampacity)}, for ${amps(load.current)}`,
      ...(device === undefined
        ? []
        : [msg`device ${amps(device)}: at least ${amps(required)}, at most ${amps(largest)}`]),
      drop.working,
    ],
  }
}

/** The ampacity itself or the next standard rating at or above it; small conductors have a ceiling of their own. */
function largestDevice(ampacity: number, size: NecSize): number {
  const next = STANDARD_DEVICES.find((rating) => atLeast(rating, ampacity))
  return Math.min(Math.max(ampacity, next ?? 0), SMALL_CONDUCTOR_DEVICE[size] ?? Infinity)
}

function inWindow(size: NecSize, { min, max }: { min?: unknown; max?: unknown }): boolean {
  const at = NEC_SIZES.indexOf(size)
  return (
    (min === undefined || at >= NEC_SIZES.indexOf(min as NecSize)) &&
    (max === undefined || at <= NEC_SIZES.indexOf(max as NecSize))
  )
}

function dropOf({ phases, voltage, size, length }: NecConductor, current: number) {
  const there = phases === 3 ? Math.sqrt(3) : 2
  const resistance = (NEC_RESISTANCE[NEC_SIZES.indexOf(size)]! / (1000 * FOOT)) * length
  const dropVolts = there * resistance * current
  return {
    volts: dropVolts,
    percent: (100 * dropVolts) / voltage,
    working: msg`drop ${formatNumber(there, 3)} × ${formatNumber(resistance, 4)} Ω × ${amps(current)} = ${volts(dropVolts)}, ${formatNumber((100 * dropVolts) / voltage)} % of ${volts(voltage)}`,
  }
}
