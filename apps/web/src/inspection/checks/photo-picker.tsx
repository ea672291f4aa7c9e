import { Box, Button, HStack, Image, Text } from '@chakra-ui/react'
import { Camera } from 'lucide-react'
import { useRef, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { PhotoKept } from '@plumb-mark/contract'
import type { PhotoRef } from '@plumb-mark/core'
import { putFile } from '../../http/api.js'
import { useInspection } from '../../store/inspection.js'

/** Takes photos and sends them at once; the entry that follows names them by their digest. */
export function PhotoPicker({ photos, onChange }: { photos: PhotoRef[]; onChange: (photos: PhotoRef[]) => void }) {
  const jobId = useInspection((state) => state.jobId)
  const input = useRef<HTMLInputElement>(null)
  const [state, setState] = useState<{ sending: boolean; problem?: string }>({ sending: false })
  const take = async (files: FileList | null) => {
    if (!files || files.length === 0) return
    setState({ sending: true })
    try {
      const kept: PhotoRef[] = []
      for (const file of files) {
        const id = uuid()
        const { sha256 } = await putFile<PhotoKept>(`/api/jobs/${jobId}/photos/${id}`, 'photo', file)
        kept.push({ id, sha256, caption: file.name })
      }
      onChange([...photos, ...kept])
      setState({ sending: false })
    } catch (problem) {
      setState({ sending: false, problem: `The photo was not kept: ${(problem as Error).message}` })
    }
  }
  return (
    <Box>
      <HStack gap="8px" wrap="wrap">
        <Button variant="outline" onClick={() => input.current?.click()} loading={state.sending} loadingText="Sending the photo">
          <Camera size={18} /> Photo
        </Button>
        <input ref={input} type="file" accept="image/jpeg,image/png,image/webp" capture="environment" multiple hidden aria-label="Photo" onChange={(event) => void take(event.target.files)} />
        <Photos photos={photos} />
      </HStack>
      {state.problem && (
        <Text role="alert" color="oxide" fontSize="14px">
          {state.problem}
        </Text>
      )}
    </Box>
  )
}

/** Small copies of photos; a touch opens the whole picture. */
export function Photos({ photos = [], size = '56px' }: { photos?: readonly PhotoRef[] | undefined; size?: string }) {
  const jobId = useInspection((state) => state.jobId)
  return photos.map(({ id, caption }) => (
    <a key={id} href={`/api/jobs/${jobId}/photos/${id}`} target="_blank" rel="noreferrer">
      <Image src={`/api/jobs/${jobId}/photos/${id}?size=small`} alt={caption ?? 'photo'} h={size} w="auto" borderRadius="3px" border="1px solid" borderColor="hair" />
    </a>
  ))
}
