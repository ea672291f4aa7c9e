import { Flex, Text } from '@chakra-ui/react'
import type { JudgedCheck } from '@plumb-mark/core'
import { Note } from '../ui/theme/text.js'
import { VerdictMark } from '../ui/verdict-mark.js'

/** The unit that a part of the picture is about, what is asked of it there, and how that stands. */
export function UnitHeading({ judged: { check, outcome } }: { judged: JudgedCheck }) {
  return (
    <Flex align="baseline" gap="12px" wrap="wrap" mb="10px">
      <Text as="h2" fontFamily="heading" fontSize="22px" fontWeight={600}>
        {check.unit.label}
      </Text>
      <Note flex="1">{check.title}</Note>
      <VerdictMark verdict={outcome.verdict} />
    </Flex>
  )
}
