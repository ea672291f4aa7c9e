import { BadInput } from '../verdict/bad-input.js'
import { amps, listed } from '../verdict/say.js'
import { count, flag, list, num, object, oneOf, optional, percent, refine, text, variants, type Read, type Shape } from '../verdict/shape.js'
import { worst, type Explained, type JudgedVerdict } from '../verdict/verdict.js'
import { IEC_SIZES, NEC_SIZES } from './conductor-tables.js'
import { judgeIec, type SchoolJudgement } from './conductor-iec.js'
import { judgeNec } from './conductor-nec.js'

const common = {
  phases: oneOf([1, 3, 'dc'] as const),
  voltage: num({ unit: 'V', sign: 'divisor', about: 'line to line when there are three phases' }),
  sources: list(object({ name: text(), amps: num({ unit: 'A', sign: 'magnitude' }) }), { about: 'everything that can feed this conductor' }),
  downstreamDevice: optional(num({ unit: 'A', sign: 'magnitude', about: 'a device that limits what all sources together can drive' })),
  protectiveDevice: optional(num({ unit: 'A', sign: 'magnitude' })),
  length: num({ unit: 'm', sign: 'magnitude', about: 'one way' }),
  pvSource: optional(flag('the light can drive a quarter more than the rating'), false),
  maxDropPercent: optional(percent()),
}
/** The sizes that a terminal takes: at least one end, the right way round by the rank of a size. */
function terminalWindow<T>(end: Shape<T>, rank: (size: T) => number) {
  return optional(
    refine(object({ min: optional(end), max: optional(end) }, 'sizes that the terminal takes'), (window, path) => {
      const { min, max } = window as { min?: T; max?: T }
      if (min === undefined && max === undefined) throw new BadInput('no-content', path, 'needs a min, a max or both')
      if (min !== undefined && max !== undefined && rank(min) > rank(max)) throw new BadInput('min-above-max', `${path}.min`, 'must not be above max')
    }),
  )
}

export const iecConductor = object({
  ...common,
  size: oneOf(IEC_SIZES, 'mm²'),
  terminal: terminalWindow(num({ unit: 'mm²', sign: 'magnitude' }), (size) => size),
  material: oneOf(['copper'] as const),
  insulation: oneOf(['pvc', 'xlpe'] as const),
  method: oneOf(['A1', 'B1', 'B2', 'C'] as const),
  ambient: num({ unit: '°C' }),
  groupedCircuits: count(),
  powerFactor: optional(num({ min: 0, max: 1 }), 1),
})

export const necConductor = object({
  ...common,
  size: oneOf(NEC_SIZES, 'AWG'),
  terminal: terminalWindow(oneOf(NEC_SIZES), (size) => NEC_SIZES.indexOf(size)),
  insulationTemp: oneOf([75, 90] as const),
  terminationTemp: oneOf([60, 75] as const),
  ambient: num({ unit: '°C' }),
  currentCarrying: count('current-carrying conductors in the raceway'),
  continuous: flag(),
})

export const conductorInput = variants('school', { iec: iecConductor, nec: necConductor })
export type IecConductor = Read<typeof iecConductor>
export type NecConductor = Read<typeof necConductor>
export type ConductorInput = ({ school: 'iec' } & Omit<IecConductor, 'pvSource' | 'powerFactor'> & { pvSource?: boolean; powerFactor?: number }) | ({ school: 'nec' } & Omit<NecConductor, 'pvSource'> & { pvSource?: boolean })

export type ConductorCheckId = 'device-carries-design' | 'cable-carries-device' | 'cable-carries-design' | 'termination' | 'corrected' | 'drop' | 'terminal'
export interface ConductorCheck {
  id: ConductorCheckId
  verdict: JudgedVerdict
}
export interface ConductorResult extends Explained {
  /** A */
  designCurrent: number
  /** Iz, or the corrected ampacity, A. */
  ampacity: number
  ambientFactor: number
  groupingFactor: number
  dropVolts: number
  dropPercent: number
  checks: ConductorCheck[]
  verdict: JudgedVerdict
}

