export const INSTRUMENT_KINDS = [
  'tape',
  'level',
  'torque-driver',
  'multimeter',
  'insulation-tester',
  'continuity-tester',
  'clamp-meter',
  'light-meter',
  'thermometer',
  'caliper',
] as const
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number]

export const INSTRUMENT_NAMES = {
  tape: 'tape',
  level: 'level',
  'torque-driver': 'torque driver',
  multimeter: 'multimeter',
  'insulation-tester': 'insulation tester',
  'continuity-tester': 'continuity tester',
  'clamp-meter': 'clamp meter',
  'light-meter': 'irradiance meter',
  thermometer: 'thermometer',
  caliper: 'caliper',
} satisfies Record<InstrumentKind, string>
