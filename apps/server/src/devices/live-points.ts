import type { DevicePoint } from '@plumb-mark/core'

const of = (model: number, ...points: string[]): DevicePoint[] =>
  points.map((point) => ({ model, point }) as DevicePoint)

const INVERTER = ['W', 'DCW', 'DCV', 'PhVphA', 'PhVphB', 'PhVphC', 'Hz', 'St']
const METER = [
  'W',
  'WphA',
  'WphB',
  'WphC',
  'VARphA',
  'VARphB',
  'VARphC',
  'PhVphA',
  'PhVphB',
  'PhVphC',
  'AphA',
  'AphB',
  'AphC',
]

/** What is shown of every device, whatever its sheet asks for; a device without the model says nothing to it. */
export const LIVE_POINTS: readonly DevicePoint[] = [
  ...of(1, 'Md', 'SN'),
  ...of(101, ...INVERTER),
  ...of(103, ...INVERTER),
  ...of(201, ...METER),
  ...of(202, ...METER),
  ...of(203, ...METER),
  ...of(802, 'SoC', 'V', 'A', 'W'),
]
