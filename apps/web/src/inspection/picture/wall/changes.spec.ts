import type { AsBuilt, UnitBuilt } from '@plumb-mark/core'
import { inverseOf, withObstruction, withUnit, type WallChange } from './changes.js'

const unit: UnitBuilt = { id: 'u', label: 'U', sheetId: 's', place: { wallId: 'w', x: 100, y: 0, w: 10, h: 10 } }
const obstruction = { id: 'o', label: 'O', class: 'pipe', x: 0, y: 0, w: 10, h: 10 }
const asBuilt: AsBuilt = { units: [unit], strings: [], walls: [{ id: 'w', title: 'W', leftCorner: false, rightCorner: false, uncertainty: 0, obstructions: [obstruction] }] }
const fresh = { ...unit, id: 'new' }

it.each<[string, WallChange, WallChange]>([
  ['moving a unit is undone by putting it back', { kind: 'unit-fitted', body: { ...unit, label: 'moved' } }, { kind: 'unit-fitted', body: unit }],
  ['adding a unit is undone by removing it', { kind: 'unit-fitted', body: fresh }, { kind: 'unit-removed', body: { unitId: 'new' } }],
  ['removing a unit is undone by fitting it', { kind: 'unit-removed', body: { unitId: 'u' } }, { kind: 'unit-fitted', body: unit }],
  ['moving an obstruction is undone by putting it back', { kind: 'obstruction-measured', body: { wallId: 'w', obstruction: { ...obstruction, x: 9 } } }, { kind: 'obstruction-measured', body: { wallId: 'w', obstruction } }],
  ['adding an obstruction is undone by removing it', { kind: 'obstruction-measured', body: { wallId: 'w', obstruction: { ...obstruction, id: 'n' } } }, { kind: 'obstruction-removed', body: { wallId: 'w', obstructionId: 'n' } }],
  ['removing an obstruction is undone by measuring it', { kind: 'obstruction-removed', body: { wallId: 'w', obstructionId: 'o' } }, { kind: 'obstruction-measured', body: { wallId: 'w', obstruction } }],
])('%s', (_what, change, inverse) => {
  expect(inverseOf(change, asBuilt)).toEqual(inverse)
})

it('trying out a change leaves what is kept as it was', () => {
  const before = structuredClone(asBuilt)
  expect(withUnit(asBuilt, { ...unit, label: 'x' }).units[0]!.label).toBe('x')
  expect(withObstruction(asBuilt, 'w', { ...obstruction, x: 5 }).walls[0]!.obstructions[0]!.x).toBe(5)
  expect(asBuilt).toEqual(before)
})
