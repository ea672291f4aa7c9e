/** A transformer as it is wired: on which phase's conductor it sits, and which way round. */
export interface Transformer {
  on: number
  turned: boolean
}

const THIRD = (2 * Math.PI) / 3

/**
 * What a meter reads on each channel when its transformers sit as they do, W and VA reactive: channel k multiplies the voltage of its
 * own phase with the current of the phase that its transformer sits on. Phases 120° apart (180° for two); loads and machines draw active power.
 */
export function readings(
  truth: readonly number[],
  transformers: readonly Transformer[],
): { watts: number; vars: number }[] {
  const apart = truth.length === 2 ? Math.PI : THIRD
  return transformers.map(({ on, turned }, channel) => {
    const angle = apart * (on - channel)
    const through = (turned ? -1 : 1) * truth[on]!
    return { watts: through * Math.cos(angle), vars: through * Math.sin(angle) }
  })
}

/** What the meter of a site reads on each channel now. */
export const meterReadings = ({
  fromGrid,
  transformers,
}: {
  fromGrid: readonly number[]
  transformers: readonly Transformer[]
}) => readings(fromGrid, transformers)
