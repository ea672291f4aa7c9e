export interface Segment {
  /** m */
  length: number
  /** mm² */
  size: number
}

/**
 * The pieces of a branch's trunk: one from the board to the nearest inverter, then one from each to the next. Where an earlier trunk is
 * measured piece by piece it stays so, as far as the piece that stands for them all was not said otherwise. m, mm².
 */
export function branchSegments(
  inverters: number,
  { feeder, step }: { feeder: Segment; step: Segment },
  before: readonly Segment[] = [],
): Segment[] {
  const same = (one: Segment | undefined) => one?.length === step.length && one.size === step.size
  const keeps = same(before[1])
  return Array.from({ length: inverters }, (_, i) =>
    i === 0 ? feeder : ((keeps ? before[i] : undefined) ?? step),
  )
}
