/** Words that sheets share. */
export const SEVERITIES = ['stop', 'major', 'minor', 'note'] as const
export type Severity = (typeof SEVERITIES)[number]

/** Is one less than the other? */
export const isMilder = (one: Severity, than: Severity): boolean =>
  SEVERITIES.indexOf(one) > SEVERITIES.indexOf(than)

export const SEVERITY_MEANS = {
  stop: 'danger now: do not energise, or isolate',
  major: 'rework before sign-off',
  minor: 'rework by a date; sign-off may go ahead with it listed',
  note: 'worth telling, nothing owed',
} satisfies Record<Severity, string>

export const UNIT_KINDS = [
  'hybrid-inverter',
  'string-inverter',
  'small-inverter',
  'module-electronics',
  'battery',
  'meter',
  'gateway',
  'controller',
  'module',
  'dc-isolator',
  'installation',
] as const
export type UnitKind = (typeof UNIT_KINDS)[number]

/** How a terminal holds its conductor. */
export const CLAMPS = ['torque', 'spring', 'quarter-turn', 'crimp', 'click'] as const
export type Clamp = (typeof CLAMPS)[number]

/** One word for a drawing. */
export const CLAMP_NAMES = {
  torque: 'tightened to torque',
  spring: 'spring clamp',
  'quarter-turn': 'quarter-turn clamp',
  crimp: 'crimped',
  click: 'plugged until it clicks',
} satisfies Record<Clamp, string>

export const CLAMP_WORDS = {
  torque: 'tightened to torque',
  spring: 'spring clamp: tug, no torque',
  'quarter-turn': 'quarter-turn clamp: turned to the stop, then a tug',
  crimp: 'crimped, then a tug',
  click: 'plugged until it clicks, then a tug',
} satisfies Record<Clamp, string>

export const UNIT_KIND_WORDS = {
  'hybrid-inverter': 'hybrid inverter',
  'string-inverter': 'string inverter',
  'small-inverter': 'small inverters',
  'module-electronics': 'module electronics',
  battery: 'battery',
  meter: 'meter',
  gateway: 'gateway',
  controller: 'controller',
  module: 'modules',
  'dc-isolator': 'DC isolator',
  installation: 'house rules',
} satisfies Record<UnitKind, string>

/** What the weather, the light and the supply must be like for a check to mean anything. */
export const NEEDS = ['daylight', 'dry', 'mains', 'dead'] as const
export type Need = (typeof NEEDS)[number]
export const NEED_WORDS = {
  daylight: 'daylight on the modules',
  dry: 'dry weather, for open covers and connectors',
  mains: 'mains available',
  dead: 'isolated, locked and proved dead',
} satisfies Record<Need, string>

export const TECHNOLOGIES = ['mono', 'half-cut', 'thin-film', 'heterojunction'] as const

/** Where a unit may stand, as far as what its sheet asks depends on it. */
export const PLACED = ['indoors', 'outdoors'] as const
export const MOUNTED = ['wall', 'floor', 'roof'] as const
