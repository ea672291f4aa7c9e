import { chakra } from '@chakra-ui/react'
import type { ReactNode } from 'react'

const Touched = chakra('button', {
  base: {
    w: '96px',
    p: '4px 2px 8px',
    bg: 'paper',
    border: '1px solid',
    borderColor: 'hair',
    borderRadius: '4px',
    cursor: 'pointer',
    fontSize: '14px',
    _hover: { borderColor: 'accent' },
  },
})

/** A place where an instrument may go, drawn round its middle, with its name below. */
export function Tile({
  label,
  name,
  chosen,
  onTouch,
  children,
}: {
  label: string
  name: string
  chosen?: boolean
  onTouch: () => void
  children: ReactNode
}) {
  return (
    <Touched type="button" aria-label={label} aria-pressed={chosen} onClick={onTouch}>
      <chakra.svg viewBox="-42 -62 84 118" w="84px" h="104px" mx="auto" aria-hidden fontFamily="body">
        {children}
      </chakra.svg>
      {name}
    </Touched>
  )
}
