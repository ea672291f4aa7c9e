import { compute } from '@plumb-mark/core'
import { answered, type Answered } from '../work/answered.js'

export interface Asked {
  calculator: string
  input: Record<string, unknown>
}

/** One calculation, in a thread of its own: does it come to a result? */
export default function computes({ calculator, input }: Asked): Answered<undefined> {
  return answered(() => void compute(calculator, input))
}
