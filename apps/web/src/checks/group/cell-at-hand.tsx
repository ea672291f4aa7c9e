import { Box, Button, HStack, Text, chakra } from '@chakra-ui/react'
import { ArrowDownToLine } from 'lucide-react'
import { useState } from 'react'
import { openDefectFor, type JudgedCheck, type TypedJudgement } from '@plumb-mark/core'
import { Note } from '../../ui/theme/text.js'
import { VerdictMark } from '../../ui/verdict-mark.js'
import { useInspection } from '../../job/inspection.js'
import { useMessageText } from '../../job/message-text.js'
import { useFocus } from '../../job/focus.js'
import { RaiseDefectLater } from '../raise-defect-later.js'
import { readAt } from './table-cell.js'
import { Cluster } from '../../ui/cluster.js'
import { LinkButton } from '../../ui/buttons.js'

/** The cell at hand in whole words: what was read, what is required, what comes of it, and its defect, raised without leaving the table. */
export function CellAtHand({
  judged,
  name,
  trial,
  onBack,
  onFillDown,
}: {
  judged: JudgedCheck
  name: string
  /** What comes of what is being typed. */
  trial: TypedJudgement | undefined
  /** The focus goes back to the cell. */
  onBack: () => void
  /** Types the same into the cells below that nobody has read; absent where there is none. */
  onFillDown: (() => void) | undefined
}) {
  const saying = useMessageText()
  const inspection = useInspection((state) => state.inspection)
  const openCheck = useFocus((focus) => focus.openCheck)
  const [raising, setRaising] = useState(false)
  const outcome = trial?.ok ? trial.outcome : judged.outcome
  const defect = inspection && openDefectFor(judged, inspection.defects, inspection.checks)
  const proposal =
    !trial && !defect && judged.outcome.verdict === 'does-not-conform' ? judged.outcome.defect : undefined
  const wanting = outcome.verdict === 'not-proven' ? outcome.wanting : undefined
  const finding = 'finding' in outcome ? outcome.finding : undefined
  const back = () => {
    setRaising(false)
    onBack()
  }
  return (
    <Box
      position="sticky"
      bottom={{ base: '-14px', md: '0' }}
      bg="panel"
      zIndex={3}
      py="6px"
      minH="74px"
      aria-live="polite"
    >
      <Cluster justifyContent="space-between" alignItems="baseline" gap="2px 10px">
        <Text>
          <b>{name}</b> {!trial && <chakra.span fontFamily="mono">{readAt(judged) ?? ''}</chakra.span>}
        </Text>
        <VerdictMark verdict={outcome.verdict} />
      </Cluster>
      <Note>
        {saying(finding ?? judged.check.required)}
        {wanting !== undefined && `. ${saying(wanting)}`}
      </Note>
      {defect && (
        <Note color="text">
          Defect raised ({defect.severity}, {defect.state}).
        </Note>
      )}
      {!raising && (
        <HStack>
          {proposal && (
            <>
              <Button variant="outline" onClick={() => setRaising(true)}>
                Raise the defect …
              </Button>
              <Button variant="plain" onClick={() => openCheck(judged.check.id)}>
                Why
              </Button>
            </>
          )}
          {onFillDown && !proposal && (
            <Button variant="outline" onClick={onFillDown}>
              <ArrowDownToLine size={17} /> Fill down
            </Button>
          )}
        </HStack>
      )}
      {proposal && raising && (
        <>
          <RaiseDefectLater judged={judged} proposal={proposal} onDone={back} />
          <LinkButton onClick={back}>Not now</LinkButton>
        </>
      )}
    </Box>
  )
}
