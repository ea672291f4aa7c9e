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
      unit: string
      instrument: InstrumentKind | undefined
      conditions: readonly Condition[]
      signed: boolean
    }
  | { kind: 'observation'; question: string }
  | ({ kind: 'record'; instrument?: InstrumentKind | undefined } & Form)
  | { kind: 'derived'; from: DerivedFrom }

/** What is noted beside a reading: at the module, of the irradiance, on the tester. */
export const CONDITIONS = ['cellTemperature', 'irradiance', 'testVoltage'] as const
export type Condition = (typeof CONDITIONS)[number]
