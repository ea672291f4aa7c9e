import { Box, Stack } from '@chakra-ui/react'
import { useEffect, useState } from 'react'

/** What comes sooner is not announced. */
const AT_ONCE_MS = 200

/** The outline of a list that is on its way, where its rows will stand. Nothing moves. */
export function RowsComing({ rows = 5, height }: { rows?: number; height: string }) {
  const [late, setLate] = useState(false)
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), AT_ONCE_MS)
    return () => clearTimeout(timer)
  }, [])
  if (!late) return null
  return (
    <Stack role="status" aria-label="The list is coming" gap="0" mt="10px">
      {Array.from({ length: rows }, (_, i) => (
        <Box layerStyle="ruleAbove" key={i} h={height} py="12px" aria-hidden>
          <Box h="14px" w={`${58 - 7 * (i % 3)}%`} bg="sunk" borderRadius="4px" />
          <Box h="10px" w={`${34 + 6 * (i % 2)}%`} mt="10px" bg="sunk" borderRadius="4px" />
        </Box>
      ))}
    </Stack>
  )
}
