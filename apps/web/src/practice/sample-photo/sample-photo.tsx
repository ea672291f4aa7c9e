import { Box, chakra } from '@chakra-ui/react'
import { SmallPrint } from '../../ui/theme/text.js'
import { ARRAY_PHOTOS } from './on-the-roof.js'
import { HOUSE_PHOTOS } from './in-the-house.js'
import type { SamplePhotoOf } from './drawn.js'
import { TERMINAL_PHOTOS } from './at-terminals.js'
import { UNIT_PHOTOS } from './at-the-unit.js'

/** By the requirement whose question they answer. */
const PHOTOS: Readonly<Record<string, SamplePhotoOf>> = {
  ...ARRAY_PHOTOS,
  ...TERMINAL_PHOTOS,
  ...HOUSE_PHOTOS,
  ...UNIT_PHOTOS,
}

export const hasSamplePhoto = (requirement: string): boolean => Object.hasOwn(PHOTOS, requirement)

/** Says nothing of whether it is right: that is for whoever looks. */
export function SamplePhoto({
  of,
  right,
  chosen,
}: {
  of: string
  right: boolean
  chosen?: string | undefined
}) {
  return (
    <Box as="figure" mt="10px" maxW="460px">
      <chakra.svg
        viewBox="0 0 320 200"
        w="100%"
        bg="sunk"
        color="text"
        border="1px solid"
        borderColor="hair"
        fill="none"
        stroke="currentColor"
        strokeWidth="2.5px"
        strokeLinejoin="round"
        role="img"
        aria-label="Sample photo, drawn"
      >
        {PHOTOS[of]?.({ right, chosen })}
      </chakra.svg>
      <SmallPrint as="figcaption">Sample photo, drawn. Look at it, then say what you see.</SmallPrint>
    </Box>
  )
}
