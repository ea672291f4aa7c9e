export type Task = 'plane' | 'string' | 'devices' | 'branch'

export interface TaskProps {
  /** Places touched on the map, in their order. */
  walked: readonly string[]
  onWalk: (walked: readonly string[]) => void
  chosen: string | undefined
  onDone: () => void
}
