import { SampleJob } from '../admission/sample-job.testing.js'
import { listed } from '../walk/grouped.js'
import { pasteInto, readingTable } from './reading-table.js'

const table = () => {
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
  return readingTable(item.group)
}

it('has a row for each thing and a column for each that is read there', () => {
  const { columns, rows } = table()
  expect(columns).toEqual([{ id: 'torque', title: 'Torque', unit: 'N·m' }])
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
