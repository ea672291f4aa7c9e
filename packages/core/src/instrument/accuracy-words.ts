import { canonicalUnit, type Dimension } from '../quantity/units.js'
import { isStated, type Accuracy } from './instrument.js'

/** “conductor size”. */
export const dimensionWords = (dimension: Dimension): string => dimension.replaceAll('-', ' ')

/** “2 % + 0.5 V”, as the certificate says it, in the canonical unit; empty where it says nothing. */
export function uncertaintyWords({ dimension, percent, plus }: Accuracy): string {
  const constant = `${plus} ${canonicalUnit(dimension)}`.trim()
  return [percent > 0 ? `${percent} %` : '', plus > 0 ? constant : ''].filter(Boolean).join(' + ')
}

/** “voltage ± 2 % + 0.5 V”; one of before that states nothing says so, and never that it is nothing. */
export const accuracyWords = (accuracy: Accuracy): string =>
  isStated(accuracy)
    ? `${dimensionWords(accuracy.dimension)} ± ${uncertaintyWords(accuracy)}`
    : `${dimensionWords(accuracy.dimension)}: uncertainty not stated`
