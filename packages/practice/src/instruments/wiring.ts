import { ctPhasing, proofInput, type AnswerOf, type JudgedCheck } from '@plumb-mark/core'
import type { Scenario } from '../scenario/scenario.js'

/** How the transformer of a channel sits: on which phase, from 0, and which way round. */
export interface Sits {
  on: number
  turned: boolean
}

/** How the transformers of a meter really sit, channel by channel; undefined where nothing tells it. */
export function wiringAt(
  { truth }: Scenario,
  { point, requirement }: JudgedCheck['check'],
): Sits[] | undefined {
  const there = truth.get(point)
  if (requirement.kind !== 'ct-proof' || there?.kind !== 'record') return undefined
  const { phases, uncertainty } = requirement
  const input = proofInput(there.body.answer as AnswerOf<'fields'>, phases, uncertainty)
  const proof = input && ctPhasing(input)
  if (proof?.status !== 'identified') return undefined
  return proof.best.phases.map((phase, i) => ({ on: phase - 1, turned: proof.best.polarity[i]! < 0 }))
}
