/**
 * Comparisons with a limit. Sums and products of decimal fractions leave a few units in the last place, so both sides may differ by
 * 1e-9 of the largest figure that went into the comparison before one counts as beyond the other.
 */
const ROUNDING = 1e-9

/** a ≥ b. `scale` names the largest figure behind a and b when they are themselves small differences. */
export function atLeast(a: number, b: number, scale = 0): boolean {
  return a >= b || a >= b - ROUNDING * Math.max(Math.abs(a), Math.abs(b), scale)
}

/** a ≤ b, in the same sense. */
export function atMost(a: number, b: number, scale = 0): boolean {
  return atLeast(b, a, scale)
}

/** The largest whole number ≤ a that rounding error does not rob of its last unit. */
export function wholeBelow(a: number): number {
  return Math.floor(a + ROUNDING * Math.max(1, Math.abs(a)))
}
