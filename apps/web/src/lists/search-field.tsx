import { Box, Input } from '@chakra-ui/react'
import { Search } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'

const PAUSE_MS = 200

/** Asks when the typing pauses. */
export function SearchField({
  label,
  value,
  onSearch,
}: {
  label: string
  value: string
  onSearch: (words: string) => void
}) {
  const [typed, setTyped] = useState(value)
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined)
  const [shown, setShown] = useState(value)
  if (shown !== value) {
    setShown(value)
    setTyped(value)
  }
  useEffect(() => () => clearTimeout(pause.current), [])
  return (
    <Box position="relative" flex="1" minW="220px">
      <Box
        position="absolute"
        left="14px"
        top="13px"
        zIndex={1}
        color="faint"
        pointerEvents="none"
        aria-hidden
      >
        <Search size={20} />
      </Box>
      <Input
        type="search"
        aria-label={label}
        placeholder={label}
        value={typed}
        onChange={({ target }) => {
          setTyped(target.value)
          clearTimeout(pause.current)
          const { pathname } = window.location
          // Whoever went on meanwhile, to a page that is still loading, is not called back.
          pause.current = setTimeout(
            () => pathname === window.location.pathname && onSearch(target.value.trim()),
            PAUSE_MS,
          )
        }}
        h="48px"
        pl="44px"
        fontSize="17px"
      />
    </Box>
  )
}
