import type { KindName } from './kinds.js'

/** What a kind of requirement is called, and what it is for, for people who write or read a sheet. */
export const KIND_WORDS = {
  'alarm-codes': {
    name: 'Codes in the display',
    about:
      'The codes that the unit may show, what each means and what to do next. A code that may stay is told apart from one that must go.',
  },
  'arrow-convention': {
    name: 'Arrow of the transformers',
    about:
      'Which way the arrow on a current transformer must point for this maker: towards the grid, towards the loads, or with the flow.',
  },
  attestation: {
    name: 'Statement',
    about:
      'A sentence that the inspector confirms in their own name, where there is nothing to measure and nothing to choose.',
  },
  bonding: {
    name: 'Bonding',
    about:
      'By which means a frame or housing may be bonded: washer, plate, lug, copper, or the supply cable itself. How often a part may be used is counted.',
  },
  'branch-limits': {
    name: 'Limits of a branch',
    about:
      'How many small inverters may share a branch, by their current, the breaker and the rise of voltage along the trunk.',
  },
  bus: {
    name: 'Data bus',
    about:
      'Addresses, terminators, shield and pairs of a bus between devices, and how many devices it takes.',
  },
  clearance: {
    name: 'Free space',
    about:
      'How much room a unit needs on each side, to its neighbours and to openings. It is judged from the wall as it was measured.',
  },
  'cold-limit': {
    name: 'Voltage on the coldest morning',
    about:
      'The open-circuit voltage of a string, worked out for the coldest day of the site, against what the input bears.',
  },
  companion: {
    name: 'Right companion',
    about:
      'Which modules go with an inverter or with module electronics: by cells, technology, current, voltage and power.',
  },
  'conductor-size': {
    name: 'Conductor against its current',
    about:
      'Whether a cable carries what flows through it as it is laid, and what it drops, worked out from the one-line diagram.',
  },
  counts: {
    name: 'Counts',
    about: 'Things that are counted by hand, such as accessories in the box or plugs that are idle.',
  },
  'ct-proof': {
    name: 'Proof of the meter',
    about:
      'Readings of each phase that show whether every transformer sits on its own phase and the right way round.',
  },
  'data-chain': {
    name: 'Data chain',
    about:
      'How units are joined by data leads: from which port to which, by what kind of lead, and where the terminator sits.',
  },
  'demand-response': {
    name: 'Demand-response port',
    about: 'How the port is wired or bridged, and what the unit does in each of its modes when it is tried.',
  },
  'earth-continuity': {
    name: 'Continuity of the earth',
    about:
      'The resistance from a part to the main earth terminal, measured, against the most that is allowed.',
  },
  'earth-size': {
    name: 'Size of the protective conductor',
    about:
      'The least size by table or by the adiabatic equation, and the maker’s own least where there is one.',
  },
  fixings: {
    name: 'Wall and fixings',
    about: 'How many fixings, how deep and how wide their holes, and what they carry in the wall at hand.',
  },
  gland: {
    name: 'Gland and cable',
    about: 'Which outer diameters a gland seals, with and without its inner ring.',
  },
  indicator: {
    name: 'Indicator lamps',
    about: 'The colours and rhythms that the unit shows, what each means, and which of them are right.',
  },
  insulation: {
    name: 'Insulation resistance',
    about: 'The least resistance to earth, tested at the voltage that the system asks for.',
  },
  'like-strings': {
    name: 'Like strings alike',
    about: 'Strings that are built alike must read alike: which one differs, and by how much.',
  },
  limits: {
    name: 'A reading within limits',
    about:
      'A figure that is measured and must be at least, at most, or between: of the unit, or of each terminal by its own window.',
  },
  listed: {
    name: 'One of a list',
    about: 'A question with answers to choose from, of which some are allowed.',
  },
  nameplate: {
    name: 'Nameplate against the order',
    about: 'Lines of the nameplate as found, against what was ordered.',
  },
  observation: {
    name: 'To be seen',
    about: 'A question that is answered yes or no by looking, with a photo where one is asked for.',
  },
  'ordered-steps': {
    name: 'Steps in order',
    about:
      'Steps that follow one another, with the waits between them: powering up, powering down, taking off.',
  },
  'part-rating': {
    name: 'Rating of a part',
    about: 'The least rating of a switch, breaker or other part of the one-line diagram.',
  },
  'photo-list': {
    name: 'Photos asked for',
    about: 'The photos that must be there, each of its place.',
  },
  polarity: {
    name: 'Polarity',
    about: 'That plus is plus, proved with a meter before the second end is landed.',
  },
  presence: {
    name: 'Entered at all',
    about: 'That what the job must know was entered, or that it was said why there is none.',
  },
  ports: {
    name: 'Ports and caps',
    about: 'That idle ports are capped, and one module does not feed two inputs.',
  },
  'power-balance': {
    name: 'Power balance',
    about: 'Import, production and loads of each phase, which must add up.',
  },
  production: {
    name: 'Proof of production',
    about: 'What the plant yields at this light and temperature, against what it should.',
  },
  protection: {
    name: 'What protects the unit',
    about:
      'The range of its breaker, residual-current and surge protection, the isolator and the label of two supplies.',
  },
  'rail-marks': {
    name: 'Marks along the rail',
    about: 'Where the boxes of module electronics sit along the rail.',
  },
  reserve: {
    name: 'Reserve',
    about: 'How long the battery carries the loads of the backup port with what it holds back.',
  },
  'roll-call': {
    name: 'Devices reporting',
    about: 'How many devices are fitted, were ever seen, and were seen lately.',
  },
  'safe-voltage': {
    name: 'Safe voltage',
    about: 'The low voltage of a string that rises by a fixed step with each unit that is added.',
  },
  'self-test': {
    name: 'Self-test of the grid protection',
    about: 'Each threshold and trip time of the test that the grid code asks for.',
  },
  'serial-map': {
    name: 'Serials against the map',
    about: 'Each serial at its place on the roof: one that is mistyped, missing or twice is found.',
  },
  settings: {
    name: 'Settings',
    about: 'Settings as they stand in the unit, against what they must be.',
  },
  'string-limits': {
    name: 'Make-up of a string',
    about: 'Least and most modules, power, and what may share a string or an input.',
  },
  'string-open-circuit': {
    name: 'Open-circuit voltage of a string',
    about:
      'Measured against what its modules should give at this temperature and light, with the likely causes of a wrong one.',
  },
  'string-short-circuit': {
    name: 'Short-circuit current of a string',
    about: 'Measured against what its modules should give in this light.',
  },
  'switch-bank': {
    name: 'Bank of switches',
    about: 'Small switches as found, against how they must stand.',
  },
  'tightening-order': {
    name: 'Order of tightening',
    about: 'The order in which bolts are tightened, in how many passes, to which torque.',
  },
  'trace-test': {
    name: 'Test with a trace',
    about:
      'A measured course over time: how fast a limit is kept, or what happens when the meter goes quiet.',
  },
  'tracker-window': {
    name: 'Window of the tracker',
    about: 'The range of voltage in which the input follows the point of maximum power.',
  },
} as const satisfies Record<KindName, { name: string; about: string }>
