import { DRIVER, METER, SampleJob } from '../admission/sample-job.testing.js'
import { Site, sheet } from '../requirements/site.testing.js'
import { checksMeant } from './command-line.js'

const job = () =>
  SampleJob.opened().write('inspector', 'unit-fitted', { id: 'v', label: 'Box 2', sheetId: 'nobody-box-1' })
    .inspection
const using = { instrumentFor: () => DRIVER }
const meant = (line: string) => checksMeant(line, job(), using).map(({ check }) => check.id)

it('every word must fit; a word of its own counts more than a part of one', () => {
  expect(meant('box 2 torque a')[0]).toBe('v/torque/a')
  expect(meant('box 1 torque')[0]).toBe('u/torque/a')
  expect(meant('bo 2 tor')[0]).toBe('v/torque/a')
  expect(meant('box 2 nothing')).toEqual([])
  expect(meant('  ')).toEqual([])
})

it('what is in no check is the reading at the end, judged as if it were typed there', () => {
  const [good] = checksMeant('box 2 torque a 2.5', job(), using)
  expect([good!.check.id, good!.reading!.reading.value, good!.reading!.outcome.verdict]).toEqual([
    'v/torque/a',
    2.5,
    'conforms',
  ])
  const [wrong] = checksMeant('box 2 torque 9.4 N·m', job(), using)
  expect(wrong!.reading!.outcome.verdict).toBe('does-not-conform')
  expect(checksMeant('box 2 torque a firm', job(), using)).toEqual([])
})

it('without an instrument in hand it is told what is wanting, as everywhere', () => {
  const [one] = checksMeant('box 2 torque a 2.5', job(), { instrumentFor: () => undefined })
  expect(one!.reading!.outcome.verdict).toBe('not-proven')
})

describe('the words of the trade', () => {
  const limits = (id: string, title: string) => ({
    id,
    kind: 'limits',
    title,
    dimension: 'voltage',
    min: '1 V',
    max: '900 V',
  })
  const order = {
    id: 'bolts',
    kind: 'tightening-order',
    title: 'Cover bolts',
    bolts: ['1', '2', '3', '4'].map((id) => ({ id, label: id })),
    pattern: 'crosswise',
    passes: 1,
  }
  const site = () =>
    new Site().unit(
      sheet('U', 'string-inverter', [
        { ...limits('voc', 'Open-circuit voltage'), clause: '6.3' },
        limits('rcd', 'Residual current device'),
        order,
      ]),
      { label: 'Inverter' },
    ).inspection
  const found = (line: string) => checksMeant(line, site(), using).map(({ check }) => check.requirement.id)
  it.each([
    ['Voc', 'voc'],
    ['inverter uoc', 'voc'],
    ['RCD', 'rcd'],
    ['gfci', 'rcd'],
    ['6.3', 'voc'],
    ['cover bolts 3', 'bolts'],
  ])('%s finds it', (line, id) => expect(found(line)).toEqual([id]))
  it('a short word finds nothing that is not there', () => expect(found('riso')).toEqual([]))
  it('a figure after a word of the trade is a reading', () => {
    const [meantHere] = checksMeant('voc 620', site(), { instrumentFor: () => METER })
    expect(meantHere!.reading!.outcome.verdict).toBe('conforms')
  })
})
