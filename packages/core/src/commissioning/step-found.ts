import type { Column } from './trace-file.js'

/**
 * When something happened in a trace: the moment just before its largest change from one sample to the next, s. Undefined where nothing
 * changes. A person confirms it; it is a proposal and no finding.
 */
export function stepFound({ t, values }: Column): number | undefined {
  let [largest, at] = [0, undefined as number | undefined]
  for (let i = 1; i < t.length; i++) {
    const change = Math.abs(values[i]! - values[i - 1]!)
    if (change > largest) [largest, at] = [change, t[i - 1]!]
  }
  return at
}
