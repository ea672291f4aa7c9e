import { BadInput } from '@plumb-mark/core'
import { LEVEL_NAMES, type Level } from './levels.js'
import type { HidingPlace } from './planted.js'

/** A scenario that a trainer wrote: which faults lie where, in an open file that a class can be given. */
export interface ScenarioFile {
  format: 'plumb-mark-practice'
  version: 1
  title: string
  level: Level
  seed: number
  /** Checks and things at which something is wrong; what it is there follows from the seed. */
  faults: HidingPlace['id'][]
}

const MOST_FAULTS = 40

/** Reads a scenario file. Bad input: another format or version, a level that there is not, no faults, or one twice. */
export function readScenarioFile(file: unknown): ScenarioFile {
  const given = (typeof file === 'object' && file !== null ? file : {}) as Record<string, unknown>
  if (given['format'] !== 'plumb-mark-practice')
    throw new BadInput('not-listed', 'format', 'must be “plumb-mark-practice”')
  if (given['version'] !== 1) throw new BadInput('not-listed', 'version', 'must be 1')
  const { title, seed, faults } = given
  const level = LEVEL_NAMES.find((one) => one === given['level'])
  if (!level) throw new BadInput('not-listed', 'level', `must be one of ${LEVEL_NAMES.join(', ')}`)
  if (typeof title !== 'string' || title.trim() === '') throw new BadInput('missing', 'title', 'is required')
  if (!Number.isSafeInteger(seed) || (seed as number) < 0)
    throw new BadInput('out-of-range', 'seed', 'must be a whole number from 0')
  if (!Array.isArray(faults) || faults.length === 0 || faults.length > MOST_FAULTS)
    throw new BadInput('wrong-length', 'faults', `must name 1 to ${MOST_FAULTS} places`)
  faults.forEach((one, i) => {
    if (typeof one !== 'string')
      throw new BadInput('wrong-type', `faults[${i}]`, 'must be the id of a check or a thing')
    if (faults.indexOf(one) !== i) throw new BadInput('duplicate-id', `faults[${i}]`, `“${one}” stands twice`)
  })
  return {
    format: 'plumb-mark-practice',
    version: 1,
    title: title.trim(),
    level,
    seed: seed as number,
    faults: faults as ScenarioFile['faults'],
  }
}
