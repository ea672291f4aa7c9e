import { chakra } from '@chakra-ui/react'

/** A part of a picture that scrolls with the others, with room around it. */
export const PicturePart = chakra('div', { base: { p: { base: '12px', lg: '24px' } } })

/** A picture as high as its place, of which the drawing takes what is left. */
export const WholePicture = chakra('div', {
  base: {
    display: 'flex',
    flexDirection: 'column',
    minH: { lg: '100%' },
    p: { base: '8px', lg: '14px 20px' },
  },
})
