import { attempt } from '../shape/attempt.js'
import { gaugeOf } from '../quantity/format.js'
import { mm2 } from '../quantity/figure.js'
import { joinAnd } from '../quantity/phrases.js'
import { msg, type Message } from '../quantity/message.js'
import { awgGauge, awgToMm2 } from '../quantity/units.js'
import type { JudgedVerdict } from '../verdict/verdict.js'
import { CABLE_FIGURES, unknownFigures, type KnownConductor } from './one-line.js'
import { total, type FedBy } from './network-graph.js'
import { CONTINUOUS, type ConductorLoad } from './network.js'
import { conductor } from './conductor.js'
import {
  CONDUCTOR_CHECK_WORDS,
  type ConductorCheck,
  type ConductorInput,
  type ConductorResult,
} from './conductor-input.js'
import { IEC_SIZES, NEC_SIZES } from './conductor-tables.js'

export interface Rules {
  school: 'iec' | 'nec'
  maxDropPercent?: number | undefined
}

/** What comes of a cable of the one-line model. */
export interface CableJudgement {
  verdict: JudgedVerdict
  /** What it may carry, A; undefined where its size is in no table. */
  ampacity: number | undefined
  /** A; undefined where nothing known feeds it. */
  designCurrent: number | undefined
  checks: ConductorCheck[]
  working: Message[]
  notes: Message[]
  /** What it fails at, and what is missing. */
  short: Message[]
  wanting: Message | undefined
}

/**
 * A conductor of the one-line model before the calculator of the job's school. A size of the other system counts as the next smaller one
 * that exists; where the next larger one would pass, nothing is proven. A source without its current, or a device on the way without its
 * rating, is never taken for nothing: what is known already can condemn the cable, and nothing can clear it. A grid that reaches it through
 * no device does not conform.
 */
export function judgeNetworkConductor(load: ConductorLoad, rules: Rules): CableJudgement {
  const known = knownLoad(load)
  if (known) return judgeKnown(known, rules)
  const wanting = joinAnd(unknownFigures(load.conductor).map((figure) => CABLE_FIGURES[figure]))
  return unproven([`${wanting} is not entered`], `enter ${wanting}`)
}

/** A cable of which everything is known, with what it carries. */
type KnownLoad = ConductorLoad & { conductor: KnownConductor }

const knownLoad = (load: ConductorLoad): KnownLoad | undefined =>
  unknownFigures(load.conductor).length === 0 ? (load as KnownLoad) : undefined

function judgeKnown(load: KnownLoad, rules: Rules): CableJudgement {
  const { size } = load.conductor
  const fitted = sizesAround(size, rules.school)
  if (!fitted.taken)
    return unproven(
      [msg`${mm2(size)} is smaller than any of this school’s table`],
      'read the size off the cable again',
    )
  const missing = [
    ...load.unknownSources.map(({ label }) => `the current of ${label}`),
    ...load.unknownDevices.map(({ label }) => `the rating of ${label}`),
  ]
  const wanting = missing.length > 0 ? `enter ${joinAnd(missing)}` : undefined
  if (load.sources.length === 0)
    return unproven(
      [wanting ? `${joinAnd(missing)} is not entered` : 'nothing is entered that feeds it'],
      wanting ?? 'enter what each source can drive',
    )
  const judged = judgeAt(fitted.taken, load, rules)
  const failed = judged.checks.filter(({ verdict }) => verdict !== 'conforms')
  const bare = load.unprotectedFrom
  const decided =
    failed.length > 0 && !fitted.exact && passesLarger(fitted.larger, load, rules)
      ? msg`${mm2(size)} counts as ${fitted.name}, and the next larger size would pass`
      : undefined
  const open = decided ?? wanting
  const verdict = bare
    ? 'does-not-conform'
    : failed.length > 0 && !decided && load.unknownDevices.length === 0
      ? 'does-not-conform'
      : open !== undefined
        ? 'not-proven'
        : 'conforms'
  return {
    verdict,
    ampacity: judged.ampacity,
    designCurrent: judged.designCurrent,
    checks: judged.checks,
    working: judged.working,
    notes: [
      ...judged.notes,
      ...(fitted.exact
        ? []
        : [msg`${mm2(size)} is no size of this school: it counts as ${fitted.name}, the next smaller one`]),
    ],
    short: [
      ...(bare ? [`no protective device between it and ${bare.label}`] : []),
      ...failed.map(({ id }) => CONDUCTOR_CHECK_WORDS[id]),
      ...(missing.length > 0 ? [`${joinAnd(missing)} is not entered`] : []),
    ],
    wanting:
      decided && !wanting ? 'ask for the cable’s own table, or read its size off the print again' : wanting,
  }
}

