import { answered } from '../evidence-input.js'
import { serialMap } from '../../array/serial-map.js'
import { deviceEnumeration as callTheRoll } from '../../commissioning/device-enumeration.js'
import { pointShape } from '../../device/point.js'
import { placeWords } from '../../ids/place-id.js'
import { joinAnd } from '../../quantity/phrases.js'
import { num, object, oneOf, optional } from '../../shape/shape.js'
import { UNIT_KINDS } from '../../sheet/terms.js'
import { heardDevices } from '../array/serial-map.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/**
 * How many devices were fitted, have ever reported, and reported lately: fitted is counted on the array map, the rest is read off what
 * hears them.
 */
export const deviceEnumerationKind = defineKind(
  requirementOf({
    hears: oneOf(UNIT_KINDS, 'the kind of unit whose devices report here'),
    minIrradiance: optional(num({ unit: 'W/m²', sign: 'magnitude', about: 'below it they may sleep' })),
    from: optional(object({ ever: pointShape, lately: pointShape })),
  }),
  {
    minutes: 4,
    reads: () => ['array', 'units'],
    expand: () => [wholeUnit],
    ask: () => ({
      kind: 'record',
      form: 'fields',
      fields: [
        { id: 'ever', label: 'ever seen', required: 'all that were fitted', dimension: 'count' },
        { id: 'lately', label: 'seen lately', required: 'all of them', dimension: 'count' },
        { id: 'irradiance', label: 'irradiance', required: 'at the time', dimension: 'irradiance' },
      ],
    }),
    required: (_requirement) => 'every device that was fitted has reported, and reported lately',
    judge({ hears, minIrradiance }, _subject, evidence, context, unit) {
      const values = answered(evidence, 'fields')?.values
      if (!values) return undefined
      const devices = heardDevices(hears, context)
      const ever = values['ever']?.value
      const lately = values['lately']?.value
      if (devices.length === 0 || ever === undefined || lately === undefined)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'not complete',
          wanting:
            devices.length === 0
              ? 'put the devices on the array map: nobody knows yet how many were fitted'
              : 'read how many were ever seen, and how many lately',
        }
      const irradiance = values['irradiance']?.value
      const { verdict, neverSeen, strangers, silent, working, notes } = callTheRoll({
        fitted: devices.length,
        ever,
        lately,
        irradiance,
        minIrradiance,
      })
      const where = neverSeen > 0 ? silentPlaces(context.asBuilt.array.reported[unit.id], devices) : ''
      const said = [
        ...(neverSeen > 0 ? [`${neverSeen} never seen${where}`] : []),
        ...(strangers > 0 ? [`${strangers} that nobody fitted`] : []),
        ...(silent > 0 ? [`${silent} silent`] : []),
      ]
      return {
        verdict,
        working,
        notes,
        finding: said.length > 0 ? said.join(', ') : `all ${devices.length} seen`,
        wanting: 'call again in daylight',
      }
    },
  },
)

/** Where the silent ones are, when the serials that were heard are known. */
function silentPlaces(
  reported: readonly string[] | undefined,
  devices: readonly { at: string; serial?: string | undefined }[],
): string {
  if (!reported || !devices.some(({ serial }) => serial)) return ''
  const { missing, likelyTypos } = serialMap({
    planned: devices.flatMap(({ at, serial }) => (serial ? [{ position: at, serial }] : [])),
    reported: [...reported],
  })
  // One whose serial was only copied wrongly is heard, under its own.
  const silent = missing.filter((place) => !likelyTypos.some(({ position }) => position === place))
  return silent.length > 0 ? `: ${joinAnd(silent.map(placeWords))}` : ''
}
