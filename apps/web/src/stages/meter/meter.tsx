import { ctPhasing, proofInput, type AnswerOf, type JudgedCheck } from '@plumb-mark/core'
import { Phasors } from '../../ui/drawings/phasors.js'
import { DevicesStrip } from '../../devices/devices-strip.js'
import { useInspection } from '../../job/inspection.js'
import { useAnswerOf } from '../answer-of.js'
import { Terminals } from '../terminals.js'
import { LiveProof } from './live-proof.js'
import { Transformers } from './transformers.js'
import { Faint, SubTitle } from '../../ui/theme/text.js'
import { PicturePart } from '../picture-part.js'

/** The transformers as fitted beside as this maker means them, and the phasors that prove it. */
export function Meter() {
  const checks = useInspection(({ inspection }) => inspection?.checks) ?? []
  const proofs = checks.filter(({ check }) => check.requirement.kind === 'ct-proof')
  const arrows = checks.filter(({ check }) => check.requirement.kind === 'arrow-convention')
  return (
    <>
      <DevicesStrip />
      {arrows.length > 0 && <Transformers checks={arrows} />}
      {proofs.map((judged) => (
        <Proof key={judged.check.id} judged={judged} />
      ))}
      <Terminals side="ac" of="meter" />
    </>
  )
}

function Proof({ judged }: { judged: JudgedCheck }) {
  const answer = useAnswerOf(judged) as AnswerOf<'fields'> | undefined
  const { requirement, unit } = judged.check
  if (requirement.kind !== 'ct-proof') return null
  const input = answer && proofInput(answer, requirement.phases, requirement.uncertainty)
  return (
    <PicturePart pt="0">
      <SubTitle mb="6px">Electrical proof, {unit.label}</SubTitle>
      <LiveProof judged={judged} />
      {input ? (
        <Phasors input={input} result={ctPhasing(input)} />
      ) : (
        <Faint>
          Run a known load on every phase, unequal ones, and enter what each channel reads: the phasors then
          show which transformer sits where.
        </Faint>
      )}
    </PicturePart>
  )
}
