/** What one channel of a meter said at one moment: V, W, var. */
export interface ChannelAt {
  voltage: number
  active: number
  reactive: number
}

/**
 * A known load switched on shows in what it changes, whatever else runs: for each channel the change of its readings from before to now,
 * beside the load that was switched on its phase (W, 0 where nobody switched anything). Voltages as they are now. Undefined where a channel
 * was not read at both moments. Source: superposition of the currents in a conductor.
 */
export function changeByKnownLoad(
  before: readonly (ChannelAt | undefined)[],
  now: readonly (ChannelAt | undefined)[],
  switched: readonly number[],
): (ChannelAt & { load: number })[] | undefined {
  const all = now.map((channel, i) => {
    const earlier = before[i]
    if (!channel || !earlier) return undefined
    return {
      voltage: channel.voltage,
      active: channel.active - earlier.active,
      reactive: channel.reactive - earlier.reactive,
      load: switched[i] ?? 0,
    }
  })
  return all.every((channel) => channel !== undefined) ? all : undefined
}
