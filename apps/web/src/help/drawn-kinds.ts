import type { KindName } from '@plumb-mark/core'
import type { DemandName } from '../ui/drawings/demands.js'

/** Where a demand is easier seen than said. */
export const DRAWN_KINDS: Partial<Record<KindName, DemandName>> = {
  'arrow-convention': 'arrow',
  bonding: 'bond',
  bus: 'chain',
  clearance: 'clearance',
  'conductor-size': 'conductor',
  counts: 'count',
  'ct-proof': 'arrow',
  'data-chain': 'chain',
  'earth-continuity': 'bond',
  'earth-size': 'earth',
  fixings: 'fixing',
  gland: 'gland',
  indicator: 'lamp',
  nameplate: 'serial',
  'ordered-steps': 'steps',
  polarity: 'polarity',
  presence: 'serial',
  protection: 'breaker',
  'serial-map': 'serial',
  'string-limits': 'string',
  'string-open-circuit': 'string',
  'string-short-circuit': 'string',
  'switch-bank': 'switches',
  'tightening-order': 'bolts',
  'trace-test': 'trace',
}
