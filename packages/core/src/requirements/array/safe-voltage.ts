import type { UnitBuilt } from '../../as-built/unit.js'
import type { StringBuilt } from '../../as-built/string.js'
import type { JudgementContext } from '../judgement-context.js'
import { answered, type RecordInput } from '../evidence-input.js'
import { safeVoltageGrowth } from '../../array/safe-voltage-growth.js'
import { quantity } from '../../quantity/quantity-field.js'
import { uncertaintyOf, vouching } from '../../instrument/instrument.js'
import { countedUncertainty } from '../../verdict/decision.js'
import { volts } from '../../quantity/figure.js'
import { msg } from '../../quantity/message.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf, withInstrument } from '../kind.js'
import { electronicsStrings } from '../subjects.js'

/** The low voltage that each device holds until it is released: read after each device is plugged, it must rise by one step every time. */
export const safeVoltageKind = defineKind(
  requirementOf({
    perUnit: quantity('voltage', 'held by one device', { sign: 'divisor' }),
    tolerance: quantity('voltage', 'of one device'),
  }),
  {
    minutes: 6,
    reads: () => ['array', 'units'],
    expand: (_requirement, unit, _sheet, context) => electronicsStrings(unit, context),
    ask: (requirement, { string }, context, unit) => ({
      kind: 'record',
      form: 'series',
      instrument: requirement.instrument ?? 'multimeter',
      dimension: 'voltage',
      signed: true,
      unit: 'V',
      labels: Array.from({ length: devicesOn(string, unit, context) }, (_, i) => `after device ${i + 1}`),
    }),
    required: ({ perUnit, tolerance }, { string }, context, unit) =>
      msg`${volts(perUnit)} ± ${volts(tolerance)} a device${string ? msg`, ${volts(perUnit * devicesOn(string, unit, context))} in all` : ''}`,
    judge({ perUnit, tolerance }, { string }, evidence, context, unit) {
      const answer = answered(evidence, 'series')
      if (!answer || !string) return undefined
      const readings = answer.values.map(({ value }) => value)
      const highest = Math.max(...readings.map(Math.abs))
      const instrument = vouching((evidence as RecordInput).instrument, 'voltage', highest)
      const last = readings.at(-1)!
      const uncertainty = countedUncertainty(uncertaintyOf(instrument, 'voltage', last), context.rule)
      const grown = safeVoltageGrowth({ perUnit, perUnitTolerance: tolerance, readings, uncertainty })
      const whole = devicesOn(string, unit, context)
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
            ? `device ${grown.gapAt} did not raise the voltage`
            : msg`${volts(last)} after ${readings.length} of ${whole} devices`,
        wanting: complete ? sure.wanting : `go on: ${whole - readings.length} devices to plug`,
        causes:
          grown.gapAt === undefined
            ? []
            : [
                `an open connector between device ${Math.max(1, grown.gapAt - 1)} and device ${grown.gapAt}`,
                `device ${grown.gapAt} is not awake: its module is dark or unplugged`,
                `device ${grown.gapAt} is faulty: change it for its neighbour and read again`,
              ],
      }
    },
  },
)

/** Devices on a string: one may serve several modules. */
function devicesOn(string: StringBuilt | undefined, unit: UnitBuilt, { asBuilt }: JudgementContext): number {
  const path = new Set(string?.path)
  return Math.max(
    1,
    asBuilt.array.devices.filter(
      ({ unitId, feeds }) => unitId === unit.id && feeds.some((place) => path.has(place)),
    ).length,
  )
}
