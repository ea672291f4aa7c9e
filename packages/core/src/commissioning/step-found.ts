/**
 * When something happened in a trace: the moment just before its largest change from one sample to the next, s. Undefined where nothing
 * changes. A person confirms it; it is a proposal and no finding.
 */
export function stepFound(samples: readonly { t: number; value: number }[]): number | undefined {
  let [largest, at] = [0, undefined as number | undefined]
  for (let i = 1; i < samples.length; i++) {
    const change = Math.abs(samples[i]!.value - samples[i - 1]!.value)
    if (change > largest) [largest, at] = [change, samples[i - 1]!.t]
  }
  return at
}
