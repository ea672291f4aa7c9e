import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'

/** What is being entered, beneath the picture. */
export function Panel({
  title,
  onClose,
  children,
}: {
  title: string
  onClose?: () => void
  children: ReactNode
}) {
  return (
    <Box
      bg="panel"
      border="1px solid"
      borderColor="hair"
      borderRadius="4px"
      p="12px"
      role="region"
      aria-label={title}
    >
      <Flex align="center" gap="8px" mb="6px">
        <Text fontWeight={600} flex="1">
          {title}
        </Text>
        {onClose && (
          <Button variant="plain" px="0" minW="44px" onClick={onClose} aria-label="Close">
            <X size={19} />
          </Button>
        )}
      </Flex>
      {children}
    </Box>
  )
}
