import { Box, Button, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'

const KEYS = [
  ['↓ ↑', 'next and previous check'],
  ['Enter', 'keep what is typed; when it conforms, go on'],
  ['Y  N', 'answer a question'],
  ['A', 'answer a question yes for all its places; X chooses those that differ'],
  ['=', 'in an empty field: the same reading again'],
  ['Esc', 'close the open check'],
  [';', 'find a check, a job, a sheet; or type a reading: inv 2 pv1+ 2.4'],
  ['Ctrl Z, Ctrl Y', 'undo and redo, an answer too'],
  ['?', 'this list'],
] as const

/** Our shortcuts, listed under the question mark. */
export function Shortcuts() {
  const [shown, setShown] = useState(false)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement
      if (event.key === '?' && !typing) setShown((before) => !before)
      if (event.key === 'Escape') setShown(false)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  if (!shown) return null
  return (
    <Box
      role="dialog"
      aria-label="Keyboard"
      position="fixed"
      right="20px"
      bottom="20px"
      bg="text"
      color="paper"
      p="20px"
      borderRadius="6px"
      zIndex={20}
    >
      <chakra.dl display="grid" gridTemplateColumns="auto 1fr" gap="6px 18px">
        {KEYS.map(([key, does]) => (
          <chakra.div key={key} display="contents">
            <chakra.dt fontFamily="mono">{key}</chakra.dt>
            <Text as="dd">{does}</Text>
          </chakra.div>
        ))}
      </chakra.dl>
      <Button mt="12px" onClick={() => setShown(false)} autoFocus>
        Close
      </Button>
    </Box>
  )
}
