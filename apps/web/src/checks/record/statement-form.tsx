import { HStack, Text } from '@chakra-ui/react'
import type { FormProps } from './form-props.js'
import { HandButton } from '../../ui/buttons.js'

/** A statement under one's own name. */
export function StatementForm({ form: { text }, onChange }: FormProps<'statement'>) {
  return (
    <>
      <Text fontSize="17px" lineHeight={1.4} borderLeft="3px solid" borderColor="unproven" pl="12px">
        {text}
      </Text>
      <HStack gap="10px">
        <HandButton minW="130px" fontSize="18px" onClick={() => onChange({ agreed: true })}>
          I state this
        </HandButton>
        <HandButton variant="outline" onClick={() => onChange({ agreed: false })}>
          I cannot
        </HandButton>
      </HStack>
    </>
  )
}
