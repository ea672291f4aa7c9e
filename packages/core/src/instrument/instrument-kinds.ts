/** What an inspector carries, and the office keeps with its calibration. */
export const CARRIED_INSTRUMENTS = [
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
export type CarriedInstrument = (typeof CARRIED_INSTRUMENTS)[number]

/** A photo measures too, once a length that is known comes out of it. */
export const INSTRUMENT_KINDS = [...CARRIED_INSTRUMENTS, 'photo'] as const
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
  photo: 'photo',
} satisfies Record<InstrumentKind, string>
