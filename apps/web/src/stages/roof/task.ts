export type Task = 'plane' | 'string' | 'devices' | 'branch'

export interface TaskProps {
  /** Places touched on the map, in their order. */
  walked: readonly string[]
  onWalk: (walked: readonly string[]) => void
  /** The next touch takes all that lies on the way to it. */
  through: boolean
  onThrough: (through: boolean) => void
  chosen: string | undefined
  onDone: () => void
}
