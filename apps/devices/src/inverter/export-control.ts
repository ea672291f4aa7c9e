/** Keeps what goes to the grid under a limit, by what the meter tells with a dead time, and falls back when it tells nothing. */
export interface ExportControl {
  /** W that may go to the grid, for the whole site; undefined where nothing limits. */
  limit: number | undefined
  /** How many inverters share the work. */
  sharedBy: number
  /** s until a told value is acted on; share of an error that is corrected in a second. */
  deadTime: number
  gain: number
  /** s without a word from the meter until it falls back to feeding nothing; undefined where it never does. */
  fallbackAfter: number | undefined
  /** Told by the meter, W to the grid, oldest first. */
  told: { at: number; toGrid: number }[]
  output: number
}

const KEPT = 20

/** The meter tells what goes to the grid; nothing is told while its data lead is out. */
export function tell(control: ExportControl, at: number, toGrid: number): void {
  control.told.push({ at, toGrid })
  while (control.told.length > 1 && at - control.told[0]!.at > KEPT) control.told.shift()
}

/** What may be fed now, W. */
export function allowance(
  control: ExportControl,
  { now, dt }: { now: number; dt: number },
  rated: number,
): number {
  if (control.limit === undefined) return rated
  const last = control.told.at(-1)
  const quiet = last === undefined || now - last.at >= (control.fallbackAfter ?? Infinity)
  if (quiet) return (control.output = 0)
  const seen = control.told.findLast(({ at }) => now - at >= control.deadTime)
  if (!seen) return control.output
  // A meter that fell silent is no reason to go on correcting by its last word.
  if (now - last.at > 2 * control.deadTime + dt) return control.output
  const error = (control.limit - seen.toGrid) / control.sharedBy
  control.output = Math.min(rated, Math.max(0, control.output + error * control.gain * dt))
  return control.output
}
