import { useInspection } from './inspection.js'

/** The system of units of the open job: figures of the other one are followed by what they are in it. */
export const useSystem = (): 'metric' | 'us' =>
  useInspection(({ inspection }) => inspection?.state.header?.units ?? 'metric')
