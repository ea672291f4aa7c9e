import { formatQuantity } from '../quantity/format.js'
import type { FedBy } from './network-graph.js'
import type { ConductorLoad } from './network.js'
import { conductor } from './conductor.js'
import type { ConductorResult } from './conductor-input.js'
import { IEC_SIZES, NEC_SIZES } from './conductor-tables.js'

/**
 * A conductor of the one-line model before the calculator of the job's school; undefined when nothing feeds
 * it or its size is in no table.
 */
export function judgeNetworkConductor(
  load: ConductorLoad,
  { school, maxDropPercent }: { school: 'iec' | 'nec'; maxDropPercent?: number | undefined },
): ConductorResult | undefined {
  const { conductor: cable, sources, protectiveDevice, downstreamDevice, pvSource } = load
  if (sources.length === 0) return undefined
  const common = {
    phases: cable.phases,
    voltage: cable.voltage,
    sources,
    length: cable.length,
    pvSource,
    ...(protectiveDevice !== undefined && { protectiveDevice }),
    ...(downstreamDevice !== undefined && { downstreamDevice }),
    ...(maxDropPercent !== undefined && { maxDropPercent }),
  }
  if (school === 'iec') {
    const size = IEC_SIZES.find((one) => one === cable.size)
    return size === undefined
      ? undefined
      : conductor({
          school,
          ...common,
          size,
          material: 'copper',
          insulation: cable.insulation,
          method: cable.method,
          ambient: cable.ambient,
          groupedCircuits: cable.grouped,
        })
  }
  const gauge = formatQuantity(cable.size, 'conductor-size', { unit: 'AWG' }).replace(' AWG', '')
  const size = NEC_SIZES.find((one) => one === gauge)
  if (size === undefined) return undefined
  const continuous = sources.every(({ rated }) => !rated)
  return conductor({
    school,
    ...common,
    sources: continuous ? sources : sources.map(lasting),
    size,
    insulationTemp: cable.insulation === 'xlpe' ? 90 : 75,
    terminationTemp: 75,
    ambient: cable.ambient,
    currentCarrying: cable.grouped * (cable.phases === 3 ? 3 : 2),
    continuous,
  })
}

const CONTINUOUS = 1.25

/** What a machine drives lasts for hours and counts at 125 %; what a device lets through is a rating, which is not raised. */
const lasting = ({ name, amps, rated }: FedBy): FedBy =>
  rated ? { name, amps } : { name: `${name} × ${CONTINUOUS}`, amps: amps * CONTINUOUS }
