/** Words that sheets share. */
export const SEVERITIES = ['stop', 'major', 'minor', 'note'] as const
export type Severity = (typeof SEVERITIES)[number]

export const SEVERITY_MEANS = {
  stop: 'danger now: do not energise, or isolate',
  major: 'rework before sign-off',
  minor: 'rework by a date; sign-off may go ahead with it listed',
  note: 'worth telling, nothing owed',
} satisfies Record<Severity, string>

export const UNIT_KINDS = [
  'hybrid-inverter', 'string-inverter', 'small-inverter', 'module-electronics', 'battery', 'meter', 'gateway', 'controller', 'module', 'dc-isolator',
] as const
export type UnitKind = (typeof UNIT_KINDS)[number]

export const INSTRUMENT_KINDS = ['tape', 'level', 'torque-driver', 'multimeter', 'insulation-tester', 'continuity-tester', 'clamp-meter', 'light-meter', 'thermometer', 'caliper'] as const
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number]

export const INSTRUMENT_NAMES = {
  tape: 'tape',
  level: 'level',
  'torque-driver': 'torque driver',
  multimeter: 'multimeter',
  'insulation-tester': 'insulation tester',
  'continuity-tester': 'continuity tester',
  'clamp-meter': 'clamp meter',
  'light-meter': 'light meter',
  thermometer: 'thermometer',
  caliper: 'caliper',
} satisfies Record<InstrumentKind, string>

/** How a terminal holds its conductor. */
export const CLAMPS = ['torque', 'spring'] as const
export type Clamp = (typeof CLAMPS)[number]
