/** The four sides of a unit, in the order in which they are listed everywhere. */
export const SIDES = ['left', 'right', 'top', 'bottom'] as const
export type Side = (typeof SIDES)[number]
