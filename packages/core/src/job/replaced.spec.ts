import { METER, MODULE, Site, devices, plane, row, sheet, string } from '../requirements/site.testing.js'
import { ENTRY_ROWS } from './entries/registry.js'

const seen = (point: string) => ({ kind: 'observation' as const, body: { point, seen: true } as never })
const replaced = (more: object = {}) => ({
  kind: 'replaced' as const,
  body: {
    unitId: 'I',
    serialOut: 'OLD-1',
    serialIn: 'NEW-1',
    reason: 'it did not start',
    whereabouts: 'sent back to its maker',
    ...more,
  } as never,
})
const BOX = (model: string) =>
  sheet(model, 'hybrid-inverter', [
    { id: 'on', kind: 'observation', question: 'Is it on?' },
    { id: 'voc', kind: 'string-open-circuit', max: '600 V' },
    { id: 'bond', kind: 'earth-continuity' },
  ])
const again = (site: Site, id: string) => {
  const { outcome } = site.check(id)
  return outcome.verdict === 'not-inspected' ? outcome.again : outcome.verdict
}
const reading = (point: string, value: number, more: object = {}) => ({
  kind: 'reading' as const,
  body: { point, typed: `${value}`, value, unit: '', relation: '=', instrument: METER, ...more } as never,
})
const site = () =>
  new Site()
    .unit(MODULE)
    .unit(BOX('I'), { serial: 'OLD-1' })
    .unit(BOX('J'), { serial: 'J-1' })
    .write(plane(2, 10), string(row(10)))
    .write(
      { kind: 'earth-part-found', body: { id: 'e', label: 'E', kind: 'unit', unitId: 'I' } as never },
      { kind: 'earth-part-found', body: { id: 'm', label: 'M', kind: 'main-terminal' } as never },
      { kind: 'bond-made', body: { id: 'b', from: 'e', to: 'm', means: 'lug' } as never },
    )
    .write(seen('I/on/unit'), seen('J/on/unit'))
    .write(reading('I/voc/s', 400, { conditions: { cellTemperature: 25, irradiance: 1000 } }))

it('a unit that was replaced is another: what was proved on it, and on what hangs on it, is asked again; the rest stands', () => {
  const before = site()
  expect([again(before, 'I/on/unit'), again(before, 'I/voc/s'), again(before, 'J/on/unit')]).toEqual([
    'conforms',
    'conforms',
    'conforms',
  ])
  const after = site().write(replaced())
  const gone = 'I was replaced since (now serial NEW-1)'
  expect([again(after, 'I/on/unit'), again(after, 'I/voc/s'), again(after, 'J/on/unit')]).toEqual([
    gone,
    gone,
    'conforms',
  ])
  // What is answered on the new one counts.
  expect(again(after.write(seen('I/on/unit')), 'I/on/unit')).toBe('conforms')
  const { asBuilt, replacements } = after.inspection.state
  expect(asBuilt.units.find(({ id }) => id === 'I')!.serial).toBe('NEW-1')
  expect(replacements.map(({ body }) => [body.serialOut, body.serialIn, body.whereabouts])).toEqual([
    ['OLD-1', 'NEW-1', 'sent back to its maker'],
  ])
})
it('of a device on the array map its own checks and those of its string and branch are asked again', () => {
  const BOXES = sheet('E', 'module-electronics', [
    { id: 'o', kind: 'observation', each: 'device', question: 'Seated?' },
  ])
  const fitted = () =>
    new Site()
      .unit(MODULE)
      .unit(BOXES)
      .write(
        plane(1, 2),
        devices('E', 2, (i) => ({ serial: `D${i}` })),
      )
      .write(seen('E/o/b1'), seen('E/o/b2'))
  const after = fitted().write(replaced({ unitId: 'E', deviceId: 'b1', serialOut: 'D1', serialIn: 'D9' }))
  expect(after.inspection.state.asBuilt.array.devices.map(({ serial }) => serial)).toEqual(['D9', 'D2'])
  expect([again(after, 'E/o/b1'), again(after, 'E/o/b2')]).toEqual([
    'a device was replaced since (now serial D9)',
    'conforms',
  ])
})
it.each([
  ['the serial that it had', { serialIn: 'old1' }, 'same-serial'],
  ['the serial of another unit', { serialIn: 'j-1' }, 'serial-taken'],
  ['a unit that is not there', { unitId: 'X' }, 'unknown-unit'],
])('by %s it is refused', (_what, more, code) => {
  const { state } = site().inspection
  const answer = ENTRY_ROWS.replaced.admit(replaced(more).body, { state } as never, 'inspector')
  expect(answer).toMatchObject({ ok: false, code })
})
it('taken back, the old one stands there again, and the record tells of both', () => {
  const before = site().inspection.state.asBuilt
  const [step] = ENTRY_ROWS.replaced.undo!(replaced().body, before)
  const after = site().write(replaced(), step as never)
  expect(after.inspection.state.asBuilt.units.find(({ id }) => id === 'I')!.serial).toBe('OLD-1')
  expect(after.inspection.state.replacements).toHaveLength(2)
})
it('is not taken back where the serial of the old one was not known', () => {
  const { undo } = ENTRY_ROWS.replaced
  const before = site().inspection.state.asBuilt
  const body = { unitId: 'I', serialIn: 'NEW-1', reason: 'damaged', whereabouts: 'on site' }
  expect(undo!({ ...body, serialOut: ' ' } as never, before)).toEqual([])
  expect(undo!({ ...body, serialOut: 'OLD-1' } as never, before)).toHaveLength(1)
})
