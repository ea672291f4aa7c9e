import { COLD_COPPER } from '../ac/copper.js'
import { BadInput } from '../shape/bad-input.js'
import { atLeast } from '../verdict/compare.js'
import { uncertaintyField, verdictOf } from '../verdict/decision.js'
import { amps, mm2, ohms, seconds } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg, type Message } from '../quantity/message.js'
import { num, object, oneOf, optional, type Read } from '../shape/shape.js'
import { judged, worst, type Explained, type JudgedVerdict } from '../verdict/verdict.js'

export const EARTH_METHODS = ['table', 'adiabatic'] as const

export const protectiveEarthInput = object({
  method: oneOf(EARTH_METHODS),
  lineSize: optional(num({ unit: 'mm²', sign: 'divisor', about: 'of the line conductor, for the table' })),
  faultCurrent: optional(num({ unit: 'A', sign: 'magnitude' })),
  clearingTime: optional(num({ unit: 's', sign: 'magnitude' })),
  k: optional(
    num({ sign: 'divisor', about: '143 for a separate copper conductor, 115 for a core inside a pvc cable' }),
    143,
  ),
  sheetMinimum: optional(num({ unit: 'mm²', sign: 'magnitude' }), 0),
  fitted: num({ unit: 'mm²', sign: 'divisor' }),
  continuity: optional(
    object({
      measured: num({ unit: 'Ω', sign: 'magnitude' }),
      length: num({ unit: 'm', sign: 'magnitude' }),
      uncertainty: uncertaintyField('Ω'),
      allowance: optional(num({ unit: 'Ω', sign: 'magnitude', about: 'for joints and leads' }), 0.05),
    }),
  ),
})

type Given = Read<typeof protectiveEarthInput>
export type ProtectiveEarthInput = Omit<Given, 'k' | 'sheetMinimum' | 'continuity'> & {
  k?: number
  sheetMinimum?: number
  continuity?: { measured: number; length: number; uncertainty?: number; allowance?: number }
}
export interface ProtectiveEarthResult extends Explained {
  /** mm² */
  required: number
  requiredStandard: number
  governing: 'method' | 'sheet'
  /** Ω */
  continuityLimit?: number
  verdict: JudgedVerdict
}

const STANDARD_SIZES = [1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120, 150]

/**
 * Is the protective conductor large enough and unbroken? mm², A, s, Ω, m; every limit included. The size follows the table by the line
 * conductor or the adiabatic equation, but never less than the sheet's own minimum. Bad input: what the chosen method needs is missing,
 * a requirement above 150 mm². Source: IEC 60364-5-54, its table and its adiabatic equation; cold copper 0.0175 Ω·mm²/m.
 */
export function protectiveEarth(input: ProtectiveEarthInput): ProtectiveEarthResult {
  const given = protectiveEarthInput.read(input, '') as Given
  const { size: byMethod, working } = BY_METHOD[given.method](given)
  const required = Math.max(byMethod, given.sheetMinimum)
  const requiredStandard = STANDARD_SIZES.find((size) => atLeast(size, required))
  if (requiredStandard === undefined)
    throw new BadInput(
      'out-of-range',
      given.method === 'table' ? 'lineSize' : 'faultCurrent',
      `asks for ${mm2(required)}, above the standard sizes`,
    )
  const continuity = given.continuity && continuityOf(given.continuity, given.fitted)
  return {
    required,
    requiredStandard,
    governing: given.sheetMinimum > byMethod ? 'sheet' : 'method',
    ...(continuity && { continuityLimit: continuity.limit }),
    verdict: worst([
      judged(atLeast(given.fitted, required)),
      ...(continuity ? [continuity.verdict] : []),
    ]) as JudgedVerdict,
    working: [
      working,
      ...(given.sheetMinimum > 0 ? [msg`the sheet asks for at least ${mm2(given.sheetMinimum)}`] : []),
      msg`fitted ${mm2(given.fitted)} against ${mm2(required)}; next standard size ${mm2(requiredStandard)}`,
      ...(continuity ? [continuity.working] : []),
    ],
    notes: given.method === 'adiabatic' ? adiabaticNotes(given) : [],
  }
}

const BY_METHOD = { table: byTable, adiabatic } satisfies Record<
  (typeof EARTH_METHODS)[number],
  (given: Given) => { size: number; working: Message }
>

function byTable({ lineSize }: Given) {
  if (lineSize === undefined) throw new BadInput('missing', 'lineSize', 'is required by the table')
  if (lineSize <= 16)
    return { size: lineSize, working: msg`line ${mm2(lineSize)}, up to 16 mm²: the same, ${mm2(lineSize)}` }
  if (lineSize <= 35)
    return { size: 16, working: msg`line ${mm2(lineSize)}, above 16 and up to 35 mm²: 16 mm²` }
  return {
    size: lineSize / 2,
    working: msg`line ${mm2(lineSize)}, above 35 mm²: half of it, ${mm2(lineSize / 2)}`,
  }
}

function adiabatic({ faultCurrent, clearingTime, k }: Given) {
  if (faultCurrent === undefined)
    throw new BadInput('missing', 'faultCurrent', 'is required by the adiabatic equation')
  if (clearingTime === undefined)
    throw new BadInput('missing', 'clearingTime', 'is required by the adiabatic equation')
  const size = (faultCurrent * Math.sqrt(clearingTime)) / k
  return {
    size,
    working: msg`√((${amps(faultCurrent)})² × ${seconds(clearingTime)}) ÷ ${formatNumber(k)} = ${mm2(size)}`,
  }
}

function adiabaticNotes({ clearingTime }: Given): string[] {
  return [
    'k is 143 for a separate copper conductor and 115 for a core inside a pvc cable',
    ...((clearingTime ?? 0) > 5
      ? ['the adiabatic equation holds up to 5 s: beyond that heat is lost and the size is over-estimated']
      : ['the adiabatic equation holds up to 5 s']),
  ]
}

function continuityOf(
  { measured, length, uncertainty, allowance }: NonNullable<Given['continuity']>,
  fitted: number,
) {
  const limit = (COLD_COPPER * length) / fitted + allowance
  return {
    limit,
    verdict: verdictOf(measured, uncertainty, undefined, limit),
    working: msg`continuity: 0.0175 × ${formatNumber(length)} m ÷ ${mm2(fitted)} + ${ohms(allowance)} = ${ohms(limit)}; read ${ohms(measured)}`,
  }
}
