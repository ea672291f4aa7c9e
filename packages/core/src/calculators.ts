import { acBranch, acBranchInput } from './ac/ac-branch.js'
import { conductor } from './ac/conductor.js'
import { conductorInput } from './ac/conductor-input.js'
import { railMarks, railMarksInput } from './array/rail-marks.js'
import { safeVoltage, safeVoltageInput } from './array/safe-voltage.js'
import { serialMap, serialMapInput } from './array/serial-map.js'
import { splitStrings, splitStringsInput } from './array/split-strings.js'
import { expectedPower, expectedPowerInput } from './commissioning/expected-power.js'
import { limitResponse, limitResponseInput } from './commissioning/limit-response.js'
import { reserve, reserveInput } from './commissioning/reserve.js'
import { deviceEnumeration, deviceEnumerationInput } from './commissioning/device-enumeration.js'
import { settings, settingsInput } from './commissioning/settings.js'
import { insulation, insulationInput } from './dc/insulation.js'
import { likeStrings, likeStringsInput } from './dc/like-strings.js'
import { stringColdLimit, stringColdLimitInput } from './dc/string-cold-limit.js'
import { stringVoltage, stringVoltageInput } from './dc/string-voltage.js'
import { protectiveEarth, protectiveEarthInput } from './earthing/protective-earth.js'
import { ctPhasing, ctPhasingInput } from './meter/ct-phasing.js'
import { powerBalance, powerBalanceInput } from './meter/power-balance.js'
import { sequence, sequenceSchema } from './power-up/sequence.js'
import { liftPlan, liftPlanInput } from './wall/lift-plan.js'
import { driverTorque, driverTorqueInput } from './terminal/driver-torque.js'
import { BadInput } from './shape/bad-input.js'
import { decision, decisionInput } from './verdict/decision.js'
import type { JsonSchema } from './shape/shape.js'
import { clearance } from './wall/clearance.js'
import { clearanceRework, clearanceReworkFields } from './wall/clearance-rework.js'
import { fixings, fixingsInput } from './wall/fixings.js'
import { clearanceInput } from './wall/items.js'
import { photoMeasure, photoMeasureInput } from './wall/photo-measure.js'

export interface Calculator {
  /** One line for a list. */
  answers: string
  input: JsonSchema
  compute: (input: never) => object
}

const withFields = (base: JsonSchema, more: JsonSchema): JsonSchema => ({
  ...base,
  properties: { ...base.properties, ...more.properties },
})

/** Every calculator by the name it has on the command line. */
export const CALCULATORS = {
  decision: {
    answers: 'Is a measured value inside its limits, given how well it was measured?',
    input: decisionInput.schema,
    compute: decision,
  },
  clearance: {
    answers: 'Does every unit on a wall have the free space that its maker demands?',
    input: clearanceInput.schema,
    compute: clearance,
  },
  'clearance-rework': {
    answers: 'What is the least rework that makes a wall conform?',
    input: withFields(clearanceInput.schema, clearanceReworkFields.schema),
    compute: (input: never) => clearanceRework(input),
  },
  'string-voltage': {
    answers: 'What does an open-circuit reading say about a string?',
    input: stringVoltageInput.schema,
    compute: stringVoltage,
  },
  'string-cold-limit': {
    answers: 'Does a string stay within the limit on the coldest morning?',
    input: stringColdLimitInput.schema,
    compute: stringColdLimit,
  },
  'safe-voltage': {
    answers: 'Do the module-level converters of a string all show?',
    input: safeVoltageInput.schema,
    compute: safeVoltage,
  },
  'ac-branch': {
    answers: 'How many small inverters may share a branch, and how far does the voltage rise?',
    input: acBranchInput.schema,
    compute: acBranch,
  },
  conductor: {
    answers: 'Is the fitted cable right for every source that can feed it?',
    input: conductorInput.schema,
    compute: conductor,
  },
  'protective-earth': {
    answers: 'Is the protective conductor large enough and unbroken?',
    input: protectiveEarthInput.schema,
    compute: protectiveEarth,
  },
  insulation: {
    answers: 'Is the insulation of an array good enough for its voltage?',
    input: insulationInput.schema,
    compute: insulation,
  },
  'ct-phasing': {
    answers: 'Which current transformer sits on which phase, and which way round?',
    input: ctPhasingInput.schema,
    compute: ctPhasing,
  },
  'power-balance': {
    answers: 'Do the meter and the machines tell one story?',
    input: powerBalanceInput.schema,
    compute: powerBalance,
  },
  fixings: {
    answers: 'Do the fixings hold a unit hung on a wall?',
    input: fixingsInput.schema,
    compute: fixings,
  },
  sequence: {
    answers: 'Was it done in the right order, with the waits?',
    input: sequenceSchema,
    compute: sequence,
  },
  'serial-map': {
    answers: 'Do the devices that report stand where they were planned?',
    input: serialMapInput.schema,
    compute: serialMap,
  },
  'limit-response': {
    answers: 'Does a controlled power come under its limit in time and stay there?',
    input: limitResponseInput.schema,
    compute: limitResponse,
  },
  settings: { answers: 'Are the settings as they must be?', input: settingsInput.schema, compute: settings },
  reserve: {
    answers: 'How long does the backup reserve last?',
    input: reserveInput.schema,
    compute: reserve,
  },
  'photo-measure': {
    answers: 'How long is it on the wall, read off one photograph?',
    input: photoMeasureInput.schema,
    compute: photoMeasure,
  },
  'expected-power': {
    answers: 'Does an array bring the power that its modules, temperature and light promise?',
    input: expectedPowerInput.schema,
    compute: expectedPower,
  },
  'roll-call': {
    answers: 'Do all devices that were fitted report?',
    input: deviceEnumerationInput.schema,
    compute: deviceEnumeration,
  },
  'rail-marks': {
    answers: 'Where do the marks along a rail go?',
    input: railMarksInput.schema,
    compute: railMarks,
  },
  'split-strings': {
    answers: 'How is an array split into strings?',
    input: splitStringsInput.schema,
    compute: splitStrings,
  },
  'like-strings': {
    answers: 'Are like strings alike?',
    input: likeStringsInput.schema,
    compute: likeStrings,
  },
  'driver-torque': {
    answers: 'Can this driver tighten to the window, and does its setting do it?',
    input: driverTorqueInput.schema,
    compute: driverTorque,
  },
  'lift-plan': {
    answers: 'How many people does each lift take?',
    input: liftPlanInput.schema,
    compute: liftPlan,
  },
} as const satisfies Record<string, Calculator>
export type CalculatorName = keyof typeof CALCULATORS
export const CALCULATOR_NAMES = Object.keys(CALCULATORS) as CalculatorName[]

/** Calls a calculator by name with data from outside. Bad input: `unknown-calculator`, and whatever the calculator refuses. */
export function compute(name: string, input: unknown): object {
  if (!Object.hasOwn(CALCULATORS, name))
    throw new BadInput(
      'unknown-calculator',
      'calculator',
      `there is no calculator "${name}" (there are: ${CALCULATOR_NAMES.join(', ')})`,
    )
  return (CALCULATORS[name as CalculatorName].compute as (input: unknown) => object)(input)
}
