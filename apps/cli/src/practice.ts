import { readFile, readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { readSheetText } from '@plumb-mark/contract'
import { BadInput, readInspectionFile, sheetId, type Sheet } from '@plumb-mark/core'
import {
  DIFFICULTIES,
  INSPECTORS,
  doneBy,
  inspectedBy,
  levelCalled,
  madeUp,
  readScenarioFile,
  scenarioOf,
  scoreOf,
  type Base,
  type Level,
  type Scenario,
  type Score,
} from '@plumb-mark/practice'
import type { Command } from './command.js'

const SHEETS = fileURLToPath(new URL('../../../samples/sheets/', import.meta.url))

/** `practice`: one made-up installation with hidden faults, inspected without a browser. */
export const practice: Command = async (args) => {
  const { values } = parseArgs({
    args,
    options: {
      seed: { type: 'string', default: '1' },
      level: { type: 'string', default: 'whole' },
      difficulty: { type: 'string', default: 'fair' },
      inspector: { type: 'string', default: 'perfect' },
      base: { type: 'string' },
      scenario: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  })
  const seed = Number(values.seed)
  if (!Number.isSafeInteger(seed) || seed < 0)
    throw new BadInput('out-of-range', 'seed', 'must be a whole number from 0')
  const wish =
    values.scenario === undefined
      ? {
          seed,
          level: levelCalled(values.level),
          difficulty: oneOf(DIFFICULTIES, values.difficulty, 'difficulty'),
        }
      : readScenarioFile(JSON.parse(await readFile(values.scenario, 'utf8')))
  const scenario = scenarioOf(await baseFor(wish, values.base), wish)
  const inspector = oneOf(INSPECTORS, values.inspector, 'inspector')
  const score = scoreOf(scenario, inspectedBy(scenario, inspector), doneBy(scenario, inspector))
  console.log(
    values.json
      ? JSON.stringify({ ...asData(scenario, score), inspector }, null, 2)
      : asText(scenario, score),
  )
  return score.passed ? 0 : 1
}

/** The installation of its number, or an exported inspection in which all is right. */
async function baseFor(wish: { seed: number; level: Level }, path: string | undefined): Promise<Base> {
  if (path !== undefined) return readInspectionFile(JSON.parse(await readFile(path, 'utf8')))
  const library = new Map<string, Sheet>()
  for (const name of await readdir(SHEETS)) {
    const read = readSheetText(await readFile(join(SHEETS, name), 'utf8'))
    if (read.ok) library.set(sheetId(read.sheet), read.sheet)
  }
  return madeUp(library, wish)
}

function oneOf<T extends string>(all: readonly T[], said: string, path: string): T {
  const found = all.find((one) => one === said)
  if (!found) throw new BadInput('not-listed', path, `must be one of ${all.join(', ')}`)
  return found
}

const asData = ({ seed, level, difficulty, planted, checks }: Scenario, score: Score) => ({
  seed,
  level,
  difficulty,
  checks: checks.length,
  planted,
  ...score,
})

function asText({ seed, level, difficulty, planted, checks }: Scenario, score: Score): string {
  const lines = (title: string, all: readonly { title: string; place: string; what?: string }[]) => [
    `${title}: ${all.length}`,
    ...all.map((one) => `  ${one.title}, ${one.place}${one.what ? `: ${one.what}` : ''}`),
  ]
  return [
    `seed ${seed}, ${level}, ${difficulty}: ${checks.length} checks`,
    ...lines('planted', planted),
    ...lines('found', score.found),
    ...lines('missed', score.missed),
    ...lines('invented', score.invented),
    ...lines('left open', score.open),
    ...lines('touched before it was safe', score.unsafe),
    `${score.points} of 100, ${score.passed ? 'passed' : 'not passed'}`,
  ].join('\n')
}
