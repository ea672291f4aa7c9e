import { Box, Flex, chakra } from '@chakra-ui/react'
import { useRef, useState, type ReactNode } from 'react'
import type { Pixel } from '@plumb-mark/core'

export interface Size {
  width: number
  height: number
}

/** A photo on which places are touched one after the other, each numbered where it was. */
export function TouchedPhoto({
  address,
  label,
  touched,
  onSize,
  onTouch,
  children,
}: {
  address: string
  label: string
  touched: readonly Pixel[]
  onSize?: (size: Size) => void
  onTouch: (pixel: Pixel) => void
  /** Drawn over it, in its pixels. */
  children?: ReactNode
}) {
  const image = useRef<HTMLImageElement>(null)
  const [size, setSize] = useState<Size>()
  const loaded = () => {
    const { naturalWidth: width, naturalHeight: height } = image.current!
    setSize({ width, height })
    onSize?.({ width, height })
  }
  const touch = ({ clientX, clientY }: React.MouseEvent) => {
    const box = image.current!.getBoundingClientRect()
    if (!size) return
    onTouch({
      px: ((clientX - box.left) / box.width) * size.width,
      py: ((clientY - box.top) / box.height) * size.height,
    })
  }
  return (
    <Flex flex="1" minH={0} minW={0} justify="center" align="center" bg="sunk" overflow="hidden">
      <Box position="relative" maxW="100%" maxH="100%" onClick={touch} cursor="crosshair">
        <chakra.img
          ref={image}
          src={address}
          alt={label}
          maxW="100%"
          maxH={{ base: '44dvh', lg: 'calc(100dvh - 110px)' }}
          display="block"
          onLoad={loaded}
        />
        {size && (
          <chakra.svg
            viewBox={`0 0 ${size.width} ${size.height}`}
            position="absolute"
            inset="0"
            w="100%"
            h="100%"
            pointerEvents="none"
          >
            {children}
          </chakra.svg>
        )}
        {size &&
          touched.map(({ px, py }, i) => (
            <Number key={i} left={`${(100 * px) / size.width}%`} top={`${(100 * py) / size.height}%`}>
              {i + 1}
            </Number>
          ))}
      </Box>
    </Flex>
  )
}

const Number = chakra('span', {
  base: {
    position: 'absolute',
    transform: 'translate(-50%, -50%)',
    w: '24px',
    h: '24px',
    borderRadius: '50%',
    border: '2px solid white',
    bg: 'pinMark',
    color: 'white',
    fontSize: '13px',
    textAlign: 'center',
    lineHeight: '20px',
    pointerEvents: 'none',
  },
})
