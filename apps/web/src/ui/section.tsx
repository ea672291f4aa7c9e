import { Box, Flex, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** One subject of the screen: its name, what can be done with all of it, and its rows. */
export function Section({
  title,
  actions,
  children,
}: {
  title: string
  actions?: ReactNode
  children: ReactNode
}) {
  return (
    <Box as="section" aria-label={title} mt="26px">
      <Flex
        align="center"
        gap="12px"
        wrap="wrap"
        borderBottom="2px solid"
        borderColor="text"
        pb="4px"
        minH="48px"
      >
        <Text as="h2" fontFamily="heading" fontSize="24px" fontWeight={600} flex="1">
          {title}
        </Text>
        {actions}
      </Flex>
      {children}
    </Box>
  )
}

/** What something is, and what can be done with it. */
export function Row({ children }: { children: ReactNode }) {
  return (
    <Flex
      align="center"
      gap="12px"
      wrap="wrap"
      minH="56px"
      py="6px"
      borderBottom="1px solid"
      borderColor="hair"
    >
      {children}
    </Flex>
  )
}
