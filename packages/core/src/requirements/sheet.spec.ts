import { sheetId } from '../sheet/ref.js'
import { BadInput } from '../shape/bad-input.js'
import { BOX } from '../admission/sample-job.testing.js'
import { readSheet } from './sheet.js'

const base = () =>
  structuredClone(BOX) as unknown as Record<string, unknown> & {
    requirements: Record<string, unknown>[]
    terminals: Record<string, unknown>[]
  }
const requirement = { id: 'r', stage: 'dc', clause: '1', title: 'T', severity: 'major', remedy: 'mend' }

it('figures with units become canonical, and reading twice changes nothing', () => {
  expect(BOX.terminals[0]).toMatchObject({ torque: { min: 2, max: 3 } })
  expect(readSheet(base())).toEqual(BOX)
  expect(sheetId(BOX)).toBe('nobody-box-1')
})

it.each<[string, (sheet: ReturnType<typeof base>) => void, string, string]>([
  [
    'a kind that nobody knows',
    (sheet) => sheet.requirements.push({ ...requirement, kind: 'guess' }),
    'requirements[4].kind',
    'not-listed',
  ],
  [
    'a limit without a unit',
    (sheet) => sheet.requirements.push({ ...requirement, kind: 'limits', dimension: 'torque', min: '12' }),
    'requirements[4].min',
    'not-a-quantity',
  ],
  [
    'limits upside down',
    (sheet) =>
      sheet.requirements.push({
        ...requirement,
        kind: 'limits',
        dimension: 'torque',
        min: '12 N·m',
        max: '7 N·m',
      }),
    'requirements[4].min',
    'min-above-max',
  ],
  [
    'a limit of no dimension',
    (sheet) => sheet.requirements.push({ ...requirement, kind: 'limits', min: '12 N·m' }),
    'requirements[4].dimension',
    'missing',
  ],
  [
    'a severity that is none',
    (sheet) => (sheet.requirements[0]!['severity'] = 'grave'),
    'requirements[0].severity',
    'not-listed',
  ],
  [
    'two requirements with one id',
    (sheet) => sheet.requirements.push({ ...requirement, id: 'tug', kind: 'observation', question: '?' }),
    'requirements[4].id',
    'duplicate-id',
  ],
  [
    'a torque on a spring clamp',
    (sheet) => (sheet.terminals[1]!['torque'] = { min: '1 N·m' }),
    'terminals[1].torque',
    'out-of-range',
  ],
  [
    'a screw without a torque',
    (sheet) => delete sheet.terminals[0]!['torque'],
    'terminals[0].torque',
    'missing',
  ],
  ['a module sheet without module data', (sheet) => (sheet['kind'] = 'module'), 'module', 'missing'],
  ['a date that is none', (sheet) => (sheet['date'] = 'spring'), 'date', 'not-a-time'],
])('%s is refused at its place', (_what, spoil, path, code) => {
  const sheet = base()
  spoil(sheet)
  expect(() => readSheet(sheet)).toThrow(BadInput)
  try {
    readSheet(sheet)
  } catch (problem) {
    expect(problem).toMatchObject({ path, code })
  }
})
