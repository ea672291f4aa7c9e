import { Box, HStack, Text, chakra } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import type { PlaceInManual } from '@plumb-mark/core'
import { PagePicture } from './page-picture.js'
import { usePages } from './use-pages.js'
import { SubTitle } from '../ui/theme/text.js'
import { IconButton } from '../ui/buttons.js'

const Cover = chakra('div', {
  base: {
    position: 'fixed',
    inset: 0,
    zIndex: 30,
    bg: 'paper',
    display: 'flex',
    flexDirection: 'column',
    gap: '10px',
    p: { base: '10px', md: '18px' },
  },
})

/** The page of the maker’s manual on which a demand stands, with the place marked. */
export function ClauseView({
  title,
  digest,
  printed: { page, box },
  onClose,
}: {
  title: string
  digest: string
  printed: PlaceInManual
  onClose: () => void
}) {
  const { document, problem } = usePages({ digest })
  const room = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(0)
  useEffect(() => setWidth(Math.min(900, (room.current?.clientWidth ?? 0) - 8)), [])
  const [x0, top, x1, bottom] = box ?? []
  const marks =
    bottom === undefined ? [] : [{ index: 0, label: title, box: { x0: x0!, top: top!, x1: x1!, bottom } }]
  return (
    <Cover
      role="dialog"
      aria-modal
      aria-label={`In the manual: ${title}`}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <HStack>
        <SubTitle as="p" flex="1">
          {title}, page {page}
        </SubTitle>
        <IconButton onClick={onClose} aria-label="Close the manual" autoFocus>
          <X size={22} />
        </IconButton>
      </HStack>
      <Box ref={room} flex="1" minH={0} overflow="auto" bg="sunk" p="4px">
        {problem && <Text role="alert">{problem}</Text>}
        {!problem && !document && <Text role="status">The page is coming …</Text>}
        {document && width > 0 && (
          <PagePicture
            document={document}
            number={page}
            width={width}
            marks={marks}
            chosen={0}
            onChoose={() => {}}
          />
        )}
      </Box>
    </Cover>
  )
}
