import type { PointId } from '@plumb-mark/core'

/** Where a probe of a meter may be put: at an end of a string that is unplugged, or at earth. */
export type Probe = { at: PointId; end: 'plus' | 'minus' } | { end: 'earth' }

/**
 * What two probes have between them: a string from minus to plus (1), or turned round (−1), and nothing (0) from one string to another, to
 * earth, or with both on one end, since an unplugged string floats.
 */
export function between(red: Probe, black: Probe): { at?: PointId; factor: -1 | 0 | 1 } {
  if (!('at' in red) || !('at' in black) || red.at !== black.at || red.end === black.end) return { factor: 0 }
  return { at: red.at, factor: red.end === 'plus' ? 1 : -1 }
}
