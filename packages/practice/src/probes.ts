import { BadInput } from '@plumb-mark/core'
import type { Found } from './answer.js'
import { figureTimes } from './faults.js'

/** Where the two probes of a meter may be put at a string that is unplugged. */
export const PROBE_ENDS = ['plus', 'minus', 'earth'] as const
export type ProbeEnd = (typeof PROBE_ENDS)[number]
export const PROBE_WORDS = {
  plus: 'PV +',
  minus: 'PV −',
  earth: 'earth',
} satisfies Record<ProbeEnd, string>

/**
 * What a meter shows of a voltage with its probes so: turned round it is negative, and between a string that floats and earth, or with both
 * probes on one end, it is nothing. `found` is what it shows from minus to plus. Bad input: what is no reading.
 */
export function probed(found: Found, red: ProbeEnd, black: ProbeEnd): Found {
  if (found.kind !== 'reading') throw new BadInput('wrong-type', 'found', 'is no reading')
  const factor = red === 'plus' && black === 'minus' ? 1 : red === 'minus' && black === 'plus' ? -1 : 0
  return factor === 1 ? found : { ...found, body: { ...found.body, ...figureTimes(found.body, factor) } }
}
