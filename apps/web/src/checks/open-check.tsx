import { Box, Stack, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { openDefectFor, type DerivedFrom, type JudgedCheck, type Outcome } from '@plumb-mark/core'
import { Note, PartHeading, Small, SmallPrint, Unproven } from '../ui/theme/text.js'
import { useMay } from '../job/use-writable.js'
import { VerdictMark } from '../ui/verdict-mark.js'
import { AddRemark } from '../job/add-remark.js'
import { useInspection } from '../job/inspection.js'
import { useMessageText } from '../job/message-text.js'
import { AtHand } from './at-hand.js'
import { Clause } from './clause.js'
import { History } from './history.js'
import { NotApplicable } from './not-applicable.js'
import { ObservationField } from './observation-field.js'
import { RaiseDefectLater } from './raise-defect-later.js'
import { ReadingField } from './reading-field.js'
import { RecordField } from './record/record-field.js'
import { Cluster } from '../ui/cluster.js'
import { lazyPart } from '../ui/lazy-part.js'
import { Numbered } from '../ui/list.js'

/** With the words of all calculators. */
const ToCalculator = lazyPart(async () => (await import('./to-calculator.js')).ToCalculator)

const DERIVED_WORDS = {
  wall: 'Read off the wall: change an offset in the picture, and this follows.',
  array: 'Read off the array map: change it in the picture, and this follows.',
  earthing: 'Read off the bonding tree: change it in the picture, and this follows.',
  network: 'Read off the one-line diagram: change it in the picture, and this follows.',
  units: 'Read off what is fitted.',
} satisfies Record<DerivedFrom, string>

/** The check in focus: its field, the verdict the moment a value stands, the working, the clause, the remedy. */
export function OpenCheck({
  judged,
  onDone,
  inside = false,
}: {
  judged: JudgedCheck
  onDone: () => void
  /** Within what is open already. */
  inside?: boolean
}) {
  const { check } = judged
  const [trial, setTrial] = useState<Outcome>()
  const inspection = useInspection((state) => state.inspection)
  const drafted = useInspection(({ draft }) => draft !== undefined)
  const saying = useMessageText()
  const outcome = trial ?? judged.outcome
  // What is still being typed, here or in the picture, is no finding yet: a defect is raised on what is kept.
  const trying = trial !== undefined || (drafted && check.ask.kind === 'derived')
  const writable = useMay('reading')
  const defect = inspection && openDefectFor(judged, inspection.defects, inspection.checks)
  const shown = (
    <>
      <Cluster justifyContent="space-between" alignItems="baseline" pr={{ base: '36px', md: '0' }}>
        <PartHeading>{check.title}</PartHeading>
        <Note fontFamily="mono">{saying(check.required)}</Note>
      </Cluster>
      <Stack gap="12px" mt="10px">
        {writable && check.ask.kind === 'reading' && (
          <ReadingField judged={judged} onTrial={setTrial} onDone={onDone} />
        )}
        {writable && check.ask.kind === 'observation' && <ObservationField judged={judged} onDone={onDone} />}
        {writable && check.ask.kind === 'record' && (
          <RecordField judged={judged} onTrial={setTrial} onDone={onDone} />
        )}
        {writable && <NotApplicable judged={judged} onDone={onDone} />}
        {check.ask.kind === 'derived' && <Note>{DERIVED_WORDS[check.ask.from]}</Note>}
        <Verdict outcome={outcome} trying={trying} />
        {outcome.verdict === 'does-not-conform' && !trying && !defect && writable && (
          <RaiseDefectLater judged={judged} proposal={outcome.defect} onDone={onDone} />
        )}
        {defect && (
          <Small>
            <b>Defect raised</b> ({defect.severity}, {defect.state}): {defect.remedy}
          </Small>
        )}
        <Why outcome={outcome} />
        <Cluster justifyContent="space-between">
          <Clause check={check} />
          <ToCalculator judged={judged} />
        </Cluster>
        <AddRemark about={`${check.title}, ${check.place}`} checkId={check.id} />
        <History judged={judged} writable={writable} />
      </Stack>
    </>
  )
  if (inside)
    return (
      <Box role="region" aria-label={check.title} data-open-check={check.id} mt="14px">
        {shown}
      </Box>
    )
  return (
    <AtHand verdict={outcome.verdict} label={check.title} data-open-check={check.id}>
      {shown}
    </AtHand>
  )
}

function Verdict({ outcome, trying }: { outcome: Outcome; trying: boolean }) {
  const saying = useMessageText()
  return (
    <Box aria-live="polite">
      <VerdictMark verdict={outcome.verdict} large />
      {'finding' in outcome && (
        <Text fontSize="16px" mt="2px">
          {saying(outcome.finding)}
        </Text>
      )}
      {outcome.verdict === 'not-inspected' && outcome.again !== undefined && (
        <Unproven mt="2px">Read again: {outcome.again}. What was read before stays in the history.</Unproven>
      )}
      {outcome.verdict === 'not-applicable' && (
        <Text fontSize="16px" mt="2px">
          {outcome.because}
          {outcome.said && ` (${outcome.said.by.name})`}
        </Text>
      )}
      {outcome.verdict === 'not-proven' && <Unproven mt="2px">{saying(outcome.wanting)}</Unproven>}
      {trying && outcome.verdict === 'does-not-conform' && <Text mt="4px">{outcome.defect.remedy}</Text>}
    </Box>
  )
}

const Lines = chakra('ul', {
  base: {
    listStyleType: 'none',
    fontFamily: 'mono',
    fontSize: '13px',
    lineHeight: 1.5,
    color: 'text',
    overflowWrap: 'anywhere',
  },
})

/** The arithmetic, the likely causes, the notes. */
function Why({ outcome }: { outcome: Outcome }) {
  const saying = useMessageText()
  if (!('working' in outcome)) return null
  const causes = outcome.verdict === 'conforms' ? [] : outcome.causes
  return (
    <Stack>
      {causes.length > 0 && (
        <Box>
          <SmallPrint>Most likely first</SmallPrint>
          <Numbered fontSize="14px" lineHeight={1.4}>
            {causes.map((cause) => (
              <li key={String(cause)}>{saying(cause)}</li>
            ))}
          </Numbered>
        </Box>
      )}
      <Lines aria-label="Working">
        {outcome.working.map((line) => (
          <li key={String(line)}>{saying(line)}</li>
        ))}
      </Lines>
      {outcome.notes.map((note) => (
        <SmallPrint key={String(note)}>{saying(note)}</SmallPrint>
      ))}
    </Stack>
  )
}
