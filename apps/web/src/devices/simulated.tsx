import { chakra } from '@chakra-ui/react'

/** Stands wherever something is shown that a stand-in said: no real installation is behind it. */
export const Simulated = () => (
  <chakra.span
    bg="unprovenWash"
    color="unproven"
    border="1px dashed"
    borderColor="unproven"
    borderRadius="3px"
    px="6px"
    fontSize="12px"
    fontWeight={600}
    whiteSpace="nowrap"
  >
    simulated
  </chakra.span>
)
