import { Box, Flex } from '@chakra-ui/react'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { Strong } from '../ui/theme/text.js'
import { IconButton } from '../ui/buttons.js'

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
    <Box layerStyle="card" role="region" aria-label={title}>
      <Flex align="center" gap="8px" mb="6px">
        <Strong flex="1">{title}</Strong>
        {onClose && (
          <IconButton onClick={onClose} aria-label="Close">
            <X size={19} />
          </IconButton>
        )}
      </Flex>
      {children}
    </Box>
  )
}
