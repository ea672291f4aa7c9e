/** The supply of the street: there or not, and since when, s on the plant's own clock. */
export interface Grid {
  present: boolean
  since: number
  /** Volts to neutral and hertz while it is there. */
  volts: number
  hertz: number
}

export function switchGrid(grid: Grid, present: boolean, now: number): void {
  if (grid.present === present) return
  grid.present = present
  grid.since = now
}
