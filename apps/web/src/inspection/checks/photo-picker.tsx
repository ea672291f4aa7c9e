import { Box, Button, HStack, Image, Text, chakra } from '@chakra-ui/react'
import { Camera } from 'lucide-react'
import { Suspense, lazy, useRef, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { PhotoKept } from '@plumb-mark/contract'
import type { PhotoRef } from '@plumb-mark/core'
import { putFile } from '../../http/api.js'
import { useInspection } from '../../store/inspection.js'

const PhotoMarks = lazy(() =>
  import('../../photo-marks/photo-marks.js').then(({ PhotoMarks: view }) => ({ default: view })),
)

/** Takes photos and sends them at once; the entry that follows names them by their digest. A touch on one captions it and marks it up. */
export function PhotoPicker({
  photos,
  onChange,
  caption,
}: {
  photos: PhotoRef[]
  onChange: (photos: PhotoRef[]) => void
  caption?: string
}) {
  const jobId = useInspection((state) => state.jobId)
  const input = useRef<HTMLInputElement>(null)
  const [state, setState] = useState<{ sending: boolean; problem?: string }>({ sending: false })
  const [marking, setMarking] = useState<PhotoRef>()
  const send = async (file: Blob, said: string): Promise<PhotoRef> => {
    const id = uuid()
    const { sha256 } = await putFile<PhotoKept>(`/api/jobs/${jobId}/photos/${id}`, 'photo', file)
    return { id, sha256, caption: said }
  }
  const take = async (files: FileList | null) => {
    if (!files || files.length === 0) return
    setState({ sending: true })
    try {
      const kept: PhotoRef[] = []
      for (const file of files) kept.push(await send(file, caption ?? file.name))
      onChange([...photos, ...kept])
      setState({ sending: false })
    } catch (problem) {
      setState({ sending: false, problem: `The photo was not kept: ${(problem as Error).message}` })
    }
  }
  /** The photo as taken stays beside the marked copy: a year later both can be looked at. */
  const mark = async (photo: PhotoRef, said: string, marked: Blob | undefined) => {
    setMarking(undefined)
    const renamed = photos.map((one) => (one.id === photo.id ? { ...one, caption: said } : one))
    if (!marked) return onChange(renamed)
    setState({ sending: true })
    try {
      onChange([...renamed, await send(marked, `${said}, marked`)])
      setState({ sending: false })
    } catch (problem) {
      onChange(renamed)
      setState({ sending: false, problem: `The marked copy was not kept: ${(problem as Error).message}` })
    }
  }
  return (
    <Box>
      <HStack gap="8px" wrap="wrap">
        <Button
          variant="outline"
          onClick={() => input.current?.click()}
          loading={state.sending}
          loadingText="Sending the photo"
        >
          <Camera size={18} /> Photo
        </Button>
        <input
          ref={input}
          type="file"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          multiple
          hidden
          aria-label="Photo"
          onChange={(event) => void take(event.target.files)}
        />
        {photos.map((photo) => (
          <chakra.button
            key={photo.id}
            type="button"
            onClick={() => setMarking(photo)}
            aria-label={`Caption and mark: ${photo.caption ?? 'photo'}`}
            cursor="pointer"
            minH="44px"
          >
            <SmallPhoto photo={photo} size="56px" />
          </chakra.button>
        ))}
      </HStack>
      {state.problem && (
        <Text role="alert" color="danger" fontSize="14px">
          {state.problem}
        </Text>
      )}
      {marking && (
        <Suspense fallback={<Text>Opening the photo …</Text>}>
          <PhotoMarks
            address={`/api/jobs/${jobId}/photos/${marking.id}`}
            caption={marking.caption ?? ''}
            onClose={() => setMarking(undefined)}
            onDone={(said, marked) => void mark(marking, said, marked)}
          />
        </Suspense>
      )}
    </Box>
  )
}

function SmallPhoto({ photo: { id, caption }, size }: { photo: PhotoRef; size: string }) {
  const jobId = useInspection((state) => state.jobId)
  return (
    <Image
      src={`/api/jobs/${jobId}/photos/${id}?size=small`}
      alt={caption ?? 'photo'}
      title={caption}
      h={size}
      w="auto"
      borderRadius="3px"
      border="1px solid"
      borderColor="hair"
    />
  )
}

/** Small copies of photos; a touch opens the whole picture. */
export function Photos({
  photos = [],
  size = '56px',
}: {
  photos?: readonly PhotoRef[] | undefined
  size?: string
}) {
  const jobId = useInspection((state) => state.jobId)
  return photos.map((photo) => (
    <a key={photo.id} href={`/api/jobs/${jobId}/photos/${photo.id}`} target="_blank" rel="noreferrer">
      <SmallPhoto photo={photo} size={size} />
    </a>
  ))
}
