import { Text } from '@chakra-ui/react'
import { isPast } from '@plumb-mark/core'

/** By when something is to be done, and by whom; what is overdue says so in words, and in the colour of what needs somebody now. */
export function Due({
  day,
  today,
  open,
  responsible,
  say,
}: {
  /** As 2026-06-01; empty where nobody said. */
  day: string
  today: string
  /** It still is to be done. */
  open: boolean
  responsible?: string | undefined
  /** How a day reads. */
  say: (day: string) => string
}) {
  if (day === '' && !responsible) return null
  const over = open && isPast(day, today)
  return (
    <Text color={over ? 'danger' : 'faint'} fontWeight={over ? 700 : 400} fontSize="15px">
      {[day && `${over ? 'Overdue: due' : 'Due'} ${say(day)}`, responsible].filter(Boolean).join(', ')}
    </Text>
  )
}
