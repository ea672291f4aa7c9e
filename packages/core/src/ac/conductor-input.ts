import type { Message } from '../quantity/message.js'
import { BadInput } from '../shape/bad-input.js'
import {
  count,
  flag,
  list,
  num,
  object,
  oneOf,
  optional,
  percent,
  refine,
  text,
  variants,
  type Read,
  type Shape,
} from '../shape/shape.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'
import { IEC_SIZES, NEC_SIZES } from './conductor-tables.js'

const common = {
  phases: oneOf([1, 3, 'dc'] as const),
  voltage: num({ unit: 'V', sign: 'divisor', about: 'line to line when there are three phases' }),
  sources: list(object({ name: text(), amps: num({ unit: 'A', sign: 'magnitude' }) }), {
    about: 'everything that can feed this conductor',
  }),
  downstreamDevice: optional(
    num({ unit: 'A', sign: 'magnitude', about: 'a device that limits what all sources together can drive' }),
  ),
  protectiveDevice: optional(num({ unit: 'A', sign: 'magnitude' })),
  length: num({ unit: 'm', sign: 'magnitude', about: 'one way' }),
  pvSource: optional(flag('irradiance can drive a quarter more than the rating'), false),
  maxDropPercent: optional(percent()),
}
/** The sizes that a terminal takes: at least one end, the right way round by the rank of a size. */
function terminalWindow<T>(end: Shape<T>, rank: (size: T) => number) {
  return optional(
    refine(
      object({ min: optional(end), max: optional(end) }, 'sizes that the terminal takes'),
      (window, path) => {
        const { min, max } = window as { min?: T; max?: T }
        if (min === undefined && max === undefined)
          throw new BadInput('no-content', path, 'needs a min, a max or both')
        if (min !== undefined && max !== undefined && rank(min) > rank(max))
          throw new BadInput('min-above-max', `${path}.min`, 'must not be above max')
      },
    ),
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
export type ConductorInput =
  | ({ school: 'iec' } & Omit<IecConductor, 'pvSource' | 'powerFactor'> & {
        pvSource?: boolean
        powerFactor?: number
      })
  | ({ school: 'nec' } & Omit<NecConductor, 'pvSource'> & { pvSource?: boolean })

export type ConductorCheckId =
  | 'device-carries-design'
  | 'cable-carries-device'
  | 'cable-carries-design'
  | 'termination'
  | 'corrected'
  | 'drop'
  | 'terminal'
/** What a conductor can fail at, in words. */
export const CONDUCTOR_CHECK_WORDS = {
  'device-carries-design': 'the protective device is smaller than the design current',
  'cable-carries-device': 'the cable carries less than its protective device lets through',
  'cable-carries-design': 'the cable carries less than the design current',
  termination: 'the terminal at its end is too cool for this current',
  corrected: 'corrected for ambient and grouping it carries too little',
  drop: 'the voltage drop is too large',
  terminal: 'the terminal does not take this size',
} satisfies Record<ConductorCheckId, string>

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
  working: Message[]
  notes: Message[]
}

/** What a school makes of a conductor under a load. */
export type SchoolJudgement = Omit<ConductorResult, 'designCurrent' | 'verdict' | 'notes'>
