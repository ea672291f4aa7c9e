export { isThing, whereOf, type Found, type Where } from './found/answer.js'
export { Chance } from './chance.js'
export { ANSWER_FAULTS, THING_FAULTS, expired, type AnswerFault, type ThingFault } from './faults/index.js'
export { INSPECTORS, doneBy, inspectedBy, type Inspector } from './score/inspectors.js'
export { LEVEL_NAMES, LEVEL_WORDS, levelCalled, type Level } from './scenario/levels.js'
export { bagOf, besides, isHeld, look, settingOf, type Hold } from './instruments/hold.js'
export { inspectWith, type Base } from './scenario/base.js'
export type { HidingPlace, Planted } from './scenario/hiding.js'
export { madeUp } from './scenario/made-up.js'
export {
  DIFFICULTIES,
  hidingPlaces,
  scenarioOf,
  type Difficulty,
  type Scenario,
} from './scenario/scenario.js'
export type { Probe } from './instruments/probes.js'
export { SAFETY_STEPS, SAFETY_WORDS, isHandsOn, type Done, type SafetyStep } from './score/safety.js'
export { readScenarioFile, type ScenarioFile } from './scenario/scenario-file.js'
export { scoreOf, type Score } from './score/score.js'
export * from './site/index.js'
export { edgesOf, taped, wallsOf, type Edge } from './instruments/tape.js'
export { traceOf } from './instruments/traced.js'
export { wiringAt, type Sits } from './instruments/wiring.js'
export { weatherAfter, type Weather } from './scenario/weather.js'
export { namesIn, sayThing, type Thing, type ThingFound } from './found/things.js'
