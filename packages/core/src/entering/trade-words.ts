/**
 * Short words of the trade, in lower case, and what sheets call the same: whoever types one means any of the others. Kept short on purpose;
 * what a sheet says itself is found without it.
 */
export const TRADE_WORDS: Readonly<Record<string, readonly string[]>> = {
  voc: ['open-circuit'],
  uoc: ['open-circuit'],
  ocv: ['open-circuit'],
  isc: ['short-circuit'],
  riso: ['insulation'],
  iso: ['insulation', 'isolator'],
  megger: ['insulation'],
  rpe: ['continuity', 'earth'],
  pe: ['earth', 'bond'],
  ground: ['earth', 'bond'],
  grounding: ['earth', 'bond'],
  rcd: ['residual'],
  gfci: ['residual'],
  mcb: ['breaker', 'protection'],
  spd: ['surge'],
  ct: ['transformer', 'current'],
  polarity: ['polarity', 'reversed'],
  tight: ['torque', 'tightening'],
  screw: ['torque', 'terminal'],
  awg: ['conductor'],
  gap: ['free', 'clearance'],
  distance: ['free', 'clearance'],
  level: ['plumb', 'tilt'],
  led: ['indicator', 'lights'],
  firmware: ['version', 'settings'],
  sn: ['serial', 'nameplate'],
  plate: ['nameplate'],
}
