export type { Found } from './answer.js'
export { Chance } from './chance.js'
export { INSPECTORS, inspectedBy, lookedAt, type Inspector } from './inspectors.js'
export { LEVEL_NAMES, LEVEL_WORDS, levelCalled, type Level } from './levels.js'
export {
  DIFFICULTIES,
  inspectWith,
  scenarioOf,
  type Difficulty,
  type Planted,
  type Scenario,
} from './scenario.js'
export { scoreOf, type Score } from './score.js'
