import { readFileSync, readdirSync } from 'node:fs'
import { readSheet, sheetId } from '@plumb-mark/core'
import { parse } from 'yaml'
import type { Level } from './scenario/levels.js'
import { madeUp } from './scenario/made-up.js'
import { scenarioOf, type Difficulty, type Scenario } from './scenario/scenario.js'
import type { KitName } from './site/index.js'

const FOLDER = 'samples/sheets'
/** The sheets of the samples. */
export const LIBRARY = new Map(
  readdirSync(FOLDER).map((name) => {
    const sheet = readSheet(parse(readFileSync(`${FOLDER}/${name}`, 'utf8')))
    return [sheetId(sheet), sheet] as const
  }),
)

interface Wish {
  seed: number
  level: Level
  kit?: KitName
  difficulty?: Difficulty
  faults?: string[]
}

/** The installation of a number, with faults in it. */
export const made = (wish: Wish): Scenario => scenarioOf(madeUp(LIBRARY, wish), wish)

/** Its wall has two inverters beside each other. */
export const WITH_NEIGHBOURS = 2
