import { claimed, type Device } from '../device.js'
import { model, wholeMap } from '../protocol/models.js'
import { sum } from '../environment/loads.js'
import { meterReadings } from './meter.js'

const LETTERS = ['A', 'B', 'C']
/** Models of one, two and three phases. */
const MODELS = [201, 202, 203]

/** The open model of a meter: from the street is positive. */
export function meterMap(device: Device): number[] {
  const { plant } = device
  const channels = meterReadings(plant)
  const volts = plant.grid.present ? plant.grid.volts : 0
  const each = (name: string, value: (channel: { watts: number; vars: number }) => number) =>
    Object.fromEntries(channels.map((channel, i) => [`${name}ph${LETTERS[i]}`, value(channel)]))
  const amperes = (channel: { watts: number; vars: number }) =>
    volts > 0 ? Math.hypot(channel.watts, channel.vars) / volts : 0
  const watts = sum(channels.map((channel) => channel.watts))
  const vars = sum(channels.map((channel) => channel.vars))
  return wholeMap([
    model(1, { ...claimed(device), DA: device.unitId }),
    model(MODELS[plant.phases - 1]!, {
      A: sum(channels.map(amperes)) * 100,
      ...each('A', (channel) => amperes(channel) * 100),
      A_SF: -2,
      PhV: volts * 10,
      ...each('PhV', () => volts * 10),
      V_SF: -1,
      Hz: plant.grid.present ? plant.grid.hertz * 100 : 0,
      Hz_SF: -2,
      W: watts,
      ...each('W', (channel) => channel.watts),
      W_SF: 0,
      VA: Math.hypot(watts, vars),
      ...each('VA', (channel) => Math.hypot(channel.watts, channel.vars)),
      VA_SF: 0,
      VAR: vars,
      ...each('VAR', (channel) => channel.vars),
      VAR_SF: 0,
      TotWhExp: 81_000,
      TotWhImp: 44_000,
      TotWh_SF: 0,
      Evt: 0,
    }),
  ])
}
