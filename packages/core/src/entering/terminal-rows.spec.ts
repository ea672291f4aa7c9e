import {
  cellText,
  filledDown,
  hasCell,
  withCell,
  withDuplicate,
  withPasted,
  withPhases,
  withTerminal,
  type TerminalDraft,
} from './terminal-rows.js'

const PV1: TerminalDraft = {
  id: 'pv1-plus',
  label: 'PV1 +',
  side: 'dc',
  clamp: 'torque',
  torque: { min: '2.2 N·m', max: '2.8 N·m' },
  printed: { page: 4, box: [0, 0, 1, 1] },
}
const L1: TerminalDraft = { id: 'grid-l1', label: 'grid L1', side: 'ac', clamp: 'spring' }
const labels = (rows: readonly TerminalDraft[]) => rows.map(({ label }) => label)
const ids = (rows: readonly TerminalDraft[]) => rows.map(({ id }) => id)

it('a duplicate has the next label, a name of its own, the same figures and no place in the manual', () => {
  const rows = withDuplicate([PV1, L1], 0)
  expect(labels(rows)).toEqual(['PV1 +', 'PV2 +', 'grid L1'])
  const { side, clamp, torque } = PV1
  expect(rows[1]).toEqual({ side, clamp, torque, id: 'pv2-plus', label: 'PV2 +' })
  expect(ids(withDuplicate([{ id: 'pe', label: 'PE' }], 0))).toEqual(['pe', 'pe-2'])
})

it('three phases are written at once, and never twice', () => {
  expect(labels(withPhases([L1], 0))).toEqual(['grid L1', 'grid L2', 'grid L3'])
  expect(withPhases([L1], 0)[2]).toEqual({ ...L1, id: 'grid-l3', label: 'grid L3' })
  expect(labels(withPhases([PV1], 0))).toEqual(['PV1 +', 'L1', 'L2', 'L3'])
  expect(labels(withPhases(withPhases([L1], 0), 0))).toEqual(['grid L1', 'grid L2', 'grid L3'])
  expect(withPhases([], 0)).toEqual([1, 2, 3].map((n) => ({ id: `l${n}`, label: `L${n}`, side: 'ac' })))
})

it('a figure is filled down, but no torque into a clamp without a screw, and no label', () => {
  const rows = filledDown([PV1, L1, { ...PV1, id: 'b', torque: undefined }], 0, 'torque')
  expect(rows.map(({ torque }) => torque)).toEqual([PV1['torque'], undefined, PV1['torque']])
  expect(labels(filledDown([PV1, L1], 0, 'label'))).toEqual(['PV1 +', 'grid L1'])
  expect(filledDown([{ ...PV1, torque: undefined }, PV1], 0, 'torque')[1]).toEqual(PV1)
  expect(filledDown([L1, PV1], 0, 'clamp')[1]).toMatchObject({ clamp: 'spring' })
  expect(filledDown([L1, PV1], 0, 'clamp')[1]).not.toHaveProperty('torque')
})

it('a cell is written as the file writes it; what cannot be read stays to be seen', () => {
  expect(withCell(L1, 'strip', '17–19 mm')).toMatchObject({ strip: { min: '17 mm', max: '19 mm' } })
  expect(withCell(L1, 'strip', 'long')).toMatchObject({ strip: 'long' })
  expect(cellText(withCell(L1, 'strip', 'long'), 'strip')).toBe('long')
  expect(withCell(L1, 'strip', '')).not.toHaveProperty('strip')
  expect(withCell(L1, 'clamp', 'Tightened to torque')).toMatchObject({ clamp: 'torque' })
  expect(withCell(L1, 'clamp', 'glued')).toMatchObject({ clamp: 'glued' })
})

it('only a screw has a torque; where it is not said how a terminal holds, it may have one', () => {
  expect(hasCell(L1, 'torque')).toBe(false)
  expect(hasCell({}, 'torque')).toBe(true)
  expect(withCell(PV1, 'clamp', 'spring')).not.toHaveProperty('torque')
})

it('a table is pasted with the rows that are missing, or not at all', () => {
  const pasted = withPasted(
    [PV1],
    [
      ['PV1 −', 'dc', 'tightened to torque', '2.2–2.8 N·m'],
      ['PE', 'earth', '', '4–5 N·m'],
    ],
    { row: 1, column: 'label' },
  )
  expect(pasted.ok && labels(pasted.rows)).toEqual(['PV1 +', 'PV1 −', 'PE'])
  expect(pasted.ok && pasted.rows[2]).toMatchObject({ side: 'earth', torque: { min: '4 N·m', max: '5 N·m' } })
  expect(withPasted([PV1], [['1', '2', '3']], { row: 0, column: 'strip' })).toEqual({
    ok: false,
    message: '3 columns were pasted, and 2 are left from here on',
  })
})

it('no two terminals share a name, however many are added', () => {
  const many = Array.from({ length: 30 }).reduce<TerminalDraft[]>(withTerminal, [])
  expect(new Set(ids(many)).size).toBe(30)
})
