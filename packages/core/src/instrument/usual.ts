import type { Accuracy } from './instrument.js'
import type { CarriedInstrument } from './instrument-kinds.js'

const within = (dimension: Accuracy['dimension'], percent: number, plus: number): Accuracy => ({
  dimension,
  percent,
  plus,
})

/**
 * What an instrument of a kind is usually good to (k = 2, canonical units), as a first guess: the certificate of each says better, and until
 * somebody has read it the guess is on the wide side.
 */
export const USUAL_ACCURACY: Record<CarriedInstrument, readonly Accuracy[]> = {
  tape: [within('length', 0, 2)],
  level: [within('angle', 0, 0.2)],
  'torque-driver': [within('torque', 6, 0)],
  multimeter: [within('voltage', 1, 0.5), within('resistance', 1.5, 0.05)],
  'insulation-tester': [within('insulation', 5, 0.05), within('voltage', 3, 2)],
  'continuity-tester': [within('resistance', 3, 0.03)],
  'clamp-meter': [within('current', 2.5, 0.1)],
  'light-meter': [within('irradiance', 5, 10)],
  thermometer: [within('temperature', 0, 2)],
  caliper: [within('length', 0, 0.1), within('conductor-size', 3, 0)],
}
