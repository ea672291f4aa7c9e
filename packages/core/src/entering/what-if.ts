import { compute, type CalculatorName } from '../calculators.js'
import { attempt } from '../shape/attempt.js'
import type { Verdict } from '../verdict/verdict.js'

/** A figure that can be moved, to see where the verdict turns. */
export interface Lever {
  path: readonly (string | number)[]
  label: string
  /** As the slider shows it. */
  unit: string
  values: readonly (number | string)[]
}

const steps = (from: number, to: number, by: number): number[] =>
  Array.from({ length: Math.round((to - from) / by) + 1 }, (_, i) => Number((from + i * by).toFixed(6)))

const IEC = [1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120]
/** Ratings that devices are made in, A. */
const DEVICES = [6, 10, 13, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125, 160, 200]
const NEC = ['14', '12', '10', '8', '6', '4', '3', '2', '1', '1/0', '2/0', '3/0', '4/0']

/** What can be moved of a calculator, for the figures that it is asked with. */
export function leversOf(name: CalculatorName, input: unknown): Lever[] {
  const given = input as {
    school?: string
    items?: { kind: string; id: string }[]
    wall?: { width?: number }
  }
  switch (name) {
    case 'string-cold-limit':
      return [
        { path: ['count'], label: 'Modules in series', unit: '', values: steps(1, 40, 1) },
        { path: ['minTemperature'], label: 'Coldest morning', unit: '°C', values: steps(-40, 20, 1) },
      ]
    case 'string-voltage':
      return [
        { path: ['count'], label: 'Modules in series', unit: '', values: steps(1, 40, 1) },
        {
          path: ['conditions', 'cellTemperature'],
          label: 'Cell temperature',
          unit: '°C',
          values: steps(-20, 80, 1),
        },
        {
          path: ['conditions', 'irradiance'],
          label: 'Irradiance',
          unit: 'W/m²',
          values: steps(50, 1200, 10),
        },
      ]
    case 'conductor':
      return [
        {
          path: ['size'],
          label: 'Cross-section',
          unit: given.school === 'nec' ? 'AWG' : 'mm²',
          values: given.school === 'nec' ? NEC : IEC,
        },
        { path: ['protectiveDevice'], label: 'Protective device', unit: 'A', values: DEVICES },
        { path: ['length'], label: 'Length', unit: 'm', values: steps(1, 120, 1) },
        { path: ['ambient'], label: 'Ambient temperature', unit: '°C', values: steps(10, 55, 5) },
      ]
    case 'ac-branch':
      return [{ path: ['units'], label: 'Units on the branch', unit: '', values: steps(1, 30, 1) }]
    case 'clearance':
      return (given.items ?? []).flatMap(({ kind, id }, i): Lever[] =>
        kind === 'unit'
          ? [
              {
                path: ['items', i, 'x'],
                label: `${id}, from the datum`,
                unit: 'mm',
                values: steps(0, given.wall?.width ?? 4000, 10),
              },
            ]
          : [],
      )
    case 'insulation':
      return [
        { path: ['systemVoltage'], label: 'Voltage of the array', unit: 'V', values: steps(20, 1500, 10) },
      ]
    default:
      return []
  }
}

export const leverValue = (input: unknown, path: Lever['path']): unknown =>
  path.reduce<unknown>((part, name) => (part as Record<string | number, unknown> | undefined)?.[name], input)

/** The input with one figure moved. */
export function leverMoved(input: unknown, [name, ...rest]: Lever['path'], value: unknown): unknown {
  if (name === undefined) return value
  const part = input as Record<string | number, unknown>
  const next = leverMoved(part?.[name], rest, value)
  return Array.isArray(input) ? input.map((one, i) => (i === name ? next : one)) : { ...part, [name]: next }
}

const verdictAt = (name: CalculatorName, input: unknown): Verdict | undefined => {
  const done = attempt(() => compute(name, input as Record<string, unknown>) as { verdict?: Verdict })
  return done.ok ? done.value.verdict : undefined
}

/** What would just do, seen from where a lever stands. */
export type JustDo =
  | { kind: 'none' }
  /** The nearest value at which it conforms. */
  | { kind: 'nearest'; value: number | string }
  /** It conforms as it stands, and how far the lever may be moved to either side. */
  | { kind: 'range'; from: number | string; to: number | string }

export function wouldJustDo(name: CalculatorName, input: unknown, lever: Lever): JustDo {
  const { values } = lever
  const now = values.findIndex((value) => value === leverNearest(lever, leverValue(input, lever.path)))
  const conforms = values.map((value) => verdictAt(name, leverMoved(input, lever.path, value)) === 'conforms')
  if (conforms[now]) {
    const [below, above] = [conforms.lastIndexOf(false, now), conforms.indexOf(false, now)]
    return { kind: 'range', from: values[below + 1]!, to: values[(above < 0 ? values.length : above) - 1]! }
  }
  const away = (i: number) => (conforms[i] ? Math.abs(i - now) : Infinity)
  const best = values.reduce<number>((least, _value, i) => (away(i) < away(least) ? i : least), 0)
  return conforms[best] ? { kind: 'nearest', value: values[best]! } : { kind: 'none' }
}

/** The value of a lever that stands nearest to a figure. */
export function leverNearest(lever: Lever, value: unknown): number | string | undefined {
  if (typeof value !== 'number') return lever.values.find((one) => one === value)
  const figures = lever.values.filter((one) => typeof one === 'number')
  return figures.reduce<number | undefined>(
    (best, one) => (best === undefined || Math.abs(one - value) < Math.abs(best - value) ? one : best),
    undefined,
  )
}
