import { wallDrawing } from '../drawings/wall.js'
import { fold } from '../job/fold.js'
import { BadInput } from '../shape/bad-input.js'
import { blockers, waitingFor } from '../sign-off/gate.js'
import { inspect } from '../walk/inspect.js'
import { readInspectionFile, sheetsById, verifyInspectionFile } from './inspection-file.js'
import { Chance, LIBRARY, RandomJob } from './random-job.testing.js'
import { sha256 } from './sample-job.testing.js'

/** Where something stands: what holds it, and under which name. */
type Place = [Record<string, unknown>, string]

const INSTEAD: readonly unknown[] = [null, 0, -1, 1e308, '', 'toString', '__proto__', true, [], {}, [null]]

function placesIn(value: unknown): Place[] {
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([name, inner]): Place[] => [
    [value as Record<string, unknown>, name],
    ...placesIn(inner),
  ])
}

/** One thing in it is taken away, or something else stands in its place. */
function spoil(data: unknown, chance: Chance): string {
  const [holder, name] = chance.of(placesIn(data))
  const instead = chance.below(INSTEAD.length + 1)
  if (instead < INSTEAD.length) holder[name] = INSTEAD[instead]
  else if (Array.isArray(holder)) holder.splice(Number(name), 1)
  else delete holder[name]
  return `${name}: ${instead === INSTEAD.length ? 'taken away' : JSON.stringify(INSTEAD[instead])}`
}

/** What goes wrong other than by a refusal; nothing where all is well. */
function failure(data: unknown): string | undefined {
  try {
    const file = readInspectionFile(data)
    verifyInspectionFile(file, sha256)
    const inspection = inspect(fold(file.entries), sheetsById(file.sheets))
    blockers(inspection)
    waitingFor(inspection)
    inspection.walls.forEach((wall) => wallDrawing(wall, inspection.context.labelOf))
    return undefined
  } catch (problem) {
    return problem instanceof BadInput ? undefined : String((problem as Error).stack).slice(0, 500)
  }
}

it('a file that was spoilt anywhere is refused with its place or can be judged, and never fails otherwise', () => {
  const failures: string[] = []
  for (const seed of [3, 14]) {
    const chance = new Chance(seed)
    const job = new RandomJob(chance)
    for (let step = 0; step < 60; step++) job.grow()
    const written = JSON.stringify({
      format: 'plumb-mark-inspection',
      version: 1,
      jobId: 'job',
      sheets: [...LIBRARY.values()].slice(0, 6),
      entries: job.entries,
    })
    for (let time = 0; time < 200; time++) {
      const data = JSON.parse(written) as { entries: unknown }
      const what = spoil(time % 2 === 0 ? data : data.entries, chance)
      const failed = failure(data)
      if (failed) failures.push(`${what} ${failed}`)
    }
  }
  expect(failures).toEqual([])
})