/** What a cable of the one-line model may carry, A; undefined where no table of the school knows it as it was entered. For whoever shows it and does not judge. */
export function mayCarry(load: ConductorLoad, rules: Rules): number | undefined {
  const judged = attempt(() => judgeNetworkConductor(load, rules))
  return judged.ok ? judged.value.ampacity : undefined
}

const unproven = (short: Message[], wanting: Message): CableJudgement => ({
  verdict: 'not-proven',
  ampacity: undefined,
  designCurrent: undefined,
  checks: [],
  working: [],
  notes: [],
  short,
  wanting,
})

type Size = (typeof IEC_SIZES)[number] | (typeof NEC_SIZES)[number]

interface SizesAround {
  /** The size itself, or the next smaller one that exists. */
  taken: Size | undefined
  larger: Size | undefined
  exact: boolean
  name: string
}

function sizesAround(area: number, school: 'iec' | 'nec'): SizesAround {
  const table: readonly Size[] = school === 'iec' ? IEC_SIZES : NEC_SIZES
  const gauge = school === 'nec' ? gaugeOf(area) : undefined
  const at = gauge
    ? table.indexOf(gauge as Size)
    : table.findLastIndex((one) => areaOf(one) <= area * (1 + SAME_SIZE))
  const taken = table[at]
  return {
    taken,
    larger: table[at + 1],
    exact: taken !== undefined && (gauge !== undefined || Math.abs(areaOf(taken) - area) <= SAME_SIZE * area),
    name: `${taken} ${school === 'iec' ? 'mm²' : 'AWG'}`,
  }
}

const SAME_SIZE = 1e-9
const areaOf = (size: Size): number => (typeof size === 'number' ? size : awgToMm2(awgGauge(size)!))

/** Beyond the table nobody can say that a larger size would fail too. */
const passesLarger = (larger: Size | undefined, load: KnownLoad, rules: Rules): boolean =>
  larger === undefined || judgeAt(larger, load, rules).verdict === 'conforms'

const judgeAt = (size: Size, load: KnownLoad, rules: Rules): ConductorResult =>
  conductor(inputAt(size, load, rules))

/** A cable of the one-line model as its calculator takes it; undefined where its size is in no table of the school, or not all of it is known. */
export function conductorInputOf(load: ConductorLoad, rules: Rules): ConductorInput | undefined {
  const known = knownLoad(load)
  const { taken } = known ? sizesAround(known.conductor.size, rules.school) : {}
  return known && taken && load.sources.length > 0 ? inputAt(taken, known, rules) : undefined
}

function inputAt(size: Size, load: KnownLoad, { school, maxDropPercent }: Rules): ConductorInput {
  const { conductor: cable, sources, downstreamDevice, pvSource } = load
  const protectiveDevice = school === 'nec' ? limitWhileLasting(load) : load.protectiveDevice
  const common = {
    phases: cable.phases,
    voltage: cable.voltage,
    length: cable.length,
    pvSource,
    ...(protectiveDevice !== undefined && { protectiveDevice }),
    ...(downstreamDevice !== undefined && { downstreamDevice }),
    ...(maxDropPercent !== undefined && { maxDropPercent }),
  }
  if (school === 'iec')
    return {
      school,
      ...common,
      sources: sources.map(plainly),
      size: size as (typeof IEC_SIZES)[number],
      material: 'copper',
      insulation: cable.insulation,
      method: cable.method,
      ambient: cable.ambient,
      groupedCircuits: cable.grouped,
    }
  const continuous = sources.every(({ rated }) => !rated)
  return {
    school,
    ...common,
    sources: (continuous ? sources : sources.map(lasting)).map(plainly),
    size: size as (typeof NEC_SIZES)[number],
    insulationTemp: cable.insulation === 'xlpe' ? 90 : 75,
    terminationTemp: 75,
    ambient: cable.ambient,
    currentCarrying: cable.grouped * (cable.phases === 3 ? 3 : 2),
    continuous,
  }
}

const plainly = ({ name, amps: each }: FedBy) => ({ name, amps: each })

/** What a machine drives lasts for hours and counts at 125 %; what a device lets through is a rating, which is not raised. */
const lasting = ({ name, amps: each, rated }: FedBy): FedBy =>
  rated ? { name, amps: each } : { name: `${name} × ${CONTINUOUS}`, amps: each * CONTINUOUS }

/** Where several devices far away limit together, none of them is asked to carry the sum: only the cable is. */
function limitWhileLasting({ protectiveLasting, atDevice, sources }: ConductorLoad): number | undefined {
  if (atDevice || protectiveLasting === undefined) return protectiveLasting
  return Math.max(protectiveLasting, total(sources.map(lasting)))
}
