import { Box, Text, chakra } from '@chakra-ui/react'
import { useId, type ReactNode } from 'react'
import { SmallPrint } from './theme/text.js'

/** A label, a control, and beneath it what is wrong with what was typed. */
export function Field({
  label,
  problem,
  hint,
  children,
}: {
  label: string
  problem?: string | undefined
  hint?: ReactNode
  children: (ids: { id: string; 'aria-invalid'?: true; 'aria-describedby'?: string }) => ReactNode
}) {
  const id = useId()
  const problemId = `${id}-problem`
  return (
    <Box minW={0}>
      <chakra.label htmlFor={id} display="block" fontSize="13px" color="faint" mb="3px">
        {label}
      </chakra.label>
      {children({ id, ...(problem && { 'aria-invalid': true as const, 'aria-describedby': problemId }) })}
      {problem ? (
        <Text id={problemId} role="alert" color="danger" fontSize="14px" mt="4px">
          {problem}
        </Text>
      ) : (
        hint && <SmallPrint mt="4px">{hint}</SmallPrint>
      )}
    </Box>
  )
}
