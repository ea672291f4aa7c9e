/**
 * Drawn from the craft of setting out: a limewashed ground, a chalk-line blue to act with, red oxide for
 * danger, the bob’s brass for what is unproven.
 */
export const COLOURS = {
  paper: ['#f3eee3', '#171916'],
  panel: ['#fbf8f1', '#20231f'],
  sunk: ['#e9e2d3', '#101210'],
  text: ['#22211d', '#ece7da'],
  faint: ['#615b4e', '#a9a391'],
  hair: ['#d5ccb9', '#3a3e37'],
  accent: ['#23527d', '#8fbde2'],
  accentWash: ['#dde7ef', '#1f2f3c'],
  danger: ['#9a3119', '#f0937a'],
  dangerWash: ['#f4ddd4', '#42241b'],
  unproven: ['#7a5b12', '#dcb65f'],
  unprovenWash: ['#f1e6c8', '#393019'],
  // On a photo, with a white edge around them: the same by day and by night.
  pinMark: ['#1d4a73', '#1d4a73'],
  pinCheck: ['#7a5b12', '#7a5b12'],
  pinLength: ['#9a3119', '#9a3119'],
  rim: ['#171916', '#171916'],
} as const

export type Colour = keyof typeof COLOURS

/** A colour of the theme, by day or by night, where a style has no names: in drawings, charts and the editor. */
export const ink = (colour: Colour): string =>
  `var(--chakra-colors-${colour.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)})`

/** The tabular face, in the same places. */
export const MONO = 'var(--chakra-fonts-mono)'
