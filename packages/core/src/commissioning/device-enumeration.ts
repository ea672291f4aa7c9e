import { plural } from '../quantity/phrases.js'
import type { Message } from '../quantity/message.js'
import { BadInput } from '../shape/bad-input.js'
import { count, num, object, optional, refine } from '../shape/shape.js'
import { worst, type Explained, type JudgedVerdict } from '../verdict/verdict.js'

export const deviceEnumerationInput = refine(
  object({
    fitted: count('devices that were fitted'),
    ever: count('devices that have reported at least once', { min: 0 }),
    lately: count('devices that reported lately', { min: 0 }),
    irradiance: optional(num({ unit: 'W/m²', sign: 'magnitude', about: 'at the time of the call' })),
    minIrradiance: optional(
      num({ unit: 'W/m²', sign: 'magnitude', about: 'below it devices may sleep' }),
      100,
    ),
  }),
  ({ ever, lately }) => {
    if (lately > ever)
      throw new BadInput('out-of-range', 'lately', 'must not exceed the devices that have ever reported')
  },
)

export interface DeviceEnumerationInput {
  fitted: number
  ever: number
  lately: number
  /** W/m² */
  irradiance?: number | undefined
  minIrradiance?: number | undefined
}
export interface DeviceEnumerationResult extends Explained {
  neverSeen: number
  strangers: number
  silent: number
  verdict: JudgedVerdict
}

/**
 * Do all devices that were fitted report? One that was never heard of, or one that nobody fitted, does not conform; one that fell silent
 * neither, unless the light was noted and is below the least light (which itself is light enough): then its silence proves nothing.
 * Bad input: none fitted, half a device, more heard lately than ever. Source: counting.
 */
export function deviceEnumeration(input: DeviceEnumerationInput): DeviceEnumerationResult {
  const { fitted, ever, lately, irradiance, minIrradiance } = deviceEnumerationInput.read(input, '')
  const neverSeen = Math.max(0, fitted - ever)
  const strangers = Math.max(0, ever - fitted)
  const silent = ever - lately
  const dark = irradiance !== undefined && irradiance < minIrradiance
  const verdict = worst<JudgedVerdict>([
    'conforms',
    ...(neverSeen + strangers > 0 ? ['does-not-conform' as const] : []),
    ...(silent > 0 ? [dark ? ('not-proven' as const) : ('does-not-conform' as const)] : []),
  ]) as JudgedVerdict
  const notes: Message[] = []
  if (silent > 0 && dark) notes.push('too little light for the devices to wake: call again in daylight')
  if (silent > 0 && irradiance === undefined)
    notes.push('the light was not noted: silence counts against the devices')
  if (strangers > 0) notes.push('a device that nobody fitted may belong to a neighbour: compare the serials')
  return {
    neverSeen,
    strangers,
    silent,
    verdict,
    working: [
      `${fitted} fitted, ${ever} ever heard: ${plural(neverSeen, 'was', 'were')} never heard, ${plural(strangers, 'stranger')}`,
      `${ever} ever heard, ${lately} lately: ${silent} silent`,
    ],
    notes,
  }
}
