import type { NetworkConductor, NetworkPart } from './one-line.js'

/** A part of a one-line diagram, called by its id. */
export const part = (
  id: string,
  kind: NetworkPart['kind'],
  more: Partial<NetworkPart> = {},
): NetworkPart => ({
  id,
  label: id,
  kind,
  ...more,
})

/** A usual cable of a house between two parts. */
export const cable = (from: string, to: string, more: Partial<NetworkConductor> = {}): NetworkConductor => ({
  id: `${from}-${to}`,
  from,
  to,
  phases: 1,
  voltage: 230,
  size: 6,
  length: 10,
  insulation: 'pvc',
  method: 'C',
  ambient: 30,
  grouped: 1,
  ...more,
})
