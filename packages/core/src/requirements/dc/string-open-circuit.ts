import type { StringBuilt } from '../../as-built/string.js'
import type { ReadingInput } from '../evidence-input.js'
import { HYPOTHESIS_WORDS, stringVoltage, type StringVoltageResult } from '../../dc/string-voltage.js'
import { formatQuantity } from '../../quantity/format.js'
import { quantity } from '../../quantity/quantity-field.js'
import { decision } from '../../verdict/decision.js'
import { volts, Figure } from '../../quantity/figure.js'
import { formatNumber } from '../../quantity/phrases.js'
import { msg, type Message } from '../../quantity/message.js'
import { optional } from '../../shape/shape.js'
import { worst, type JudgedVerdict } from '../../verdict/verdict.js'
import { stringSubjects } from '../subjects.js'
import { defineKind, requirementOf, withInstrument, type Judgement } from '../kind.js'

const STRING_CONDITIONS = ['cellTemperature', 'irradiance'] as const

/**
 * The open-circuit voltage of each string: under the unit's limit, above its start voltage, and as expected for the count of modules,
 * the cell temperature and the irradiance. Without both the expectation cannot be judged, and the check is not proven.
 */
export const stringOpenCircuit = defineKind(
  requirementOf({
    max: quantity('voltage', 'greatest DC voltage of the input'),
    start: optional(quantity('voltage', 'start voltage of the input')),
  }),
  {
    minutes: 3,
    reads: () => ['array', 'units'],
    expand: (_requirement, unit, _sheet, context) => stringSubjects(unit, context),
    ask: (requirement) => ({
      kind: 'reading',
      dimension: 'voltage',
      unit: 'V',
      instrument: requirement.instrument ?? 'multimeter',
      conditions: STRING_CONDITIONS,
      signed: true,
    }),
    required(requirement, { string }) {
      const modules = string ? `, as expected of ${string.count} modules` : ''
      return msg`${requirement.start === undefined ? '' : msg`${volts(requirement.start)} to `}${requirement.start === undefined ? 'at most ' : ''}${volts(requirement.max)}${modules}`
    },
    judge(requirement, subject, evidence, context): Judgement | undefined {
      if (evidence?.kind !== 'reading' || !subject.string) return undefined
      const size = Math.abs(evidence.value)
      const limit = decision(
        {
          value: size,
          relation: evidence.relation,
          uncertainty: evidence.uncertainty,
          min: requirement.start,
          max: requirement.max,
          rule: context.rule,
        },
        { dimension: 'voltage' },
      )
      const expectation = expected(subject.string, evidence)
      const verdicts: JudgedVerdict[] = [limit.verdict, expectation?.verdict ?? 'not-proven']
      const sure = withInstrument(worst(verdicts) as JudgedVerdict, evidence, volts)
      return {
        verdict: sure.verdict,
        get working() {
          return [...limit.working, ...(expectation?.working ?? [])]
        },
        get notes() {
          return [...limit.notes, ...(expectation?.notes ?? [])]
        },
        wanting: wantingOf(expectation, limit.verdict, sure.wanting),
        finding: expectation
          ? msg`${difference(evidence.value - expectation.expected, expectation.expected)} from ${volts(expectation.expected)} expected`
          : `${formatQuantity(size, 'voltage')} read`,
        ...(expectation && { causes: causesOf(expectation) }),
      }
    },
  },
)

/** The expectation for a string at the conditions of a reading; undefined when they were not noted. */
export function expected(string: StringBuilt, evidence: ReadingInput): StringVoltageResult | undefined {
  const { cellTemperature, irradiance } = evidence.conditions
  if (
    cellTemperature === undefined ||
    irradiance === undefined ||
    irradiance <= 0 ||
    cellTemperature <= -273.15
  )
    return undefined
  return stringVoltage({
    module: string.module,
    count: string.count,
    measured: { voc: evidence.value, uncertainty: evidence.uncertainty },
    conditions: { cellTemperature, irradiance },
  })
}

function wantingOf(
  expectation: StringVoltageResult | undefined,
  againstLimits: JudgedVerdict,
  instrument: Message,
): Message {
  if (!expectation)
    return 'note cell temperature and irradiance: without them the count of modules cannot be judged'
  return againstLimits === 'not-proven'
    ? instrument
    : expectation.verdict === 'not-proven'
      ? nextMeasurement(expectation)
      : instrument
}

const difference = (volt: number, beside: number) =>
  msg`${volt < 0 ? '' : '+'}${new Figure(volt, 'voltage', { difference: true, beside })}`

/** The three most probable stories, with what to look at first. */
function causesOf({ hypotheses }: StringVoltageResult): Message[] {
  return hypotheses
    .filter(({ probability }, i) => i < 3 && probability >= 0.005)
    .map(
      ({ id, voltage, probability }) =>
        `${HYPOTHESIS_WORDS[id].says} (${formatNumber(voltage, 1)} V, ${formatNumber(100 * probability, 1)} %): ${HYPOTHESIS_WORDS[id].lookAt}`,
    )
}

/** What would tell the likeliest stories apart: those that would read nearly alike, the most probable first. */
function nextMeasurement({ hypotheses }: StringVoltageResult): string {
  const [first, second] = hypotheses
  const rival = [first, second].find((one) => one !== undefined && one.id !== 'as-designed')
  const next = rival ? HYPOTHESIS_WORDS[rival.id].lookAt : ''
  return `between the design and “${rival ? HYPOTHESIS_WORDS[rival.id].says : 'a fault'}”: measure again at a steady irradiance, with the cell temperature taken at the module${next ? `; ${next}` : ''}`
}
