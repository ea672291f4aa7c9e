import { Stack, Text, chakra } from '@chakra-ui/react'
import type { DeviceEnumerationInput, DeviceEnumerationResult } from '@plumb-mark/core'
import type { PictureProps } from '../../ui/drawings/props.js'

const MOST_DRAWN = 200

/** One mark for each device: heard lately, fallen silent, never heard, a stranger. */
export function RollCall({ input, result }: PictureProps) {
  const { ever, lately } = input as DeviceEnumerationInput
  const { neverSeen, strangers, silent } = result as DeviceEnumerationResult
  const kinds = [
    { says: 'heard lately', n: Math.max(0, lately - strangers), bg: 'accent', edge: 'accent' },
    { says: 'silent', n: Math.min(silent, ever), bg: 'transparent', edge: 'unproven' },
    { says: 'never heard', n: neverSeen, bg: 'transparent', edge: 'danger' },
    { says: 'nobody fitted', n: strangers, bg: 'danger', edge: 'danger' },
  ].filter(({ n }) => n > 0)
  return (
    <Stack gap="12px">
      {kinds.map(({ says, n, bg, edge }) => (
        <div key={says}>
          <Text fontSize="16px">
            <b>{n}</b> {says}
          </Text>
          <chakra.div display="flex" gap="4px" flexWrap="wrap" aria-hidden>
            {Array.from({ length: Math.min(n, MOST_DRAWN) }, (_, i) => (
              <chakra.span key={i} w="16px" h="24px" bg={bg} border="2px solid" borderColor={edge} />
            ))}
          </chakra.div>
        </div>
      ))}
    </Stack>
  )
}
