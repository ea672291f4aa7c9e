import { Box, Flex, Stack, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { PlumbBob } from '../ui/plumb-bob.js'

/** What stands before the application: the bob on its line, and beside it the way in. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Flex minH="100dvh" align="stretch">
      <Flex flex="1" hideBelow="md" bg="sunk" direction="column" align="center" aria-hidden>
        <Box w="1.5px" flex="1" bg="text" />
        <PlumbBob size={120} />
        <Box h="16vh" />
      </Flex>
      <Flex flex="1" align="center" justify="center" p="24px">
        <Stack gap="18px" w="100%" maxW="360px">
          <Text as="h1" fontFamily="heading" fontSize="44px" lineHeight={1} fontWeight={600}>
            {title}
          </Text>
          {children}
        </Stack>
      </Flex>
    </Flex>
  )
}
