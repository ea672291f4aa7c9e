import type { StringBuilt } from '../../as-built/string.js'
import type { JudgementContext } from '../judgement-context.js'
import { stringMakeUp } from '../../as-built/module-lookup.js'
import { quantity } from '../../quantity/quantity-field.js'
import { atMost } from '../../verdict/compare.js'
import { watts } from '../../quantity/figure.js'
import { joinAnd, normaliseLabel, plural } from '../../quantity/phrases.js'
import { msg, joinMessages } from '../../quantity/message.js'
import { count, flag, optional } from '../../shape/shape.js'
import { defineKind, requirementOf } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/**
 * What a string may be: least and most modules, greatest power, and whether it may mix wattages,
 * orientations, or share its input with an unequal one.
 */
export const stringLimits = defineKind(
  requirementOf({
    minCount: optional(count()),
    maxCount: optional(count()),
    maxPower: optional(quantity('power')),
    mixedModules: optional(flag('may modules of different sheets share a string?'), false),
    mixedPlanes: optional(flag('may modules of different planes share a string?'), false),
    unequalOnInput: optional(flag('may strings of different count share an input?'), false),
  }),
  {
    minutes: 2,
    reads: () => ['array', 'units'],
    expand: (_requirement, unit, sheet, context) =>
      subjectsOf({ each: 'string', where: {} }, unit, sheet, context),
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: ({ minCount, maxCount, maxPower, mixedModules, mixedPlanes, unequalOnInput }) =>
      joinMessages(
        [
          minCount === undefined ? '' : `at least ${minCount}`,
          maxCount === undefined ? '' : `at most ${maxCount} modules`,
          maxPower === undefined ? '' : msg`up to ${watts(maxPower)}`,
          mixedModules ? '' : 'one kind of module',
          mixedPlanes ? '' : 'one plane',
          unequalOnInput ? '' : 'equal to the others on the input',
        ],
        ', ',
      ),
    judge(requirement, { string }, _given, context) {
      if (!string) return undefined
      const {
        minCount = 1,
        maxCount = Infinity,
        maxPower,
        mixedModules,
        mixedPlanes,
        unequalOnInput,
      } = requirement
      const made = stringMakeUp(string, context.array())
      const unequal = unequalOnInput
        ? []
        : othersOnInput(string, context).filter(({ count }) => count !== made.count)
      const faults = [
        ...(made.count < minCount ? [`${plural(made.count, 'module')}, at least ${minCount}`] : []),
        ...(made.count > maxCount ? [`${plural(made.count, 'module')}, at most ${maxCount}`] : []),
        ...(maxPower !== undefined && made.power !== undefined && !atMost(made.power, maxPower)
          ? [msg`${watts(made.power)}, at most ${watts(maxPower)}`]
          : []),
        ...(!mixedModules && made.sheetIds.length > 1 ? ['modules of different sheets in one string'] : []),
        ...(!mixedPlanes && made.planes.length > 1
          ? [`modules of ${joinAnd(made.planes.map(({ label }) => label))} in one string`]
          : []),
        ...unequal.map(({ label, count }) => `${label} on the same input has ${count}`),
        ...(string.doubt === undefined ? [] : [string.doubt]),
        ...(made.strangers.length > 0
          ? [`passes ${plural(made.strangers.length, 'place')} without a module`]
          : []),
      ]
      const unknownPower = maxPower !== undefined && made.power === undefined
      return {
        verdict: faults.length > 0 ? 'does-not-conform' : unknownPower ? 'not-proven' : 'conforms',
        working: [
          plural(made.count, 'module'),
          ...(made.power === undefined
            ? []
            : [msg`${watts(made.power)}${maxPower === undefined ? '' : msg` of ${watts(maxPower)}`}`]),
          ...faults,
        ],
        notes: [],
        finding:
          faults[0] ??
          msg`${plural(made.count, 'module')}${made.power === undefined ? '' : msg`, ${watts(made.power)}`}`,
        wanting: 'draw the string on the array map: its power follows from the modules',
      }
    },
  },
)

/** The other strings on the same input of the same unit. */
function othersOnInput(string: StringBuilt, context: JudgementContext): { label: string; count: number }[] {
  return context
    .strings()
    .filter(
      ({ id, unitId, input }) =>
        id !== string.id &&
        unitId === string.unitId &&
        normaliseLabel(input) === normaliseLabel(string.input),
    )
    .map(({ label, count }) => ({ label, count }))
}
