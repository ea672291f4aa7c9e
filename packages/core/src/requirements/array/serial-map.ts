import { placeWords } from '../../ids/place-id.js'
import type { JudgementContext } from '../judgement-context.js'
import { serialMap as compareSerials } from '../../array/serial-map.js'
import { joinAnd, plural } from '../../quantity/phrases.js'
import { object, oneOf, optional, whole } from '../../shape/shape.js'
import { UNIT_KINDS } from '../../sheet/terms.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** The devices that a unit has heard against those on the array map: silent ones, strangers, likely slips of the pen. */
export const serialMap = defineKind(
  requirementOf({
    hears: oneOf(UNIT_KINDS, 'the kind of unit whose devices report here'),
    from: optional(
      object(
        {
          first: whole({ min: 0, max: 65_535, about: 'register of the first serial' }),
          size: whole({
            min: 1,
            max: 32,
            about: 'registers of a serial; in the next stand the minutes since it was heard',
          }),
          step: whole({ min: 2, max: 200, about: 'registers from one to the next' }),
          most: whole({ min: 1, max: 200, about: 'how many there can be' }),
        },
        'where the device lists whom it hears; 65535 minutes are never',
      ),
    ),
  }),
  {
    minutes: 5,
    reads: () => ['array', 'units'],
    expand: () => [wholeUnit],
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: () => 'every device on the map is heard, and no other',
    judge({ hears }, _subject, _given, context, unit) {
      const reported = context.asBuilt.array.reported[unit.id]
      const devices = heardDevices(hears, context)
      if (!reported || devices.length === 0) return undefined
      const named = devices.filter(({ serial }) => serial)
      const nameless = devices.length - named.length
      if (named.length === 0)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'no serial is on the map',
          wanting: 'enter the serials on the array map',
        }
      const result = compareSerials({
        planned: named.map(({ at, serial }) => ({ position: at, serial: serial! })),
        reported,
      })
      const typos = new Set(result.likelyTypos.map(({ position }) => position))
      const silent = result.missing.filter((place) => !typos.has(place))
      const said = [
        ...result.likelyTypos.map(
          ({ position, planned, reported: heard }) =>
            `${placeWords(position)}: ${planned} on the map, ${heard} heard`,
        ),
        ...(silent.length > 0 ? [`silent: ${joinAnd(silent.map(placeWords))}`] : []),
        ...(result.unknown.length > typos.size
          ? [`${plural(result.unknown.length - typos.size, 'stranger')} heard`]
          : []),
        ...(result.duplicatePlanned.length > 0
          ? [`on the map twice: ${result.duplicatePlanned.join(', ')}`]
          : []),
        ...(nameless > 0 ? [`${plural(nameless, 'device', 'devices')} without a serial on the map`] : []),
      ]
      return {
        verdict: result.verdict === 'conforms' && nameless > 0 ? 'not-proven' : result.verdict,
        working: result.working,
        notes: result.notes,
        finding: said[0] ?? `${result.matched} of ${devices.length} heard`,
        causes: said,
        wanting: 'enter the missing serials on the array map',
      }
    },
  },
)

export function heardDevices(
  hears: string,
  { asBuilt, sheetOf }: Pick<JudgementContext, 'asBuilt' | 'sheetOf'>,
) {
  const units = new Set(asBuilt.units.filter(({ id }) => sheetOf(id)?.kind === hears).map(({ id }) => id))
  return asBuilt.array.devices.filter(({ unitId }) => units.has(unitId))
}
