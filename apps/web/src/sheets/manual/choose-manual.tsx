import { Box, Button, Flex, Progress, Text } from '@chakra-ui/react'
import { FileText } from 'lucide-react'
import { useState } from 'react'
import { TextField } from '../../ui/text-field.js'
import { Note } from '../../ui/theme/text.js'
import { FileButton } from '../../ui/file-button.js'

/** Where a manual is dropped, chosen, or the sample taken. */
export function DropManual({ onFile }: { onFile: (file: File) => void }) {
  const [over, setOver] = useState(false)
  return (
    <Box
      mt="20px"
      p="34px 20px"
      textAlign="center"
      border="2px dashed"
      borderColor={over ? 'accent' : 'faint'}
      bg={over ? 'accentWash' : 'panel'}
      borderRadius="4px"
      onDragOver={(event) => (event.preventDefault(), setOver(true))}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault()
        setOver(false)
        const dropped = event.dataTransfer.files[0]
        if (dropped) onFile(dropped)
      }}
    >
      <Box display="inline-block" color="faint">
        <FileText size={40} />
      </Box>
      <Text fontSize="20px" mt="8px">
        Drop the maker’s manual here
      </Text>
      <Note mb="14px">PDF, up to 100 MB. Scanned pages are read too, which takes some seconds a page.</Note>
      <FileButton
        label="Manual"
        accept="application/pdf,.pdf"
        variant="solid"
        onFiles={([manual]) => manual && onFile(manual)}
      >
        Choose a file
      </FileButton>
      <Button variant="plain" onClick={() => void sample(onFile)}>
        Try it with a sample manual
      </Button>
    </Box>
  )
}

/** The manual of an invented inverter, which comes with the program. */
async function sample(onFile: (file: File) => void): Promise<void> {
  const response = await fetch('/samples/aldervane-ah-8t-d.pdf')
  if (response.ok)
    onFile(new File([await response.blob()], 'aldervane-ah-8t-d.pdf', { type: 'application/pdf' }))
}

/** How far the reading is, and the way out of it. */
export function ReadingManual({
  name,
  done,
  of,
  seen,
  onStop,
}: {
  name: string
  done: number
  of: number
  seen: boolean
  onStop: () => void
}) {
  return (
    <Box mt="24px" role="status">
      <Text mb="6px">
        Reading {name}
        {of > 0 && `: page ${done} of ${of}`}
        {seen && ', from a picture'}
      </Text>
      <Progress.Root value={of > 0 ? (100 * done) / of : null} aria-label="Pages read">
        <Progress.Track>
          <Progress.Range />
        </Progress.Track>
      </Progress.Root>
      <Button mt="12px" variant="outline" onClick={onStop}>
        Cancel
      </Button>
    </Box>
  )
}

export function Unlock({ onUnlock }: { onUnlock: (password: string) => void }) {
  const [password, setPassword] = useState('')
  return (
    <Flex mt="10px" gap="10px" align="flex-end">
      <Box w="260px">
        <TextField label="Password of the file" type="password" value={password} onChange={setPassword} />
      </Box>
      <Button onClick={() => onUnlock(password)} disabled={password === ''}>
        Open
      </Button>
    </Flex>
  )
}
