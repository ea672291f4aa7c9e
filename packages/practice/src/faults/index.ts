import { READING_FAULTS } from './readings.js'
import { RECORD_FAULTS } from './records.js'
import type { AnswerFault } from './fault.js'

export { THING_FAULTS, type ThingFault } from './built.js'
export { figureTimes, type AnswerFault } from './fault.js'
export { expired } from './readings.js'

/** Every way in which an answer can be wrong: planted in random installations to see that it is found, and hidden where people practise. */
export const ANSWER_FAULTS: readonly AnswerFault[] = [...READING_FAULTS, ...RECORD_FAULTS]
