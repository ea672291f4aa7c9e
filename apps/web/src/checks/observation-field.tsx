import { HStack, Stack } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import type { JudgedCheck } from '@plumb-mark/core'
import { TextField } from '../ui/text-field.js'
import { useCommit } from '../job/use-commit.js'
import { PhotoPicker } from './photo-picker.js'
import { usePhotos } from './use-photos.js'
import { Lead } from '../ui/theme/text.js'
import { HandButton } from '../ui/buttons.js'

/** A question that is answered yes when all is right; Y and N answer it from the keyboard. */
export function ObservationField({ judged, onDone }: { judged: JudgedCheck; onDone: () => void }) {
  const { check } = judged
  const commit = useCommit()
  const [note, setNote] = useState('')
  const { photos, change: takePhotos, clear: clearPhotos } = usePhotos(judged, note !== '')
  // The question has the focus and no answer does: an Enter out of habit says nothing.
  const question = useRef<HTMLDivElement>(null)
  useEffect(() => void question.current?.focus({ preventScroll: true }), [])
  if (check.ask.kind !== 'observation') return null
  const answer = (seen: boolean) => {
    const kept = commit({
      kind: 'observation',
      body: { point: check.point, seen, ...(note && { note }), ...(photos.length > 0 && { photos }) },
    })
    if (kept) clearPhotos()
    if (seen && kept) onDone()
  }
  const byKey = (event: React.KeyboardEvent) => {
    if (event.target instanceof HTMLInputElement) return
    if (event.key !== 'y' && event.key !== 'n') return
    // What comes next has the focus at once: the key that answered is not typed into it.
    event.preventDefault()
    answer(event.key === 'y')
  }
  return (
    <Stack ref={question} tabIndex={-1} gap="10px" onKeyDown={byKey} _focusVisible={{ outline: 'none' }}>
      <Lead>{check.ask.question}</Lead>
      <HStack gap="10px">
        <HandButton minW="110px" fontSize="20px" onClick={() => answer(true)}>
          Yes
        </HandButton>
        <HandButton minW="110px" fontSize="20px" variant="outline" onClick={() => answer(false)}>
          No
        </HandButton>
      </HStack>
      <TextField label="Note" value={note} onChange={setNote} />
      <PhotoPicker photos={photos} onChange={takePhotos} />
    </Stack>
  )
}
