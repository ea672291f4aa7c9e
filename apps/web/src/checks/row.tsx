import { Box, Text, chakra } from '@chakra-ui/react'
import { memo } from 'react'
import { expiredInstrument, type JudgedCheck, type Verdict } from '@plumb-mark/core'
import { VerdictMark } from '../ui/verdict-mark.js'
import { useMessageText } from '../job/message-text.js'
import { useFocus } from '../job/focus.js'

export const RowButton = chakra('button', {
  base: {
    w: '100%',
    textAlign: 'left',
    display: 'grid',
    gridTemplateColumns: '1fr auto',
    columnGap: '10px',
    alignItems: 'center',
    minH: '50px',
    px: '18px',
    py: '5px',
    cursor: 'pointer',
    _hover: { bg: 'panel' },
    // Within the row: it cuts off what is drawn around it.
    _focusVisible: { outlineOffset: '-3px' },
  },
})

/** A row is put into words again only when it was judged again, and drawn again only when one of its own words changes. */
export const CheckRow = memo(function CheckRow({
  judged,
  name,
}: {
  judged: JudgedCheck
  name?: string | undefined
}) {
  const saying = useMessageText()
  const { check, outcome } = judged
  const expired = expiredInstrument(judged)
  const said = expired
    ? `${expired.name} was out of calibration`
    : 'finding' in outcome
      ? saying(outcome.finding)
      : saying(check.required)
  const colour = outcome.verdict === 'does-not-conform' ? 'danger' : expired ? 'unproven' : 'faint'
  return (
    <PlainRow
      id={check.id}
      title={name ?? check.title}
      said={said}
      colour={colour}
      verdict={outcome.verdict}
    />
  )
})

const PlainRow = memo(function PlainRow({
  id,
  title,
  said,
  colour,
  verdict,
}: {
  id: string
  title: string
  said: string
  colour: string
  verdict: Verdict
}) {
  return (
    <RowButton type="button" onClick={() => useFocus.getState().openCheck(id)} data-check={id}>
      <Box minW={0}>
        <Text lineHeight={1.2}>{title}</Text>
        <Text fontSize="13px" color={colour} lineHeight={1.25} lineClamp={1}>
          {said}
        </Text>
      </Box>
      <VerdictMark verdict={verdict} />
    </RowButton>
  )
})
