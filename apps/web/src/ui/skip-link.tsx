import { chakra } from '@chakra-ui/react'

/** For whoever goes by keyboard: past what stands before, seen only while it has the focus. */
export const SkipLink = chakra('a', {
  base: {
    position: 'absolute',
    left: '8px',
    top: '-60px',
    zIndex: 30,
    bg: 'accent',
    color: 'panel',
    px: '16px',
    py: '12px',
    borderRadius: '4px',
    _focus: { top: '4px' },
  },
})
