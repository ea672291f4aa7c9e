import { chakra } from '@chakra-ui/react'

/** Heads a part beneath what stands in the way. */
export const PartHeading = chakra('h3', { base: { fontWeight: 600, fontSize: '18px' } })
