import { safeVoltageGrowth } from '../../array/safe-voltage-growth.js'
import { quantity } from '../../quantity/quantity-field.js'
import { uncertaintyOf } from '../../job/instrument.js'
import { volts } from '../../verdict/say.js'
import { judged } from '../../verdict/verdict.js'
import { answered, defineKind, requirementOf, withInstrument, type GivenRecord } from './kind.js'
import { electronicsStrings } from './subjects.js'

/** The low voltage that each box holds until it is released: read after each box is plugged, it must rise by one step every time. */
export const safeVoltageKind = defineKind(requirementOf({ perUnit: quantity('voltage', 'held by one box'), tolerance: quantity('voltage', 'of one box') }), {
  minutes: 6,
  expand: (_requirement, unit, _sheet, { asBuilt }) => electronicsStrings(unit, asBuilt),
  ask: (requirement, { string }) => ({ kind: 'record', form: 'series', instrument: requirement.instrument ?? 'multimeter', dimension: 'voltage', unit: 'V', labels: Array.from({ length: string?.path?.length ?? string?.count ?? 1 }, (_, i) => `after box ${i + 1}`) }),
  required: ({ perUnit, tolerance }, { string }) => `${volts(perUnit)} ± ${volts(tolerance)} a box${string ? `, ${volts(perUnit * (string.path?.length ?? string.count))} in all` : ''}`,
  judge({ perUnit, tolerance }, { string }, given) {
    const answer = answered(given, 'series')
    if (!answer || !string) return undefined
    const { instrument } = given as GivenRecord
    const readings = answer.values.map(({ value }) => value)
    const last = readings.at(-1)!
    const uncertainty = uncertaintyOf(instrument, 'voltage', last)
    const grown = safeVoltageGrowth({ perUnit, perUnitTolerance: tolerance, readings, uncertainty })
    const whole = string.path?.length ?? string.count
    const sure = withInstrument(grown.verdict, { instrument, uncertainty }, volts)
    const complete = readings.length === whole
    const verdict = grown.gapAt !== undefined || grown.reversed ? judged(false) : complete ? sure.verdict : sure.verdict === 'does-not-conform' ? sure.verdict : 'not-proven'
    return {
      verdict,
      working: grown.working,
      notes: grown.notes,
      finding: grown.reversed ? 'plus and minus are exchanged' : grown.gapAt !== undefined ? `box ${grown.gapAt} did not raise the voltage` : `${volts(last)} after ${readings.length} of ${whole} boxes`,
      wanting: complete ? sure.wanting : `go on: ${whole - readings.length} boxes to plug`,
      causes: grown.gapAt === undefined ? [] : [`an open connector between box ${Math.max(1, grown.gapAt - 1)} and box ${grown.gapAt}`, `box ${grown.gapAt} is not awake: its module is dark or unplugged`, `box ${grown.gapAt} is faulty: change it for its neighbour and read again`],
    }
  },
})
