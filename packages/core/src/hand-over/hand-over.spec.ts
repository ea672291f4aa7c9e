import { Site, sheet } from '../requirements/site.testing.js'
import { handOver } from './hand-over.js'

const INVERTER = sheet('INV', 'hybrid-inverter', [
  {
    id: 'settings',
    kind: 'settings',
    settings: [
      {
        id: 'limit',
        label: 'export limit',
        unit: 'kW',
        rule: { max: 8 },
        says: { positive: 'may send up to {}' },
      },
      { id: 'mode', label: 'mode' },
    ],
  },
  {
    id: 'light',
    kind: 'indicator',
    question: 'Q',
    patterns: [{ id: 'g', colour: 'green', rhythm: 'steady', means: 'feeding in', good: true }],
  },
  {
    id: 'down',
    kind: 'ordered-steps',
    direction: 'down',
    steps: [
      { id: 'stop', label: 'stop it', thing: 'inverter off' },
      { id: 'mains', label: 'mains off', after: ['stop'], wait: '5 s' },
      { id: 'open', label: 'open the cover', after: ['mains'], wait: '600 s', qualified: true },
    ],
  },
])
const told = (change: (site: Site) => Site = (site) => site) =>
  handOver(change(new Site().unit(INVERTER, { serial: 'S-1' })).inspection)

it('says what was installed, what the lights mean, and how to switch off; a customer is never told to open a cover', () => {
  const { installed, lights, switchOff } = told()
  expect(installed).toEqual([
    { label: 'INV', kind: 'hybrid inverter', name: 'Nobody INV', found: 'S-1', ordered: undefined },
  ])
  expect(lights).toMatchObject([{ colour: 'green', means: 'feeding in' }])
  expect(switchOff.steps.map(({ label }) => label)).toEqual(['stop it', 'mains off'])
})
it('names the serial that was read, not the one that was ordered', () => {
  const PLATE = sheet('P', 'meter', [{ id: 'n', kind: 'nameplate' }])
  const fitted = () => new Site().unit(PLATE, { serial: 'A-1' })
  const read = fitted().record('P/n/unit', { values: { model: { typed: 'P' }, serial: { typed: 'A-2' } } })
  const serials = (site: Site) =>
    handOver(site.inspection).installed.map(({ found, ordered }) => [found, ordered])
  expect(serials(fitted())).toEqual([[undefined, 'A-1']])
  expect(serials(read)).toEqual([['A-2', 'A-1']])
})
it('tells only settings that were read, with what they do', () => {
  const settings = (site: Site) => site.record('INV/settings/unit', { values: { limit: { typed: '6' } } })
  expect(told(settings).settings).toEqual([
    { unit: 'INV', label: 'export limit', value: '6 kW', does: 'may send up to 6 kW' },
  ])
  expect(told().settings).toEqual([])
})
it('what is wrong or not known is said, and nothing of it counts as told', () => {
  const wrong = (site: Site) =>
    site.record('INV/settings/unit', { values: { limit: { typed: '9' }, mode: { typed: 'x' } } })
  expect(told(wrong).open).toContainEqual({ place: 'INV', title: 'T', verdict: 'does-not-conform' })
  expect(told().open.every(({ verdict }) => verdict === 'not-inspected')).toBe(true)
  expect(told().reserve).toEqual([])
})
