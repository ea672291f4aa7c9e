/** What a unit may have to keep away from, by the words that sheets and walls share. */
export const OBSTRUCTION_CLASSES = [
  'pipe',
  'gas pipe',
  'water pipe',
  'duct',
  'cable tray',
  'box',
  'window',
  'door',
  'vent',
  'opening',
  'gas meter',
  'socket',
  'heat source',
  'heater',
  'shelf',
  'column',
  'beam',
  'other',
] as const

/** One class however it is written: "Gas-Pipe" is a gas pipe. */
export const plainClass = (said: string): string =>
  said
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ')

export const isListedClass = (said: string): boolean =>
  (OBSTRUCTION_CLASSES as readonly string[]).includes(plainClass(said))
