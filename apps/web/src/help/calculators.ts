import type { CalculatorName } from '@plumb-mark/core'

/** What each calculator is for, and what it needs to answer. */
export const CALCULATORS_SAID = {
  decision:
    'Is a reading inside its limits, and is the instrument good enough to say so? Type the reading, its uncertainty and the limits.',
  clearance:
    'The free space around everything on a wall: each side of each unit against what its maker asks, whichever of two neighbours asks more.',
  'clearance-rework': 'The fewest moves that give everything on a wall its free space, and where each goes.',
  fixings: 'How many fixings a hung unit needs in this wall, and whether those that are there hold it.',
  'photo-measure':
    'A length off a photo of which one length, or four points, are known; with how sure it is.',
  'lift-plan': 'How many people, or which tool, a lift needs by its mass.',
  'rail-marks': 'Where along a rail the clamps come, from the size of the modules and the gaps between them.',
  'split-strings': 'How a number of modules is split into strings that the inputs of an inverter take.',
  'serial-map': 'Serials as they were reported against the plan: missing, double, in another place.',
  'safe-voltage':
    'What a string with switched-off module electronics may read at most, and what it says when it reads more.',
  'string-voltage':
    'What a string must read open-circuit at the temperature of its cells, how far off the reading is, and what explains it best.',
  'string-cold-limit':
    'The highest voltage of a string on the coldest morning against the limit of the input.',
  'like-strings': 'Strings that should read alike, compared with each other at one time.',
  insulation: 'The insulation of an array against earth: the limit by its size and voltage, and the reading.',
  'protective-earth':
    'The size of a protective conductor by the table or by the adiabatic equation, and what stands there.',
  conductor:
    'What a cable carries from everything that feeds it, what it may carry as it is laid, what protects it, and its drop of voltage.',
  'ac-branch': 'How many small inverters a branch takes: current, protection, drop of voltage along it.',
  'driver-torque': 'Which setting of a driver lands inside a torque window, with its class counted in.',
  'ct-phasing':
    'Which transformer sits on which phase and which way round, from voltages, currents and powers as the meter shows them.',
  'power-balance': 'Do inverter, battery, meter and loads tell one story? What is missing, and where.',
  sequence: 'Were steps done in their order, with their waits?',
  settings: 'Settings as found against what must be set.',
  'limit-response': 'Did a trace come under its limit in time, and stay there?',
  'expected-power': 'The power that this light promises, and whether the unit gives it.',
  'roll-call': 'Devices that report now, that ever did, and that are fitted.',
  reserve: 'How many hours a battery carries the loads behind a backup port.',
} satisfies Record<CalculatorName, string>
