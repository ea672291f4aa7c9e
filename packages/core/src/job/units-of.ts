import type { JobHeader } from './header.js'

/** In which units a job is entered and read, where a figure could be in either: sizes of conductors, lengths of cables. */
export interface JobUnits {
  size: 'AWG' | 'mm²'
  cable: 'ft' | 'm'
}

const UNITS: Record<JobHeader['units'], JobUnits> = {
  metric: { size: 'mm²', cable: 'm' },
  us: { size: 'AWG', cable: 'ft' },
}

/** Metric as long as the job does not say. */
export const unitsOf = (header: Pick<JobHeader, 'units'> | undefined): JobUnits =>
  UNITS[header?.units ?? 'metric']
