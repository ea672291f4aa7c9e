import { CALCULATORS, compute } from '../calculators.js'
import { readDraft } from './read-draft.js'

it('a form typed in any units is what the calculator takes', () => {
  const draft = {
    wall: { width: '10 ft', leftCorner: true },
    uncertainty: '',
    items: [
      {
        kind: 'unit',
        id: 'a',
        x: '8 in',
        y: '1 m',
        w: '400',
        h: '60 cm',
        clear: { left: '200 mm', right: '0', top: '0', bottom: '0' },
      },
      { kind: 'obstruction', id: 'o', class: 'pipe', x: '2 m', y: '0', w: '50', h: '2' },
    ],
  }
  const { input, problems } = readDraft(CALCULATORS.clearance.input, draft)
  expect(problems).toEqual({})
  expect(compute('clearance', input)).toMatchObject({
    units: [{ id: 'a', sides: [{ measured: 203.2, required: 200 }, {}, {}, {}] }],
  })
})

it('what cannot be read is told at its place', () => {
  expect(
    readDraft(CALCULATORS['string-voltage'].input, {
      measured: { voc: '443 A' },
      count: 'twelve',
      module: { vocTempCoeff: '-0.26 %/K' },
    }),
  ).toMatchObject({
    input: { module: { vocTempCoeff: -0.26 } },
    problems: {
      'measured.voc': expect.stringContaining('not a unit'),
      count: expect.stringContaining('figure'),
    },
  })
})

it('of two schools the named one is read, and a list of steps is told from passes', () => {
  expect(
    readDraft(CALCULATORS.conductor.input, { school: 'nec', size: '2/0', ambient: '86 °F' }).input,
  ).toEqual({ school: 'nec', size: '2/0', ambient: expect.closeTo(30, 6) })
  // What was typed under the other school is still there, and does not hold the form back.
  expect(
    readDraft(CALCULATORS.conductor.input, { school: 'nec', material: 'copper', insulationTemp: '75' }).input,
  ).toMatchObject({ school: 'nec', insulationTemp: 75 })
  expect(
    readDraft(CALCULATORS.sequence.input, { order: ['A', 'B'], passes: '2', recorded: [] }).input,
  ).toEqual({ order: ['A', 'B'], passes: 2, recorded: [] })
})
