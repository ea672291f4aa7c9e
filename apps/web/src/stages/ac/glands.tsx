import { Text, chakra } from '@chakra-ui/react'
import { formatNumber, type AnswerOf, type JudgedCheck } from '@plumb-mark/core'
import { SmallPrint, SubTitle } from '../../ui/theme/text.js'
import { verdictColour } from '../../ui/verdict-mark.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { useAnswerOf } from '../answer-of.js'
import { Cluster } from '../../ui/cluster.js'
import { shape } from '../../ui/drawings/shape.js'
import { PicturePart } from '../picture-part.js'

/** The glands in section, to one scale: the cable inside the range of the gland with or without its inner ring. */
export function Glands() {
  const checks = (useInspection(({ inspection }) => inspection?.checks) ?? []).filter(
    ({ check }) => check.requirement.kind === 'gland',
  )
  if (checks.length === 0) return null
  return (
    <PicturePart>
      <SubTitle>Glands, in section</SubTitle>
      <Cluster gap="18px" mt="8px">
        {checks.map((judged) => (
          <Section key={judged.check.id} judged={judged} />
        ))}
      </Cluster>
    </PicturePart>
  )
}

function Section({ judged }: { judged: JudgedCheck }) {
  const openCheck = useFocus((focus) => focus.openCheck)
  const answer = useAnswerOf(judged) as AnswerOf<'fields'> | undefined
  const { check, outcome } = judged
  if (check.requirement.kind !== 'gland') return null
  const gland = check.requirement.glands.find(({ id }) => id === check.subject.id)!
  const fitted = answer?.values['ring']?.typed === 'fitted'
  const limits = fitted ? (gland.withRing ?? gland.without) : gland.without
  const outer = (gland.without.max ?? 20) * 1.5
  const diameter = answer?.values['diameter']?.value
  const scale = 150 / outer
  return (
    <chakra.button
      type="button"
      onClick={() => openCheck(check.id)}
      aria-label={`Gland ${gland.label}, ${check.unit.label}`}
      cursor="pointer"
    >
      <chakra.svg viewBox="-90 -90 180 180" w="170px" h="170px" aria-hidden>
        <shape.circle r={80} fill="sunk" stroke="text" strokeWidth="3px" />
        {fitted && gland.withRing && (
          <shape.circle
            r={((gland.without.max ?? 0) * scale) / 2}
            fill="unprovenWash"
            stroke="unproven"
            strokeWidth="2px"
          />
        )}
        <shape.circle
          r={((limits.max ?? 0) * scale) / 2}
          fill="paper"
          stroke="accent"
          strokeDasharray="5 4"
          strokeWidth="2px"
        />
        <shape.circle
          r={((limits.min ?? 0) * scale) / 2}
          fill="none"
          stroke="accent"
          strokeDasharray="5 4"
          strokeWidth="2px"
        />
        {diameter !== undefined && (
          <shape.circle
            r={(diameter * scale) / 2}
            fill="none"
            stroke={verdictColour(outcome.verdict)}
            strokeWidth="5px"
          />
        )}
        <shape.text
          y={5}
          textAnchor="middle"
          fontSize="16px"
          mono
          fill="text"
          stroke="paper"
          strokeWidth="6px"
          style={{ paintOrder: 'stroke' }}
        >
          {diameter === undefined ? '?' : `${formatNumber(diameter, 1)} mm`}
        </shape.text>
      </chakra.svg>
      <Text fontSize="15px" fontWeight={600}>
        {gland.label}, {check.unit.label}
      </Text>
      <SmallPrint>
        {formatNumber(limits.min ?? 0, 1)} to {formatNumber(limits.max ?? 0, 1)} mm, ring{' '}
        {fitted ? 'fitted' : 'out'}
      </SmallPrint>
    </chakra.button>
  )
}
