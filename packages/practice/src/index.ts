export { isThing, whereOf, type Found, type Where } from './answer.js'
export { Chance } from './chance.js'
export { INSPECTORS, doneBy, inspectedBy, lookedAt, type Inspector } from './inspectors.js'
export { LEVEL_NAMES, LEVEL_WORDS, levelCalled, type Level } from './levels.js'
export {
  DIFFICULTIES,
  hidingPlaces,
  inspectWith,
  scenarioOf,
  type Difficulty,
  type HidingPlace,
  type Planted,
  type Scenario,
} from './scenario.js'
export { PROBE_ENDS, PROBE_WORDS, probed, type ProbeEnd } from './probes.js'
export { SAFETY_STEPS, SAFETY_WORDS, isHandsOn, type Done, type SafetyStep } from './safety.js'
export { readScenarioFile, type ScenarioFile } from './scenario-file.js'
export { scoreOf, type Score } from './score.js'
export { sayThing, type Thing, type ThingFound } from './things.js'
