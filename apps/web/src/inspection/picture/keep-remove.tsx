import { Button, Flex } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** The two ends of a form about one thing: keep it, or take it away. */
export function KeepRemove({ what, disabled, onRemove, removeWords = 'Remove', children }: { what: string; disabled: boolean; onRemove: (() => void) | undefined; removeWords?: string; children?: ReactNode }) {
  return (
    <Flex gap="8px" mt="12px" wrap="wrap">
      <Button type="submit" disabled={disabled}>
        Keep the {what}
      </Button>
      {children}
      {onRemove && (
        <Button variant="plain" onClick={onRemove}>
          {removeWords}
        </Button>
      )}
    </Flex>
  )
}
