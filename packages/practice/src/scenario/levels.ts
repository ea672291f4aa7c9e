import { BadInput, STAGES, type Stage } from '@plumb-mark/core'

/** What is practised, by subject. */
export const LEVELS = {
  identify: ['identify', 'place-and-mount'],
  walls: ['place-and-mount'],
  roof: ['roof', 'earthing'],
  earthing: ['earthing'],
  dc: ['dc'],
  ac: ['ac', 'battery', 'meter'],
  meter: ['meter'],
  'power-up': ['power-up', 'commission', 'close-up'],
  whole: STAGES,
} as const satisfies Record<string, readonly Stage[]>
export type Level = keyof typeof LEVELS
export const LEVEL_NAMES = Object.keys(LEVELS) as Level[]
export const LEVEL_WORDS = {
  identify: 'Nameplates and places',
  walls: 'Walls',
  roof: 'Roof and earthing',
  earthing: 'Earthing',
  dc: 'DC side',
  ac: 'AC side, battery and meter',
  meter: 'Meter',
  'power-up': 'Power up, commission, close up',
  whole: 'The whole job',
} satisfies Record<Level, string>

/** A level by its name. Bad input: one that there is not. */
export function levelCalled(name: string): Level {
  const level = LEVEL_NAMES.find((one) => one === name)
  if (!level) throw new BadInput('not-listed', 'level', `must be one of ${LEVEL_NAMES.join(', ')}`)
  return level
}
