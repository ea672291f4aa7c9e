import { Box, Portal } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useEffect, useRef, type ReactNode } from 'react'
import type { Verdict } from '@plumb-mark/core'
import { verdictColour } from '../ui/verdict-mark.js'
import { useFocus } from '../job/focus.js'
import { useMedia } from '../ui/use-media.js'
import { IconButton } from '../ui/buttons.js'

const PHONE = '(max-width: 47.99em)'

/**
 * What is open: in its place in the list, and on a phone at the bottom of the screen, where the thumb of the hand that holds it reaches the
 * field and the buttons.
 */
export function AtHand({
  verdict,
  label,
  children,
  ...data
}: {
  verdict: Verdict
  label: string
  children: ReactNode
  'data-open-check'?: string
  'data-open-group'?: string
}) {
  const phone = useMedia(PHONE)
  const openGroup = useFocus((focus) => focus.openGroup)
  const top = useRef<HTMLDivElement>(null)
  // What was touched to open it is gone: the focus goes on in it, unless a field of it has it already.
  useEffect(() => {
    if (document.activeElement === document.body) top.current?.focus({ preventScroll: true })
  }, [])
  useEffect(() => {
    if (!phone) top.current?.scrollIntoView({ block: 'nearest' })
  }, [phone])
  const panel = (
    <Box
      ref={top}
      role="region"
      tabIndex={-1}
      _focusVisible={{ outline: 'none' }}
      aria-label={label}
      bg="panel"
      borderLeft="5px solid"
      borderColor={verdictColour(verdict)}
      px="14px"
      py="14px"
      {...(phone
        ? {
            position: 'fixed',
            insetX: 0,
            bottom: 0,
            maxH: '62dvh',
            overflowY: 'auto',
            zIndex: 15,
            boxShadow: '0 -6px 18px rgb(0 0 0 / 0.28)',
          }
        : { my: '4px', scrollMarginTop: '190px' })}
      {...data}
    >
      {phone && (
        <IconButton
          position="absolute"
          right="2px"
          top="2px"
          aria-label="Close"
          onClick={() => openGroup(undefined)}
        >
          <X size={20} />
        </IconButton>
      )}
      {children}
    </Box>
  )
  return phone ? <Portal>{panel}</Portal> : panel
}
