import type { InstrumentKind } from '../instrument/instrument-kinds.js'
import type { Dimension } from '../quantity/units.js'
import type { Form } from './forms.js'

/** Where a check without a question of its own reads its facts. */
export type DerivedFrom = 'wall' | 'array' | 'earthing' | 'network' | 'units'

/** What the inspector is asked for. */
export type Ask =
  | {
      kind: 'reading'
      dimension: Dimension
      /** Meant when none is typed. Left out where a bare figure could be of either system: it is then asked for. */
      unit: string | undefined
      instrument: InstrumentKind | undefined
      conditions: readonly Condition[]
      /** True where a figure may well lie below zero. */
      signed: boolean
    }
  | { kind: 'observation'; question: string }
  | ({ kind: 'record'; instrument?: InstrumentKind | undefined } & Form)
  | { kind: 'derived'; from: DerivedFrom }

/** What is noted beside a reading: at the module, of the irradiance, on the tester. */
export const CONDITIONS = ['cellTemperature', 'irradiance', 'testVoltage'] as const
export type Condition = (typeof CONDITIONS)[number]
