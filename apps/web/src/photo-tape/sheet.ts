import { chakra } from '@chakra-ui/react'

/** Over the whole screen: a photo needs all of it. */
export const Sheet = chakra('div', {
  base: {
    position: 'fixed',
    inset: 0,
    zIndex: 50,
    bg: 'paper',
    display: 'flex',
    flexDirection: 'column',
  },
})
