import { lazyPart } from './lazy-part.js'
import { Small } from './theme/text.js'

/** The camera that reads a code, with its recogniser: fetched when somebody scans. */
export const Scanner = lazyPart(async () => (await import('./scanner.js')).Scanner, {
  coming: <Small>Opening the scanner …</Small>,
})
