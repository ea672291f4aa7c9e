/** The walk, in the order people work. */
export const STAGES = [
  'prepare',
  'identify',
  'place-and-mount',
  'roof',
  'earthing',
  'dc',
  'ac',
  'battery',
  'meter',
  'power-up',
  'commission',
  'close-up',
  'sign',
] as const
export type Stage = (typeof STAGES)[number]

export const STAGE_TITLES = {
  prepare: 'Prepare',
  identify: 'Identify',
  'place-and-mount': 'Place and mount',
  roof: 'Roof',
  earthing: 'Earthing',
  dc: 'DC side',
  ac: 'AC side',
  battery: 'Battery',
  meter: 'Meter',
  'power-up': 'Power up',
  commission: 'Commission',
  'close-up': 'Close up',
  sign: 'Judge and sign',
} satisfies Record<Stage, string>

/** Shown where the work of a stage can hurt somebody. */
export const STAGE_CAUTIONS: Partial<Record<Stage, string>> = {
  'place-and-mount': 'Two people for heavy lifts; wear the equipment that the sheet lists.',
  roof: 'Modules in light are live whatever the switch says.',
  earthing: 'The protective conductor is landed first and taken off last.',
  dc: 'Modules in light are live, and a DC arc does not go out by itself. Only qualified people open, measure or change live equipment.',
  ac: 'Isolate, lock, prove dead before touching; wait out the capacitors. Follow the local code and the authority.',
  battery: 'A battery cannot be switched off inside.',
  'power-up': 'Follow the maker’s own order and waits.',
}
