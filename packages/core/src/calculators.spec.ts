import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { BadInput, CALCULATORS, compute } from './index.js'

const FOLDER = join(process.cwd(), 'packages', 'core', 'cases')
interface Case {
  name: string
  input: unknown
  expect: Record<string, unknown>
}
/** Lists whose order means nothing. */
const SETS = /^(collisions|consistent|extra|duplicate.*|unknown|missing|violations)$/

describe.each(readdirSync(FOLDER).map((file) => file.replace('.json', '')))(
  'worked cases of %s',
  (calculator) => {
    const cases = JSON.parse(readFileSync(join(FOLDER, `${calculator}.json`), 'utf8')) as Case[]
    it.each(cases.map((one) => [one.name, one] as const))('%s', (_name, { input, expect: wanted }) => {
      if (wanted['error'] === true) expect(() => compute(calculator, input)).toThrow(BadInput)
      else expect(differences(wanted, compute(calculator, input), '')).toEqual([])
    })
  },
)

/** Small ones beside the job's calculators; their rules stand in `small-calculators.spec.ts`. */
const SMALL = ['rail-marks', 'split-strings', 'like-strings', 'driver-torque', 'lift-plan']

it('every calculator has worked cases, and every case file a calculator', () => {
  expect([...readdirSync(FOLDER).map((file) => file.replace('.json', '')), ...SMALL].sort()).toEqual(
    Object.keys(CALCULATORS).sort(),
  )
})

it.each(Object.keys(CALCULATORS))('%s refuses nonsense with a code and never crashes', (name) => {
  for (const nonsense of [undefined, null, 7, 'text', [], {}, { items: 3 }, { value: Number.NaN }])
    expect(() => compute(name, nonsense)).toThrow(BadInput)
})

function differences(wanted: unknown, got: unknown, at: string): string[] {
  if (typeof wanted === 'number')
    return typeof got === 'number' && Math.abs(got - wanted) <= Math.max(0.0005, 0.001 * Math.abs(wanted))
      ? []
      : [`${at}: ${String(got)} instead of ${wanted}`]
  if (Array.isArray(wanted)) {
    if (!Array.isArray(got) || got.length !== wanted.length)
      return [`${at}: ${JSON.stringify(got)} instead of ${JSON.stringify(wanted)}`]
    if (!SETS.test(at.split('.').pop()!))
      return wanted.flatMap((one, i) => differences(one, got[i], `${at}[${i}]`))
    return wanted.flatMap((one) =>
      got.some((other) => differences(one, other, at).length === 0)
        ? []
        : [`${at}: ${JSON.stringify(one)} is not there`],
    )
  }
  if (typeof wanted === 'object' && wanted !== null) {
    if (typeof got !== 'object' || got === null) return [`${at}: ${String(got)}`]
    return Object.entries(wanted).flatMap(([key, value]) =>
      differences(value, (got as Record<string, unknown>)[key], at ? `${at}.${key}` : key),
    )
  }
  return wanted === got ? [] : [`${at}: ${String(got)} instead of ${String(wanted)}`]
}
