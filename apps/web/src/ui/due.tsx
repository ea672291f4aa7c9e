import { Text } from '@chakra-ui/react'

/** By when something is to be done, and by whom; what is overdue says so in words, and in the colour of what needs somebody now. */
export function Due({
  day,
  over,
  responsible,
  say,
}: {
  /** As 2026-06-01; empty where nobody said. */
  day: string
  /** It still is to be done, and the day is over where it is done. */
  over: boolean
  responsible?: string | undefined
  /** How a day reads. */
  say: (day: string) => string
}) {
  if (day === '' && !responsible) return null
  return (
    <Text color={over ? 'danger' : 'faint'} fontWeight={over ? 700 : 400} fontSize="15px">
      {[day && `${over ? 'Overdue: due' : 'Due'} ${say(day)}`, responsible].filter(Boolean).join(', ')}
    </Text>
  )
}
