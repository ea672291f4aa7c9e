import { Flex, Text } from '@chakra-ui/react'
import { Note } from '../../ui/theme/text.js'

/** What the facts below it have in common, and what can be done with all of them; it stays in sight while they pass. */
export function GroupHead({
  title,
  note,
  children,
}: {
  title: string
  note: string
  children?: React.ReactNode
}) {
  return (
    <Flex
      position="sticky"
      top={0}
      zIndex={1}
      bg="paper"
      px="16px"
      py="6px"
      minH="44px"
      gap="10px"
      align="center"
      borderBottom="1px solid"
      borderColor="hair"
    >
      <Text as="h2" fontWeight={600}>
        {title}
      </Text>
      <Note flex="1" hideBelow="md">
        {note}
      </Note>
      {children}
    </Flex>
  )
}
