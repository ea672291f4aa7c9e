import { readManual } from '../read-manual.js'
import { heading, paragraph, printed } from '../printed.testing.js'
import type { Fact } from './spot.js'

/** Facts of one sentence under a heading, as a reader of the whole document finds them. */
function found(title: string, text: string, device = 'inverter'): Partial<Fact>[] {
  const cover = printed(1, paragraph(`Example ${device} manual`))
  const page = printed(2, [heading(`4.2 ${title}`), ...paragraph(text)])
  return readManual([cover, page]).facts.map(({ kind, min, max, value }) => ({
    kind,
    ...(min !== undefined && { min: rounded(min) }),
    ...(max !== undefined && { max: rounded(max) }),
    ...(value !== undefined && { value: rounded(value) }),
  }))
}
const rounded = (value: number) => Number(value.toPrecision(4))
const subjects = (title: string, text: string) => {
  const page = printed(1, [heading(`4.2 ${title}`), ...paragraph(text)])
  return readManual([page]).facts.map(({ subject }) => subject)
}

describe('what a sentence demands', () => {
  it.each<[string, string, Partial<Fact>[]]>([
    // Free space, in the words of many makers
    [
      'Clearances',
      'Keep at least 200 mm free on both sides of the inverter.',
      [
        { kind: 'clearance', min: 200 },
        { kind: 'clearance', min: 200 },
      ],
    ],
    [
      'Clearances',
      'A minimum clearance of 300 mm is required above the unit.',
      [{ kind: 'clearance', min: 300 }],
    ],
    [
      'Clearances',
      'Maintain a distance of 50 cm to the ceiling and 60 cm to the floor.',
      [
        { kind: 'clearance', min: 500 },
        { kind: 'clearance', min: 600 },
      ],
    ],
    [
      'Clearances',
      'The gap to the wall behind must be between 20 and 40 mm.',
      [{ kind: 'clearance', min: 20, max: 40 }],
    ],
    [
      'Mounting place',
      'Do not mount the unit closer than 1 m to a window.',
      [{ kind: 'clearance', min: 1000 }],
    ],
    [
      'Mounting place',
      'Neighbouring units are mounted no closer than 150 mm to each other.',
      [{ kind: 'clearance', min: 150 }],
    ],
    [
      'Mounting place',
      'Leave 1,000 mm of free space in front of the door.',
      [{ kind: 'clearance', min: 1000 }],
    ],
    [
      'Installation site',
      'The lower edge has to be 500 mm or more above the floor.',
      [{ kind: 'clearance', min: 500 }],
    ],
    // Torque
    ['Terminals', 'Tighten the terminal screws to 2.5 N·m.', [{ kind: 'torque', value: 2.5 }]],
    [
      'Terminals',
      'The tightening torque of the clamps is 1.2 … 1.5 Nm.',
      [{ kind: 'torque', min: 1.2, max: 1.5 }],
    ],
    ['Terminals', 'Torque the lugs to 31 in-lb.', [{ kind: 'torque', value: 3.503 }]],
    [
      'Terminals',
      'Apply no more than 0.6 N·m to the screws of the signal terminals.',
      [{ kind: 'torque', max: 0.6 }],
    ],
    // Conductors, strip lengths, glands
    [
      'Mains cable',
      'Use copper conductors with a cross-section of 4 to 16 mm².',
      [{ kind: 'conductor', min: 4, max: 16 }],
    ],
    ['Mains cable', 'Remove 12 mm of the insulation from each conductor.', [{ kind: 'strip', value: 12 }]],
    ['Mains cable', 'Strip each wire back 3/8 in.', [{ kind: 'strip', value: 9.525 }]],
    [
      'Mains cable',
      'The cable gland is suited to cables with an outside diameter of 10 mm to 14 mm.',
      [{ kind: 'gland', min: 10, max: 14 }],
    ],
    ['Mains cable', 'The clamping range of the gland is 6–12 mm.', [{ kind: 'gland', min: 6, max: 12 }]],
    [
      'Earthing',
      'The protective earth conductor must have a cross-section of at least 10 mm².',
      [{ kind: 'earth', min: 10 }],
    ],
    [
      'Grounding',
      'Ground the enclosure with a copper wire of 6 AWG or larger.',
      [{ kind: 'earth', min: 13.3 }],
    ],
    // Lengths and protection
    [
      'Mains cable',
      'The cable between the switchboard and the inverter must not exceed 25 m.',
      [{ kind: 'length', max: 25 }],
    ],
    [
      'Communication',
      'The total length of the bus must not be more than 500 m.',
      [{ kind: 'length', max: 500 }],
    ],
    [
      'Protection',
      'Install a miniature circuit breaker of 25 A with characteristic B.',
      [{ kind: 'breaker', value: 25 }],
    ],
    [
      'Protection',
      'The circuit must be protected by a fuse rated at no more than 63 A.',
      [{ kind: 'breaker', max: 63 }],
    ],
    // Place
    [
      'Climate',
      'The permitted ambient temperature is −20 °C to 50 °C.',
      [{ kind: 'temperature', min: -20, max: 50 }],
    ],
    ['Climate', 'The relative humidity must not exceed 95 %.', [{ kind: 'humidity', max: 95 }]],
    [
      'Climate',
      'The unit may be operated at altitudes of up to 2,500 m above sea level.',
      [{ kind: 'altitude', max: 2500 }],
    ],
    ['Climate', 'Maximum altitude: 4000 m.', [{ kind: 'altitude', max: 4000 }]],
    ['Position', 'It may be tilted backwards by at most 15°.', [{ kind: 'tilt', max: 15 }]],
    ['Position', 'Mount it vertically; a tilt of up to 5 degrees is allowed.', [{ kind: 'tilt', max: 5 }]],
    // Mass and fixing
    ['Lifting', 'The inverter weighs 38 kg, so two people are needed.', [{ kind: 'mass', value: 38 }]],
    [
      'Bracket',
      'Drill four holes with a diameter of 10 mm and a depth of at least 70 mm.',
      [
        { kind: 'fixing', value: 10 },
        { kind: 'fixing', min: 70 },
      ],
    ],
    [
      'Bracket',
      'Fasten the bracket with six screws M8.',
      [
        { kind: 'fixing', value: 6 },
        { kind: 'fixing', value: 8 },
      ],
    ],
    // Tolerances, lists whose signs are drawn, counts by name
    ['Terminals', 'Tighten the bolt to 15 ± 2 N·m.', [{ kind: 'torque', min: 13, max: 17 }]],
    [
      'Trunk',
      'Strip the sheath 45 mm and the cores 9 mm.',
      [
        { kind: 'strip', value: 45 },
        { kind: 'strip', value: 9 },
      ],
    ],
    ['Trunk', 'Not more than 8 Osier 3 per branch.', [{ kind: 'count', max: 8 }]],
    [
      'Distances',
      'Distances: to the roof 30 mm, to the module 20 mm.',
      [
        { kind: 'clearance', min: 30 },
        { kind: 'clearance', min: 20 },
      ],
    ],
    [
      'Clearances',
      'Minimum clearances: 8 in (203 mm) each side, 12 in (305 mm) top, 36 in (914 mm) front.',
      [
        { kind: 'clearance', min: 203.2 },
        { kind: 'clearance', min: 203.2 },
        { kind: 'clearance', min: 304.8 },
        { kind: 'clearance', min: 914.4 },
      ],
    ],
    [
      'Bracket',
      'Secure the bracket with (6) 1/4 in lag screws, minimum 2 in penetration into the stud.',
      [
        { kind: 'fixing', value: 6.35 },
        { kind: 'fixing', min: 50.8 },
        { kind: 'fixing', value: 6 },
      ],
    ],
    ['Lamp', 'Lamp red, steady: insulation fault.', [{ kind: 'indicator' }]],
    // Waits
    ['Danger', 'Wait at least 10 minutes before opening the cover.', [{ kind: 'wait', min: 600 }]],
    [
      'Danger',
      'After disconnection, dangerous voltage may be present for up to 5 min.',
      [{ kind: 'wait', max: 300 }],
    ],
    // Counts
    ['Strings', 'Each string must consist of 8 to 20 modules.', [{ kind: 'count', min: 8, max: 20 }]],
    [
      'Parallel operation',
      'A maximum of 6 batteries can be connected in parallel.',
      [{ kind: 'count', max: 6 }],
    ],
    ['Communication', 'No more than 31 devices may be connected to the bus.', [{ kind: 'count', max: 31 }]],
  ])('%s: %s', (title, text, expected) => {
    expect(found(title, text)).toEqual(expected)
  })

  it.each([
    ['Delivery', 'The carton measures 560 × 498 × 290 mm and weighs 21 kg.'],
    ['A string worked out', 'At −18 °C the voltage of one module grows to 46.4 V.'],
    ['Guarantee', 'The guarantee runs 10 years from the date on the invoice.'],
    ['Contact', 'Our desk answers from 8 to 16 o’clock under +000 5550 118 706.'],
    ['Transport', 'The pallet of ten weighs 320 kg.'],
    ['Noise', 'Below 30 dB at a distance of 1 m.'],
  ])('%s: “%s” demands nothing', (title, text) => {
    expect(found(title, text)).toEqual([])
  })

  it.each([
    ['Distances', 'Keep 200 mm clear to the left and 300 mm to the right.', ['left', 'right']],
    ['Distances', 'Above the unit 400 mm must be kept free, below it 500 mm.', ['above', 'below']],
    ['Distances', 'At least 1 m of working space is needed in front of the unit.', ['front']],
    ['Distances', 'Between two inverters leave 300 mm.', ['between units']],
  ])('%s: “%s” is about %j', (title, text, sides) => {
    expect(subjects(title, text)).toEqual(sides)
  })
})
