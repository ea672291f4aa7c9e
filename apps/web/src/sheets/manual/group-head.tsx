import { Flex } from '@chakra-ui/react'
import { Note, Strong } from '../../ui/theme/text.js'

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
      layerStyle="ruleBelow"
      position="sticky"
      top={0}
      zIndex={1}
      bg="paper"
      px="16px"
      py="6px"
      minH="44px"
      gap="10px"
      align="center"
    >
      <Strong as="h2">{title}</Strong>
      <Note flex="1" hideBelow="md">
        {note}
      </Note>
      {children}
    </Flex>
  )
}
