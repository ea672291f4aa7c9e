/** A box under a module, or a small inverter: has it ever been heard, and when last (s on the plant's clock). */
export interface Reporting {
  serial: string
  silent: boolean
  heardAt?: number
}

const EVERY = 5
/** Not heard for so long, it counts as silent, s. */
export const LATELY = 300
/** Below this the boxes sleep, W/m². */
export const AWAKE = 60

/** With light, every box that is not silent reports now and then. */
export function hear(boxes: readonly Reporting[], now: number, irradiance: number): void {
  if (irradiance < AWAKE) return
  for (const box of boxes) if (!box.silent && now - (box.heardAt ?? -Infinity) >= EVERY) box.heardAt = now
}

export const everHeard = (boxes: readonly Reporting[]): Reporting[] =>
  boxes.filter(({ heardAt }) => heardAt !== undefined)

export const heardLately = (boxes: readonly Reporting[], now: number): Reporting[] =>
  boxes.filter(({ heardAt }) => heardAt !== undefined && now - heardAt < LATELY)
