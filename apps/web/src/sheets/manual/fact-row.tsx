import { Box, Button, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import {
  customaryWords,
  figureWords,
  figuresOf,
  placeWords,
  type Decision,
  type Fact,
} from '@plumb-mark/manual'
import { useDecimal } from '../../data/preferences.js'
import { Note, SmallPrint, SmallUnproven } from '../../ui/theme/text.js'
import { FiguresForm } from './figures-form.js'
import { Cluster } from '../../ui/cluster.js'

/** One fact: what was read, where, and what is made of it. */
export function FactRow({
  fact,
  others,
  before,
  decision,
  chosen,
  onChoose,
  onDecide,
}: {
  fact: Fact
  /** Other places that say something else of the same. */
  others: readonly Fact[]
  /** What the sheet of the edition of before says of it. */
  before: { fact: Fact; isSame: boolean } | undefined
  decision: Decision | undefined
  chosen: boolean
  onChoose: () => void
  onDecide: (decision: Decision) => void
}) {
  const row = useRef<HTMLDivElement>(null)
  const [changing, setChanging] = useState(false)
  const decimal = useDecimal()
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: 'nearest' })
  }, [chosen])
  const figures = decision?.kind === 'changed' ? decision.figures : fact
  const printed = figureWords(fact, decimal)
  return (
    <Box
      layerStyle="ruleBelow"
      ref={row}
      role="group"
      aria-label={`${fact.subject} ${printed}`}
      aria-current={chosen || undefined}
      borderLeft="4px solid"
      borderLeftColor={chosen ? 'accent' : 'transparent'}
      bg={chosen ? 'accentWash' : undefined}
      opacity={decision?.kind === 'rejected' || decision?.kind === 'other-model' ? 0.55 : 1}
      onClick={onChoose}
      cursor="pointer"
      px="12px"
      py="8px"
    >
      <Cluster alignItems="baseline">
        <Box flex="1 1 150px" minW={0}>
          <Text lineHeight={1.25}>{nameOfFact(fact)}</Text>
          <SmallPrint>
            {placeWords(fact)}
            {fact.model && ` · ${fact.model}`}
            {fact.fromPicture && ' · read from a picture'}
          </SmallPrint>
        </Box>
        <Box textAlign="right">
          <Text fontFamily="mono" fontSize="18px" lineHeight={1.2}>
            {figureWords({ ...figures, kind: fact.kind, unit: fact.unit }, decimal)}
          </Text>
          <SmallPrint>
            {decision?.kind === 'changed' ? `printed: ${printed}` : customaryWords(fact)}
          </SmallPrint>
        </Box>
      </Cluster>
      {others.slice(0, MOST_BESIDE).map((other) => (
        <Beside key={`${other.page} ${other.box.top} ${other.box.x0}`}>
          {placeWords(other)} says {figureWords(other, decimal)}: accept one of them.
        </Beside>
      ))}
      {others.length > MOST_BESIDE && <Beside>and {others.length - MOST_BESIDE} more places.</Beside>}
      {fact.replaces && (
        <Beside>
          Takes the place of {figureWords({ ...fact.replaces, kind: fact.kind, unit: fact.unit }, decimal)},{' '}
          {placeWords(fact.replaces)}.
        </Beside>
      )}
      {before && !before.isSame && (
        <Beside>Before: {figureWords(before.fact, decimal) || `“${before.fact.text}”`}</Beside>
      )}
      {chosen && (
        <>
          {fact.text !== '' && fact.page > 0 && (
            <Note mt="4px" lineClamp={3}>
              “{fact.text}”
            </Note>
          )}
          {changing ? (
            <FiguresForm
              fact={fact}
              figures={figuresOf(figures)}
              onCancel={() => setChanging(false)}
              onSave={(subject, made) => {
                setChanging(false)
                onDecide({ kind: 'changed', figures: made, ...(subject !== fact.subject && { subject }) })
              }}
            />
          ) : (
            <Cluster gap="6px" mt="8px">
              <Choice of="accepted" label="Accept" decision={decision} onDecide={onDecide} />
              <Button
                variant="outline"
                aria-pressed={decision?.kind === 'changed'}
                onClick={() => setChanging(true)}
              >
                Change
              </Button>
              <Choice of="rejected" label="Reject" decision={decision} onDecide={onDecide} />
              {/* Without a manual there is one model. */}
              {fact.page > 0 && (
                <Choice of="other-model" label="Another model" decision={decision} onDecide={onDecide} />
              )}
            </Cluster>
          )}
        </>
      )}
      {!chosen && decision && (
        <SmallPrint>{before?.isSame ? 'as in the edition of before' : DECIDED[decision.kind]}</SmallPrint>
      )}
    </Box>
  )
}

/** What has no figure is its words: a step its sentence, a lamp or a code what it means. */
const nameOfFact = (fact: Fact): string =>
  fact.kind === 'step' || fact.kind === 'indicator' || fact.kind === 'alarm'
    ? [fact.subject, fact.text].filter((part) => part !== '').join(': ')
    : fact.subject || fact.text

/** What stands beside the figure elsewhere. */
const Beside = ({ children }: { children: React.ReactNode }) => <SmallUnproven>{children}</SmallUnproven>

/** So many other places are named; beyond them a person looks at the list itself. */
const MOST_BESIDE = 3

const DECIDED = {
  accepted: 'accepted',
  rejected: 'rejected',
  'other-model': 'belongs to another model',
  changed: 'accepted with another figure',
} satisfies Record<Decision['kind'], string>

function Choice({
  of,
  label,
  decision,
  onDecide,
}: {
  of: 'accepted' | 'rejected' | 'other-model'
  label: string
  decision: Decision | undefined
  onDecide: (decision: Decision) => void
}) {
  const made = decision?.kind === of
  return (
    <Button variant={made ? 'solid' : 'outline'} aria-pressed={made} onClick={() => onDecide({ kind: of })}>
      {label}
    </Button>
  )
}
