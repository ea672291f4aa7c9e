import type { UnitBuilt } from '../../as-built/unit.js'
import type { StringBuilt } from '../../as-built/string.js'
import type { Surroundings } from '../surroundings.js'
import { answered, type GivenRecord } from '../given.js'
import { safeVoltageGrowth } from '../../array/safe-voltage-growth.js'
import { quantity } from '../../quantity/quantity-field.js'
import { uncertaintyOf, vouching } from '../../instrument/instrument.js'
import { countedUncertainty } from '../../verdict/decision.js'
import { volts } from '../../quantity/figure.js'
import { say } from '../../quantity/words.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf, withInstrument } from '../kind.js'
import { electronicsStrings } from '../subjects.js'

/** The low voltage that each box holds until it is released: read after each box is plugged, it must rise by one step every time. */
export const safeVoltageKind = defineKind(
  requirementOf({
    perUnit: quantity('voltage', 'held by one box', { sign: 'divisor' }),
    tolerance: quantity('voltage', 'of one box'),
  }),
  {
    minutes: 6,
    reads: () => ['array'],
    expand: (_requirement, unit, _sheet, { asBuilt }) => electronicsStrings(unit, asBuilt),
    ask: (requirement, { string }, around, unit) => ({
      kind: 'record',
      form: 'series',
      instrument: requirement.instrument ?? 'multimeter',
      dimension: 'voltage',
      unit: 'V',
      labels: Array.from({ length: boxesOn(string, unit, around) }, (_, i) => `after box ${i + 1}`),
    }),
    required: ({ perUnit, tolerance }, { string }, around, unit) =>
      say`${volts(perUnit)} ± ${volts(tolerance)} a box${string ? say`, ${volts(perUnit * boxesOn(string, unit, around))} in all` : ''}`,
    judge({ perUnit, tolerance }, { string }, given, around, unit) {
      const answer = answered(given, 'series')
      if (!answer || !string) return undefined
      const instrument = vouching((given as GivenRecord).instrument, 'voltage')
      const readings = answer.values.map(({ value }) => value)
      const last = readings.at(-1)!
      const uncertainty = countedUncertainty(uncertaintyOf(instrument, 'voltage', last), around.rule)
      const grown = safeVoltageGrowth({ perUnit, perUnitTolerance: tolerance, readings, uncertainty })
      const whole = boxesOn(string, unit, around)
      const sure = withInstrument(grown.verdict, { instrument, uncertainty }, volts)
      const complete = readings.length === whole
      const verdict =
        grown.gapAt !== undefined || grown.reversed
          ? judged(false)
          : complete
            ? sure.verdict
            : sure.verdict === 'does-not-conform'
              ? sure.verdict
              : 'not-proven'
      return {
        verdict,
        working: grown.working,
        notes: grown.notes,
        finding: grown.reversed
          ? 'plus and minus are exchanged'
          : grown.gapAt !== undefined
            ? `box ${grown.gapAt} did not raise the voltage`
            : say`${volts(last)} after ${readings.length} of ${whole} boxes`,
        wanting: complete ? sure.wanting : `go on: ${whole - readings.length} boxes to plug`,
        causes:
          grown.gapAt === undefined
            ? []
            : [
                `an open connector between box ${Math.max(1, grown.gapAt - 1)} and box ${grown.gapAt}`,
                `box ${grown.gapAt} is not awake: its module is dark or unplugged`,
                `box ${grown.gapAt} is faulty: change it for its neighbour and read again`,
              ],
      }
    },
  },
)

/** Boxes on a string: one may serve several modules. */
function boxesOn(string: StringBuilt | undefined, unit: UnitBuilt, { asBuilt }: Surroundings): number {
  const path = new Set(string?.path)
  return Math.max(
    1,
    asBuilt.array.devices.filter(
      ({ unitId, feeds }) => unitId === unit.id && feeds.some((place) => path.has(place)),
    ).length,
  )
}
