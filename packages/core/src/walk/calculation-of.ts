import { conductorInputOf } from '../ac/network-checks.js'
import type { CalculatorName } from '../calculators.js'
import { inForce } from '../job/state.js'
import { proofInput } from '../requirements/meter/ct-proof.js'
import type { JudgementContext } from '../requirements/judgement-context.js'
import type { AnswerOf } from '../answer/forms.js'
import type { Check, JudgedCheck } from './check.js'
import { evidenceInputOf } from './evidence-input-of.js'

/** A calculator with the figures of a check, canonical units. */
export interface Calculation {
  calculator: CalculatorName
  input: Record<string, unknown>
}

type Asked<K extends Check['requirement']['kind']> = Extract<Check['requirement'], { kind: K }>

/**
 * The calculator that answers what a check asks, filled in with the figures of the job as far as they are known; undefined where none
 * does. What is not known yet is left out, and asked for there.
 */
export function calculationOf(
  { check, history }: JudgedCheck,
  context: JudgementContext,
): Calculation | undefined {
  const { requirement, subject, ask } = check
  const given = evidenceInputOf(ask, inForce(history))
  const reading = given?.kind === 'reading' ? given : undefined
  const { string } = subject
  switch (requirement.kind) {
    case 'string-open-circuit':
      return (
        string && {
          calculator: 'string-voltage',
          input: plain({
            module: moduleOf(string.module),
            count: string.count,
            ...(reading && { measured: { voc: reading.value, uncertainty: reading.uncertainty } }),
            conditions: reading?.conditions ?? {},
          }),
        }
      )
    case 'cold-limit':
      return (
        string && {
          calculator: 'string-cold-limit',
          input: plain({
            module: { voc: string.module.voc, vocTempCoeff: string.module.vocTempCoeff },
            count: string.count,
            minTemperature: context.header?.coldest,
            inverterMax: (requirement as Asked<'cold-limit'>).max,
            method: string.coldMethod ?? 'coefficient',
          }),
        }
      )
    case 'insulation':
      return (
        string && {
          calculator: 'insulation',
          input: plain({
            systemVoltage: string.count * string.module.voc,
            testVoltage: reading?.conditions.testVoltage,
            ...(reading && { measured: { value: reading.value, relation: reading.relation } }),
          }),
        }
      )
    case 'conductor-size': {
      const load = context.loads().find(({ conductor }) => conductor.id === subject.conductor?.id)
      const input =
        load &&
        conductorInputOf(load, {
          school: context.header?.school ?? 'iec',
          maxDropPercent: (requirement as Asked<'conductor-size'>).maxDropPercent,
        })
      return input && { calculator: 'conductor', input: plain({ ...input }) }
    }
    case 'ct-proof': {
      if (given?.kind !== 'record') return undefined
      const { phases, uncertainty } = requirement as Asked<'ct-proof'>
      const input = proofInput(given.answer as AnswerOf<'fields'>, phases, uncertainty)
      return input && { calculator: 'ct-phasing', input: plain({ ...input }) }
    }
    default:
      return undefined
  }
}

function moduleOf({
  voc,
  vocTempCoeff,
  cellsInSeries,
  bypassDiodes,
}: {
  voc: number
  vocTempCoeff: number
  cellsInSeries: number
  bypassDiodes: number
}) {
  return { voc, vocTempCoeff, cellsInSeries, bypassDiodes }
}

/** Without what is not known. */
const plain = (input: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(input).filter(([, value]) => value !== undefined))
