/** Strings on the array map are told apart by their number first, and by a colour that reads on paper and in the dark. */
const COLOURS = [
  '#2c6fa6',
  '#a85a14',
  '#577a22',
  '#8d3f7b',
  '#1d7f79',
  '#b2472c',
  '#6a5ab4',
  '#7d6a0e',
] as const

export const stringColour = (number: number): string => COLOURS[number % COLOURS.length]!
