import { SampleJob } from '../admission/sample-job.testing.js'
import type { JudgedCheck } from '../walk/check.js'
import { listed } from '../walk/grouped.js'
import { pasteInto, readingTable } from './reading-table.js'

const tabled = () => {
  const { checks } = SampleJob.opened().write('inspector', 'unit-fitted', {
    id: 'v',
    label: 'Box 2',
    sheetId: 'nobody-box-1',
  }).inspection
  const item = listed(
    checks.filter(({ check }) => check.stage === 'dc'),
    'requirement',
  ).find(({ kind }) => kind === 'group')
  if (item?.kind !== 'group') throw new Error('no group')
  return item
}
const table = () => readingTable(tabled().group)

it('has a row for each thing and a column for each that is read there', () => {
  const { columns, rows } = table()
  expect(columns).toMatchObject([{ id: 'torque', title: 'Torque', unit: 'N·m' }])
  expect(rows.map(({ label, cells }) => [label, cells[0]!.check.id])).toEqual([
    ['Box 1, A', 'u/torque/a'],
    ['Box 2, A', 'v/torque/a'],
  ])
})

it.each([
  [[['2.4'], ['2.5']], { row: 0, column: 0 }, ['u/torque/a 2.4', 'v/torque/a 2.5']],
  [[[' '], ['2.5']], { row: 0, column: 0 }, ['v/torque/a 2.5']],
  [[['2.5']], { row: 1, column: 0 }, ['v/torque/a 2.5']],
])('a block %j that fits is taken cell by cell, empty ones left alone', (block, at, expected) => {
  const pasted = pasteInto(table(), block, at)
  expect(pasted.ok && pasted.cells.map(({ judged, typed }) => `${judged.check.id} ${typed}`)).toEqual(
    expected,
  )
})

it.each([
  [[['1'], ['2']], { row: 1, column: 0 }, 'too-long'],
  [[['1', '2']], { row: 0, column: 0 }, 'too-wide'],
])('of a block %j that does not fit nothing is taken', (block, at, code) =>
  expect(pasteInto(table(), block, at)).toMatchObject({ ok: false, code }),
)

describe('what is required', () => {
  const { group } = tabled()
  const torque = group.checks[0]!
  const asked = (unit: string, requirement: string, required: string): JudgedCheck => ({
    ...torque,
    check: {
      ...torque.check,
      unit: { ...torque.check.unit, id: unit },
      requirement: { ...torque.check.requirement, id: requirement },
      required,
    },
  })
  const said = (...checks: JudgedCheck[]) => {
    const { columns, rows } = readingTable({ ...group, checks })
    return [columns.map(({ required }) => required), rows.map(({ required }) => required)]
  }

  it('is said at the head of a column that asks one thing of all', () =>
    expect(said(asked('u', 'torque', '2.2–2.8 N·m'), asked('v', 'torque', '2.2–2.8 N·m'))).toEqual([
      ['2.2–2.8 N·m'],
      [undefined, undefined],
    ]))
  it('is said at the row where a column asks this here and that there', () =>
    expect(said(asked('u', 'torque', '2.5 N·m'), asked('v', 'torque', '4 N·m'))).toEqual([
      [undefined],
      ['2.5 N·m', '4 N·m'],
    ]))
  it('is said nowhere for several where neither column nor row is alike', () =>
    expect(
      said(
        asked('u', 'torque', '1 N·m'),
        asked('u', 'second', '2 N·m'),
        asked('v', 'torque', '3 N·m'),
        asked('v', 'second', '4 N·m'),
      ),
    ).toEqual([
      [undefined, undefined],
      [undefined, undefined],
    ]))
})