/** What both schools start from. A: the design current, the current that the cable must carry, and the device that protects it. */
export interface Load {
  designCurrent: number
  /** True when a downstream device limits, whose rating is then not raised. */
  limited: boolean
  /** Design current, a quarter more for a PV source. */
  current: number
  device: number | undefined
  working: string[]
  notes: string[]
}

/**
 * Is the fitted cable right for every source that can feed it? A conductor fed from several sources must carry their sum unless a
 * device downstream limits it. A, V, m; sizes in mm² (iec) or AWG (nec); every limit included.
 * Bad input: a size that is not in the school's table, an ambient temperature or a grouping beyond its list.
 * Source: IEC 60364-5-52 and the US installation code's ampacity articles, representative tables.
 */
export function conductor(input: ConductorInput): ConductorResult {
  const given = conductorInput.read(input, '')
  const load = loadOf(given)
  const judged = judgeSize(given, load)
  const failed = judged.checks.filter(({ verdict }) => verdict !== 'conforms')
  return {
    designCurrent: load.designCurrent,
    ampacity: judged.ampacity,
    ambientFactor: judged.ambientFactor,
    groupingFactor: judged.groupingFactor,
    dropVolts: judged.dropVolts,
    dropPercent: judged.dropPercent,
    checks: judged.checks,
    verdict: worst(judged.checks.map(({ verdict }) => verdict)) as JudgedVerdict,
    working: [...load.working, ...judged.working],
    notes: [...load.notes, ...(failed.length > 0 ? [`fails at ${listed(failed.map(({ id }) => id))}`, ...remedies(given, load)] : []), 'the tables are representative; the local code and a licensed person decide'],
  }
}

type Given = Read<typeof conductorInput>

function judgeSize(given: Given, load: Load): SchoolJudgement {
  return given.school === 'iec' ? judgeIec(given as IecConductor, load) : judgeNec(given as NecConductor, load)
}

const passes = (given: Given, load: Load) => judgeSize(given, load).checks.every(({ verdict }) => verdict === 'conforms')

/** What would help: the next size that passes every check, or the source that was forgotten when device and cable were chosen. */
function remedies(given: Given, load: Load): string[] {
  const sizes: readonly (number | string)[] = given.school === 'iec' ? IEC_SIZES : NEC_SIZES
  const larger = sizes.slice(sizes.indexOf(given.size) + 1).find((size) => passes({ ...given, size } as Given, load))
  const forgotten = given.sources.length < 2 ? undefined : given.sources.findLast((source) => {
    const without = { ...given, sources: given.sources.filter((other) => other !== source) }
    return passes(without, loadOf(without))
  })
  return [
    ...(larger === undefined ? ['no larger size alone passes every check: look at the device, the sources and the terminal'] : [`the next size that passes every check is ${larger} ${given.school === 'iec' ? 'mm²' : 'AWG'}`]),
    ...(forgotten ? [`without ${forgotten.name} (${amps(forgotten.amps)}) it would pass: was that source left out when device and cable were chosen?`] : []),
  ]
}

function loadOf({ sources, downstreamDevice, protectiveDevice, pvSource }: Pick<IecConductor, 'sources' | 'downstreamDevice' | 'protectiveDevice' | 'pvSource'>): Load {
  const sum = sources.reduce((total, source) => total + source.amps, 0)
  const limited = downstreamDevice !== undefined && downstreamDevice < sum
  const designCurrent = limited ? downstreamDevice : sum
  const current = limited || !pvSource ? designCurrent : designCurrent * 1.25
  const devices = [protectiveDevice, downstreamDevice].filter((device) => device !== undefined)
  const said = sources.map(({ name, amps: each }) => `${name} ${amps(each)}`).join(' + ')
  return {
    designCurrent, limited, current,
    device: devices.length > 0 ? Math.max(...devices) : undefined,
    working: [
      `sources: ${said} = ${amps(sum)}${limited ? `, limited by the device downstream to ${amps(designCurrent)}` : ''}`,
      ...(current === designCurrent ? [] : [`PV source: 1.25 × ${amps(designCurrent)} = ${amps(current)}`]),
    ],
    notes: sources.length > 1 && !limited ? ['several sources feed this conductor: a supply fuse alone says nothing about the part beyond the second one'] : [],
  }
}
