import { accuracyWords } from './accuracy-words.js'

it.each([
  [{ dimension: 'voltage', percent: 2, plus: 0.5 }, 'voltage ± 2 % + 0.5 V'],
  [{ dimension: 'cable-length', percent: 0, plus: 0.01 }, 'cable length ± 0.01 m'],
  [{ dimension: 'conductor-size', percent: 1, plus: 0 }, 'conductor size ± 1 %'],
  [{ dimension: 'torque', percent: 0, plus: 0 }, 'torque: uncertainty not stated'],
] as const)('%j is said as “%s”', (accuracy, words) => expect(accuracyWords(accuracy)).toBe(words))
