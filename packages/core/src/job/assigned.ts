import type { JobState } from './state.js'

/**
 * Is this person one of those who work on the job: whoever opened it, or with whom it is shared? Where the office wants it, an inspector
 * enters into no other.
 */
export const isAssigned = (
  { entered, sharedWith }: Pick<JobState, 'entered' | 'sharedWith'>,
  personId: string,
): boolean => entered[0]?.by.id === personId || sharedWith.some(({ id }) => id === personId)
