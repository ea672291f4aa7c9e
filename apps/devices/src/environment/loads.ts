/** Something that draws power on one phase (0, 1, 2), switched by a person. */
export interface Load {
  name: string
  phase: number
  watts: number
  on: boolean
  /** Stands behind the backup port: is fed on when the grid is gone. */
  backedUp?: boolean
}

/** What is drawn on each phase, W; `only` the backed-up ones when the grid is gone. */
export function drawn(loads: readonly Load[], phases: number, only: 'all' | 'backed-up' = 'all'): number[] {
  const on = loads.filter((load) => load.on && (only === 'all' || load.backedUp))
  return Array.from({ length: phases }, (_, phase) =>
    sum(on.filter((load) => load.phase === phase).map(({ watts }) => watts)),
  )
}

export const sum = (all: readonly number[]): number => all.reduce((one, other) => one + other, 0)
