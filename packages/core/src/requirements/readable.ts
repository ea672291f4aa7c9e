import type { DevicePoint } from '../device/point.js'
import type { UnitKind } from '../sheet/terms.js'
import { tripFields } from './commissioning/self-test.js'
import type { Requirement } from './kinds.js'

/** A part of an answer that the sheet says a device can give, and the kind of unit that is asked when it is another. */
export interface Readable {
  part: string
  point: DevicePoint
  of?: UnitKind | undefined
}

const NAMEPLATE: readonly Readable[] = [
  { part: 'model', point: { model: 1, point: 'Md' } as DevicePoint },
  { part: 'serial', point: { model: 1, point: 'SN' } as DevicePoint },
]

type From<K extends Requirement['kind']> = (
  requirement: Extract<Requirement, { kind: K }>,
) => readonly Readable[]

const some = (part: string, point: DevicePoint | undefined): Readable[] => (point ? [{ part, point }] : [])

/** Which parts of an answer can be read, by kind; a kind that is not here asks a person for all of it. */
const READABLE: { [K in Requirement['kind']]?: From<K> } = {
  nameplate: () => NAMEPLATE,
  settings: ({ settings }) => settings.flatMap(({ id, from }) => some(id, from)),
  'ordered-steps': ({ steps }) => steps.flatMap(({ id, seen }) => some(id, seen?.from)),
  'serial-map': ({ from }) =>
    Array.from({ length: from?.most ?? 0 }, (_, i) => {
      const register = from!.first + i * from!.step
      return [
        { part: `serial-${i}`, point: { register, type: 'text', size: from!.size } as DevicePoint },
        { part: `minutes-${i}`, point: { register: register + from!.size, type: 'u16' } as DevicePoint },
      ]
    }).flat(),
  'roll-call': ({ from }) => [...some('ever', from?.ever), ...some('lately', from?.lately)],
  'alarm-codes': ({ from }) => some('chosen', from),
  production: ({ from }) => some('power', from?.power),
  reserve: ({ from }) => some('reserve', from?.reserve),
  'ct-proof': ({ from = [] }) =>
    from.flatMap(({ voltage, active, reactive }, i) => [
      { part: `v${i + 1}`, point: voltage },
      { part: `r${i + 1}`, point: active },
      { part: `q${i + 1}`, point: reactive },
    ]),
  'self-test': ({ rows }) =>
    rows.flatMap((row) => {
      const { threshold, time } = tripFields(row)
      return [...some(threshold, row.from?.threshold), ...some(time, row.from?.time)]
    }),
  'trace-test': ({ watch, beside = [] }) => [
    ...some('watch', watch.from).map((one) => ({ ...one, of: watch.of })),
    ...beside.map(({ from, of }, i) => ({ part: `beside-${i}`, point: from, of })),
  ],
}

export function readableOf(requirement: Requirement): readonly Readable[] {
  const of = READABLE[requirement.kind] as From<never> | undefined
  return of?.(requirement as never) ?? []
}
