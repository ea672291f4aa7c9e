import { Button, HStack, Text } from '@chakra-ui/react'
import type { FormProps } from './form-props.js'

/** A statement under one's own name. */
export function StatementForm({ form: { text }, onChange }: FormProps<'statement'>) {
  return (
    <>
      <Text fontSize="17px" lineHeight={1.4} borderLeft="3px solid" borderColor="unproven" pl="12px">
        {text}
      </Text>
      <HStack gap="10px">
        <Button minW="130px" h="56px" fontSize="18px" onClick={() => onChange({ agreed: true })}>
          I state this
        </Button>
        <Button variant="outline" h="56px" onClick={() => onChange({ agreed: false })}>
          I cannot
        </Button>
      </HStack>
    </>
  )
}
