import { BadInput } from '../shape/bad-input.js'
import { atLeast, atMost } from '../verdict/compare.js'
import { amps, volts } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { judged } from '../verdict/verdict.js'
import type { ConductorCheck, IecConductor, Load, SchoolJudgement } from './conductor-input.js'
import { IEC_AMBIENT, IEC_AMPACITY, IEC_GROUPING, IEC_SIZES, factorAt } from './conductor-tables.js'
import { COPPER, REACTANCE } from './copper.js'

/** The IEC-style school: Ib ≤ In ≤ Iz, voltage drop, terminal. */
export function judgeIec(given: IecConductor, load: Load): SchoolJudgement {
  const { phases, size, insulation, method, ambient, groupedCircuits, maxDropPercent, terminal } = given
  const ambientFactor = factorAt(IEC_AMBIENT[insulation], ambient)
  if (ambientFactor === undefined)
    throw new BadInput(
      'out-of-range',
      'ambient',
      `of ${formatNumber(ambient)} °C is above what the table of ${insulation} knows`,
    )
  const groupingFactor = factorAt(IEC_GROUPING, groupedCircuits)
  if (groupingFactor === undefined)
    throw new BadInput(
      'out-of-range',
      'groupedCircuits',
      `of ${groupedCircuits} is above what the table knows`,
    )
  const base = IEC_AMPACITY[insulation][phases === 3 ? 3 : 2][method][IEC_SIZES.indexOf(size)]!
  const ampacity = base * ambientFactor * groupingFactor
  const drop = dropOf(given, load.designCurrent)
  const { device, current } = load
  const checks: ConductorCheck[] = [
    ...(device === undefined
      ? [{ id: 'cable-carries-design' as const, verdict: judged(atMost(current, ampacity)) }]
      : [
          { id: 'device-carries-design' as const, verdict: judged(atMost(current, device)) },
          { id: 'cable-carries-device' as const, verdict: judged(atMost(device, ampacity)) },
        ]),
    ...(maxDropPercent === undefined
      ? []
      : [{ id: 'drop' as const, verdict: judged(atMost(drop.percent, maxDropPercent)) }]),
    ...(terminal === undefined
      ? []
      : [
          {
            id: 'terminal' as const,
            verdict: judged(atLeast(size, terminal.min ?? 0) && atMost(size, terminal.max ?? Infinity)),
          },
        ]),
  ]
  return {
    ampacity,
    ambientFactor,
    groupingFactor,
    checks,
    dropVolts: drop.volts,
    dropPercent: drop.percent,
    working: [
      msg`${size} mm² ${insulation} ${method}: ${amps(base)} × ${formatNumber(ambientFactor)} (ambient) × ${formatNumber(groupingFactor)} (grouping) = ${amps(ampacity)}`,
      device === undefined
        ? msg`${amps(current)} against ${amps(ampacity)}`
        : msg`${amps(current)} ≤ device ${amps(device)} ≤ cable ${amps(ampacity)} is wanted`,
      drop.working,
    ],
  }
}

function dropOf({ phases, voltage, size, length, powerFactor }: IecConductor, current: number) {
  const cos = phases === 'dc' ? 1 : powerFactor
  const sin = Math.sqrt(Math.max(0, 1 - cos * cos))
  const there = phases === 3 ? 1 : 2
  const base = phases === 3 ? voltage / Math.sqrt(3) : voltage
  const dropVolts = there * ((COPPER * length * cos) / size + REACTANCE * length * sin) * current
  return {
    volts: dropVolts,
    percent: (100 * dropVolts) / base,
    working: msg`drop ${there} × (0.0225 × ${formatNumber(length)} m ÷ ${size} mm² × ${formatNumber(cos)}${sin > 0 ? ` + 0.00008 × ${formatNumber(length)} m × ${formatNumber(sin, 3)}` : ''}) × ${amps(current)} = ${volts(dropVolts)}, ${formatNumber((100 * dropVolts) / base)} % of ${volts(base)}`,
  }
}
