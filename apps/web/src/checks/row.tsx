import { chakra } from '@chakra-ui/react'
import { memo, useMemo, type ComponentProps, type ReactNode } from 'react'
import { expiredInstrument, type JudgedCheck, type Message, type Verdict } from '@plumb-mark/core'
import { ink, type Colour } from '../ui/theme/colours.js'
import { VerdictMark } from '../ui/verdict-mark.js'
import { useMessageText } from '../job/message-text.js'
import { useFocus } from '../job/focus.js'
import { useSiteZone } from '../job/site-time.js'

const RowButton = chakra('button', {
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
    // Said once for the whole row: a list of hundreds works out no styles for each of its words.
    '& > span': { minW: 0 },
    '& > span > span': { display: 'block', lineHeight: 1.2 },
    '& > span > [data-words]': { fontSize: '13px', lineHeight: 1.25, color: 'faint' },
    '& > span > [data-words=one-line]': { lineClamp: 1 },
    '& small': { fontSize: 'inherit', color: 'faint' },
  },
})

interface ListRowProps extends ComponentProps<typeof RowButton> {
  /** What it asks; in a `small` what is less. */
  label: ReactNode
  words: string
  colour?: Colour | undefined
  oneLine?: boolean
  verdict: Verdict
}

/** A row of the list: what is asked, what was found or is required, and the verdict. */
export function ListRow({ label, words, colour, oneLine, verdict, ...button }: ListRowProps) {
  return (
    <RowButton type="button" {...button}>
      <span>
        <span>{label}</span>
        <span data-words={oneLine ? 'one-line' : ''} style={colour && { color: ink(colour) }}>
          {words}
        </span>
      </span>
      <VerdictMark verdict={verdict} />
    </RowButton>
  )
}

/** How rows are put into words in the open job: asked once for a list, and not by each of its rows with every key. */
export interface RowWords {
  saying: (said: Message) => string
  zone: string | undefined
}
export function useRowWords(): RowWords {
  const saying = useMessageText()
  const zone = useSiteZone()
  return useMemo(() => ({ saying, zone }), [saying, zone])
}

/** A row is put into words again only when it was judged again, and drawn again only when one of its own words changes. */
export const CheckRow = memo(function CheckRow({
  judged,
  name,
  words: { saying, zone },
}: {
  judged: JudgedCheck
  name?: string | undefined
  words: RowWords
}) {
  const { check, outcome } = judged
  const expired = expiredInstrument(judged, zone)
  const said = expired
    ? `${expired.name} was out of calibration`
    : 'finding' in outcome
      ? saying(outcome.finding)
      : saying(check.required)
  const colour = outcome.verdict === 'does-not-conform' ? 'danger' : expired ? 'unproven' : undefined
  return (
    <PlainRow
      id={check.id}
      label={name ?? check.title}
      words={said}
      colour={colour}
      verdict={outcome.verdict}
    />
  )
})

const PlainRow = memo(function PlainRow({ id, ...row }: ListRowProps & { id: string }) {
  return <ListRow {...row} oneLine onClick={() => useFocus.getState().openCheck(id)} data-check={id} />
})
