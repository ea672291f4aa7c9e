import { chakra } from '@chakra-ui/react'

/** The platform's own list: known to every thumb, and to a screen reader. */
export const Select = chakra('select', {
  base: {
    minH: '44px',
    w: '100%',
    bg: 'panel',
    color: 'text',
    border: '1px solid',
    borderColor: 'faint',
    borderRadius: '4px',
    px: '10px',
    fontSize: '16px',
  },
})
