import { rfc3339 } from '../shape/time.js'

/** Times of one entry as they are kept. */
export interface KeptTimes {
  at: string
  said?: string
  received: string
}

/** A clock that is off by more than this is told to the person, and noted in the record: ms. */
export const CLOCK_TOLERANCE = 2 * 60 * 1000
/** Below this a difference is the way through the network: ms. */
const NEGLIGIBLE = 2000

/** How far the clock of a device is ahead of the server's, ms; 0 where it said nothing. */
export const clockAhead = (clock: string | undefined, received: string): number =>
  clock === undefined ? 0 : rfc3339(clock) - rfc3339(received)

/**
 * The times of an entry: what the device said, moved by as much as its clock is off, never later than it was received and never before the
 * job was opened. All RFC 3339. What the device said is kept beside it wherever the two differ.
 */
export function correctedTimes(
  said: string,
  { ahead, received, opened }: { ahead: number; received: string; opened?: string | undefined },
): KeptTimes {
  const off = Math.abs(ahead) <= NEGLIGIBLE ? 0 : ahead
  const latest = rfc3339(received)
  const earliest = opened === undefined ? -Infinity : Math.min(rfc3339(opened), latest)
  const time = Math.max(earliest, Math.min(latest, rfc3339(said) - off))
  if (time === rfc3339(said)) return { at: said, received }
  return { at: new Date(time).toISOString(), said, received }
}
