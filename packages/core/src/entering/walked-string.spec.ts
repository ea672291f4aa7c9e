import { MODULE, Site, plane, sheet, string } from '../requirements/site.testing.js'
import { countedString, walkedString } from './walked-string.js'

const said = (path: string[], more: object = {}) => ({
  id: 's',
  label: ' String A ',
  unitId: 'I',
  input: 'PV1',
  path,
  coldMethod: 'table' as const,
  ...more,
})
const { context } = new Site()
  .unit(MODULE)
  .unit(sheet('I', 'string-inverter', []))
  .write(plane(1, 4, { empty: ['p.r1c4'] })).inspection

it('a walked string counts its places, and takes the data of its modules from their sheet', () =>
  expect(walkedString(said(['p.r1c1', 'p.r1c2']), undefined, context)).toEqual({
    id: 's',
    label: 'String A',
    unitId: 'I',
    input: 'PV1',
    path: ['p.r1c1', 'p.r1c2'],
    count: 2,
    coldMethod: 'table',
    module: { name: 'Nobody M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
  }))
it('over places without a module it keeps the module it had before', () => {
  const before = { ...(string(['p.r1c1']).body as never as { module: { name: string } }) }
  expect(walkedString(said(['p.r1c4', 'elsewhere']), before as never, context)?.module).toEqual(before.module)
  expect(walkedString(said(['p.r1c4']), undefined, context)).toBeUndefined()
})
it('nothing walked is no string', () => expect(walkedString(said([]), undefined, context)).toBeUndefined())
it('a string that nobody drew is so many modules of one sheet', () => {
  const by = { id: 's', label: ' String A ', unitId: 'I', input: 'PV1', coldMethod: 'table' as const }
  expect(countedString({ ...by, count: 12 }, MODULE)).toMatchObject({
    label: 'String A',
    count: 12,
    module: { name: 'Nobody M', voc: 40 },
  })
  expect(countedString({ ...by, count: 12 }, MODULE)).not.toHaveProperty('path')
  expect(countedString({ ...by, count: 12 }, sheet('I', 'string-inverter', []))).toBeUndefined()
})
