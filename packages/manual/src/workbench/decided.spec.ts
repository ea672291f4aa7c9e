import type { Fact } from '../finders/spot.js'
import { othersThan } from '../resolve/others.js'
import { decidedNotes } from './decided.js'
import { decide, workbenchOf } from './workbench.js'

const torque = (page: number, value: number, more: Partial<Fact> = {}): Fact => ({
  kind: 'torque',
  subject: 'cover screws',
  value,
  unit: 'N·m',
  page,
  clause: `${page}.1`,
  text: '',
  box: { x0: 0, top: page, x1: 1, bottom: 1 },
  ...more,
})
const twice = [torque(4, 2.2, { contradicts: true }), torque(9, 2.8, { contradicts: true })]

it('of two places that disagree the sheet says which counts, and which does not', () => {
  const bench = decide(workbenchOf(twice), 1, { kind: 'accepted' })
  expect(decidedNotes(bench)).toEqual([
    'cover screws: 2.8 N·m (page 9, 9.1) rather than 2.2 N·m (page 4, 4.1)',
  ])
})

it('a figure that a person changed is told with what was printed elsewhere', () => {
  const bench = decide(workbenchOf(twice), 0, { kind: 'changed', figures: { value: 2.4 } })
  expect(decidedNotes(bench)).toEqual([
    'cover screws: 2.4 N·m (page 4, 4.1) rather than 2.8 N·m (page 9, 9.1)',
  ])
})

it('what the manual corrects itself names the figure of before; nothing is told of what nobody accepted', () => {
  const place = { page: 3, clause: '3.2', box: { x0: 0, top: 0, x1: 1, bottom: 1 } }
  const bench = workbenchOf([torque(12, 2, { replaces: { value: 2.5, ...place } })])
  expect(decidedNotes(bench)).toEqual([])
  expect(decidedNotes(decide(bench, 0, { kind: 'accepted' }))).toEqual([
    'cover screws: 2 N·m (page 12, 12.1) rather than 2.5 N·m (page 3, 3.2)',
  ])
})

it('only the same thing contradicts', () =>
  expect(othersThan(twice[0]!, [...twice, torque(5, 3, { subject: 'earth', contradicts: true })])).toEqual([
    twice[1],
  ]))
