import { wayToGrid } from '../../ac/way-to-grid.js'
import { RESIDUAL_KINDS } from '../../ac/one-line.js'
import { amps } from '../../quantity/figure.js'
import { listed, either } from '../../quantity/say.js'
import { say, joined } from '../../quantity/words.js'
import { flag, list, object, oneOf, optional, refine, requireRange } from '../../shape/shape.js'
import { quantity } from '../../quantity/quantity-field.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/**
 * What protects a unit on its way to the grid: a device in the range of the sheet, residual-current protection of a kind that is allowed,
 * surge protection, an isolator where a person would look for it, the label of two supplies. Read off the one-line model.
 */
export const protection = defineKind(
  requirementOf({
    device: optional(
      refine(
        object({ min: optional(quantity('current')), max: optional(quantity('current')) }),
        requireRange,
      ),
    ),
    residual: optional(list(oneOf(RESIDUAL_KINDS))),
    surge: optional(flag(), false),
    isolator: optional(flag(), false),
    label: optional(flag(), false),
  }),
  {
    minutes: 3,
    reads: () => ['network'],
    expand: () => [wholeUnit],
    ask: () => ({ kind: 'derived', from: 'network' }),
    required: ({ device, residual, surge, isolator, label }) =>
      [
        device
          ? say`device ${joined([device.min === undefined ? '' : say`from ${amps(device.min)}`, device.max === undefined ? '' : say`up to ${amps(device.max)}`], ' ')}`
          : '',
        residual ? `residual-current kind ${either(residual)}` : '',
        surge ? 'surge protection' : '',
        isolator ? 'isolator' : '',
        label ? 'label of two supplies' : '',
      ]
        .filter(Boolean)
        .join(', '),
    judge({ device, residual, surge, isolator, label }, _subject, _given, around, unit) {
      const start = around.asBuilt.network.parts.find((part) => part.unitId === unit.id)
      const way = start && wayToGrid(start, around.asBuilt.network)
      if (!way) return undefined
      const devices = way.filter(({ kind, rating }) => kind === 'device' && rating !== undefined)
      const nearest = devices[0]
      const faults = [
        ...(device && !nearest ? ['no protective device between it and the grid'] : []),
        ...(device && nearest && nearest.rating! < (device.min ?? 0)
          ? [say`${nearest.label} ${amps(nearest.rating!)} is below ${amps(device.min!)}`]
          : []),
        ...(device && nearest && nearest.rating! > (device.max ?? Infinity)
          ? [say`${nearest.label} ${amps(nearest.rating!)} is above ${amps(device.max!)}`]
          : []),
        ...(residual && !way.some((part) => residual.includes(part.residual ?? 'none'))
          ? [
              `residual-current protection is ${listed([...new Set(way.flatMap((part) => (part.residual && part.residual !== 'none' ? [part.residual] : [])))]) || 'missing'}`,
            ]
          : []),
        ...(surge && !way.some((part) => part.surge) ? ['no surge protection'] : []),
        ...(isolator && !way.some(({ kind }) => kind === 'isolator') ? ['no isolator'] : []),
        ...(label && !way.some(({ labelled }) => labelled) ? ['the label of two supplies is missing'] : []),
      ]
      return {
        verdict: faults.length > 0 ? 'does-not-conform' : 'conforms',
        working: [
          say`from the unit to the grid: ${joined(
            way.map((part) => say`${part.label}${part.rating ? say` ${amps(part.rating)}` : ''}`),
            ' → ',
          )}`,
          ...faults,
        ],
        notes: [],
        finding:
          faults[0] ?? (nearest ? say`protected by ${nearest.label}, ${amps(nearest.rating!)}` : 'as asked'),
        causes: faults.slice(1),
      }
    },
  },
)
