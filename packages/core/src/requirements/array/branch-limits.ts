import { acBranch } from '../../ac/ac-branch.js'
import { quantity } from '../../quantity/quantity-field.js'
import { formatNumber, plural } from '../../quantity/phrases.js'
import { count, num, optional, percent } from '../../shape/shape.js'
import { defineKind, requirementOf } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/** How many small inverters may share a branch for its breaker and voltage, and how far the voltage may rise to the last. */
export const branchLimits = defineKind(
  requirementOf({
    unitCurrent: quantity('current', 'greatest output current of one inverter', { sign: 'divisor' }),
    statedMax: optional(count()),
    breakerUse: optional(num({ sign: 'magnitude', max: 1 }), 0.8),
    maxRisePercent: optional(percent(), 2),
  }),
  {
    minutes: 4,
    reads: () => ['array'],
    expand: (_requirement, unit, sheet, context) =>
      subjectsOf({ each: 'branch', where: {} }, unit, sheet, context),
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: ({ statedMax, breakerUse, maxRisePercent }) =>
      `within ${formatNumber(100 * breakerUse, 0)} % of the breaker${statedMax === undefined ? '' : `, at most ${statedMax}`}, rise up to ${formatNumber(maxRisePercent)} %`,
    judge({ unitCurrent, statedMax, breakerUse, maxRisePercent }, { branch }) {
      if (!branch || branch.devices.length === 0) return undefined
      const { phases, voltage, breaker, devices, segments } = branch
      const result = acBranch({
        phases,
        voltage,
        unitCurrent,
        units: devices.length,
        breaker,
        breakerUse,
        maxRisePercent,
        ...(statedMax !== undefined && { statedMax }),
        ...(segments?.length === devices.length && { segments }),
      })
      const tooMany = devices.length - result.allowed
      return {
        verdict:
          result.verdict === 'conforms' && result.riseVolts === undefined ? 'not-proven' : result.verdict,
        working: result.working,
        notes: result.notes,
        finding:
          tooMany > 0
            ? `${plural(devices.length, 'inverter')} where ${result.allowed} may be: ${tooMany} too many`
            : result.risePercent === undefined
              ? 'the rise is not known'
              : `${plural(devices.length, 'inverter')}, rise ${formatNumber(result.risePercent)} %`,
        wanting: 'give the length and size of every segment of the branch',
      }
    },
  },
)
