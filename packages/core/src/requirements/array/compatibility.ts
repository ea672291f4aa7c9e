import { planeOfPlace } from '../../ids/place-id.js'
import type { JudgementContext } from '../judgement-context.js'
import { quantity } from '../../quantity/quantity-field.js'
import { atMost } from '../../verdict/compare.js'
import type { Figure } from '../../quantity/figure.js'
import { amps, volts, watts } from '../../quantity/figure.js'
import { joinAnd } from '../../quantity/phrases.js'
import { msg, type Message, joinMessages } from '../../quantity/message.js'
import { list, num, object, oneOf, optional, refine, requireRange } from '../../shape/shape.js'
import type { SheetHead } from '../../sheet/head.js'
import { TECHNOLOGIES } from '../../sheet/terms.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/**
 * Which modules a device suits: by cell count, technology, current, voltage and power. Read off the array map
 * and the sheets of its modules.
 */
export const compatibility = defineKind(
  requirementOf({
    technologies: optional(list(oneOf(TECHNOLOGIES))),
    cells: optional(
      refine(object({ min: optional(num()), max: optional(num()) }, 'printed cell count'), requireRange),
    ),
    maxCurrent: optional(quantity('current', 'short-circuit current of one module')),
    maxVoltage: optional(quantity('voltage', 'open-circuit voltage of one module')),
    maxPower: optional(quantity('power', 'of one module')),
  }),
  {
    minutes: 1,
    reads: () => ['array', 'units'],
    expand: () => [wholeUnit],
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: ({ technologies, cells, maxCurrent, maxVoltage, maxPower }) =>
      joinMessages(
        [
          technologies ? technologies.join(' or ') : '',
          cells ? `${cells.min ?? ''} to ${cells.max ?? ''} cells` : '',
          maxCurrent === undefined ? '' : msg`up to ${amps(maxCurrent)}`,
          maxVoltage === undefined ? '' : msg`up to ${volts(maxVoltage)}`,
          maxPower === undefined ? '' : msg`up to ${watts(maxPower)}`,
        ],
        ', ',
      ),
    judge({ technologies, cells, maxCurrent, maxVoltage, maxPower }, _subject, _given, context, unit) {
      const sheets = modulesUnder(unit.id, context)
      if (sheets.length === 0) return undefined
      const rows = sheets.flatMap((sheet) => {
        const { technology, cells: count, isc, voc, power } = sheet.module!
        const name = `${sheet.maker} ${sheet.model}`
        return [
          row(
            name,
            technologies,
            technology,
            (allowed) => allowed.includes(technology!),
            (technology) => technology,
            'technology',
          ),
          row(
            name,
            cells,
            count,
            ({ min = 0, max = Infinity }) => count! >= min && count! <= max,
            (n) => `${n} cells`,
            'cell count',
          ),
          row(name, maxCurrent, isc, (max) => atMost(isc!, max), amps, 'short-circuit current'),
          row(name, maxVoltage, voc, (max) => atMost(voc, max), volts, 'open-circuit voltage'),
          row(name, maxPower, power, (max) => atMost(power!, max), watts, 'power'),
        ].flatMap((one) => (one ? [one] : []))
      })
      const wrong = rows.filter(({ fits }) => fits === false)
      const open = rows.filter(({ fits }) => fits === undefined)
      return {
        verdict: wrong.length > 0 ? 'does-not-conform' : open.length > 0 ? 'not-proven' : 'conforms',
        working: rows.map(({ said }) => said),
        notes: [],
        finding:
          wrong.length > 0
            ? joinAnd(wrong.map(({ said }) => said))
            : open.length > 0
              ? 'the module’s sheet does not say enough'
              : `suits ${joinAnd(sheets.map(({ maker, model }) => `${maker} ${model}`))}`,
        wanting: `complete the module’s sheet: ${open.map(({ said }) => said).join(', ')}`,
      }
    },
  },
)

function row<L, F>(
  name: string,
  limit: L | undefined,
  found: F | undefined,
  fits: (limit: L) => boolean,
  show: (found: F) => Figure | string,
  what: string,
): { said: Message; fits: boolean | undefined } | undefined {
  if (limit === undefined) return undefined
  return found === undefined
    ? { said: `${name} gives no ${what}`, fits: undefined }
    : { said: msg`${name}: ${what} ${show(found)}`, fits: fits(limit) }
}

/** The sheets of the modules that feed the devices of a unit. */
function modulesUnder(unitId: string, { asBuilt, sheetOf }: JudgementContext): SheetHead[] {
  const planes = new Set(
    asBuilt.array.devices
      .filter((device) => device.unitId === unitId)
      .flatMap(({ feeds }) => feeds.map(planeOfPlace)),
  )
  const units = new Set(asBuilt.array.planes.filter(({ id }) => planes.has(id)).map((plane) => plane.unitId))
  return [...units].flatMap((id) => sheetOf(id) ?? []).filter(({ module }) => module !== undefined)
}
