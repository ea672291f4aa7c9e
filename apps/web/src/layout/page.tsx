import { Box, Flex, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { Problem } from '../ui/problem.js'
import { Frame } from './frame.js'

/** A view of its own beside the jobs: its name, what can be done there, and what went wrong. */
export function Page({
  title,
  width,
  problem,
  actions,
  children,
}: {
  title: string
  width: string
  problem?: string | undefined
  actions?: ReactNode
  children: ReactNode
}) {
  return (
    <Frame subject={title}>
      <Box maxW={width} mx="auto" px={{ base: '16px', md: '24px' }} py="28px">
        <Flex align="center" gap="10px" wrap="wrap">
          <Text as="h1" fontFamily="heading" fontWeight={600} fontSize="38px" lineHeight={1.1} flex="1">
            {title}
          </Text>
          {actions}
        </Flex>
        <Problem mt="14px">{problem}</Problem>
        {children}
      </Box>
    </Frame>
  )
}
