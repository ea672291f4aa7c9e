import {
  ctPhasing,
  formatQuantity,
  inForce,
  proofInput,
  type AnswerOf,
  type FormField,
  type Inspection,
  type JudgedCheck,
} from '@plumb-mark/core'
import { figure, quiet, type Block, type Cell } from '../block.js'
import { phasorsSvg } from '../drawings/phasors-svg.js'
import { sayingOf } from '../record.js'

/** Answers of several fields as tables: settings beside what they must be, and what else was filled in together. */
export function settingTests(inspection: Inspection): Block[] {
  const { say } = sayingOf(inspection)
  return inspection.checks.flatMap((judged): Block[] => {
    const { check, outcome } = judged
    const values = fieldsOf(judged)
    if (check.requirement.kind !== 'settings' || !values || check.ask.kind !== 'record') return []
    if (check.ask.form !== 'fields') return []
    const row = ({ id, label, required }: FormField): Cell[] => [
      label,
      figure(say(required)),
      values[id] ? figure(values[id].typed) : quiet('not read'),
    ]
    return [
      { kind: 'heading', text: `${check.title}, ${check.unit.label}` },
      {
        kind: 'table',
        columns: [{ head: 'setting', share: 2 }, { head: 'must be', share: 1.4 }, { head: 'found' }],
        rows: check.ask.fields.map(row),
      },
      { kind: 'verdict', verdict: outcome.verdict, text: 'finding' in outcome ? say(outcome.finding) : '' },
    ]
  })
}

/** The proof of the transformers as phasors, with what each channel showed. */
export function meterTests(inspection: Inspection): Block[] {
  const { say } = sayingOf(inspection)
  return inspection.checks.flatMap((judged): Block[] => {
    const { requirement, unit } = judged.check
    const values = fieldsOf(judged)
    if (requirement.kind !== 'ct-proof' || !values) return []
    const input = proofInput({ values } as AnswerOf<'fields'>, requirement.phases, requirement.uncertainty)
    if (!input) return []
    const result = ctPhasing(input)
    const power = (value: number, dimension: 'power' | 'reactive-power') =>
      figure(formatQuantity(value, dimension, { significant: 4 }))
    return [
      {
        kind: 'together',
        blocks: [
          { kind: 'heading', text: `Proof of the transformers, ${unit.label}` },
          {
            kind: 'drawing',
            svg: phasorsSvg(input, result),
            alt: 'Phasors of each phase, as they should be and as they are wired',
            height: 150,
          },
        ],
      },
      {
        kind: 'table',
        columns: [
          { head: 'phase' },
          { head: 'voltage' },
          { head: 'known load, P' },
          { head: 'known load, Q' },
          { head: 'channel shows, P' },
          { head: 'channel shows, Q' },
        ],
        rows: input.voltages.map(({ magnitude, angle }, i) => [
          `L${i + 1}`,
          figure(`${formatQuantity(magnitude, 'voltage', { significant: 4 })} at ${angle}°`),
          power(input.truth[i]!.p, 'power'),
          power(input.truth[i]!.q, 'reactive-power'),
          power(input.readings[i]!.p, 'power'),
          power(input.readings[i]!.q, 'reactive-power'),
        ]),
      },
      {
        kind: 'verdict',
        verdict: judged.outcome.verdict,
        text: 'finding' in judged.outcome ? say(judged.outcome.finding) : '',
      },
    ]
  })
}

/** Tests with a trace: what was switched, what had to come of it and by when. */
export function traceTests(inspection: Inspection): Block[] {
  const { say, when } = sayingOf(inspection)
  const rows = inspection.checks.flatMap(({ check, history, outcome }): Cell[][] => {
    const last = inForce(history)
    if (check.requirement.kind !== 'trace-test' || !last) return []
    return [
      [
        [check.title, quiet(check.unit.label)],
        say(check.required),
        'finding' in outcome ? say(outcome.finding) : quiet('–'),
        [quiet(`${last.by.name}, ${when(last.at)}`)],
        { verdict: outcome.verdict },
      ],
    ]
  })
  if (rows.length === 0) return []
  return [
    { kind: 'heading', text: 'Traces of commissioning' },
    {
      kind: 'table',
      columns: [
        { head: 'test', share: 1.5 },
        { head: 'must', share: 1.6 },
        { head: 'found', share: 1.6 },
        { head: 'by' },
        { head: 'verdict', share: 1.2 },
      ],
      rows,
    },
  ]
}

function fieldsOf({ history }: JudgedCheck): AnswerOf<'fields'>['values'] | undefined {
  const last = inForce(history)
  if (last?.kind !== 'record' || !('values' in last.body.answer) || Array.isArray(last.body.answer.values))
    return undefined
  return last.body.answer.values
}
