import { Box, chakra } from '@chakra-ui/react'
import { useId, type ReactNode } from 'react'
import { SmallDanger, SmallPrint } from './theme/text.js'

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
        <SmallDanger id={problemId} role="alert" mt="4px">
          {problem}
        </SmallDanger>
      ) : (
        hint && <SmallPrint mt="4px">{hint}</SmallPrint>
      )}
    </Box>
  )
}
