import { Box, Image, chakra } from '@chakra-ui/react'
import { Camera } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import type { PhotoRef } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { keepPhoto, usePhotoAddress } from '../offline/photos.js'
import { isPracticeJob } from '../offline/practice-job.js'
import { Cluster } from '../ui/cluster.js'
import { lazyPart } from '../ui/lazy-part.js'
import { Small, SmallDanger } from '../ui/theme/text.js'
import { FileButton } from '../ui/file-button.js'

const PhotoMarks = lazyPart(async () => (await import('../ui/photo-marks.js')).PhotoMarks, {
  coming: <Small>Opening the photo …</Small>,
})

/**
 * Takes photos and keeps them on this device; they are sent before the entry that names them by their digest. A touch on one captions it
 * and marks it up.
 */
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
  const by = useSession(({ person }) => person?.id ?? '')
  const tellsPlace = useInspection(({ inspection }) => inspection?.state.header?.photosTellPlace)
  // Reading and hashing takes a while, and another photo may be taken meanwhile: neither takes the place of the other.
  const latest = useRef(photos)
  useEffect(() => void (latest.current = photos), [photos])
  const change = (next: PhotoRef[]) => {
    latest.current = next
    onChange(next)
  }
  const [problem, setProblem] = useState<string>()
  const [marking, setMarking] = useState<PhotoRef>()
  const keep = async (file: Blob, said: string): Promise<PhotoRef> => ({
    ...(await keepPhoto(jobId ?? '', by, file, { tellsPlace })),
    caption: said,
  })
  const taking = async (commit: () => Promise<void>) => {
    setProblem(undefined)
    try {
      await commit()
    } catch (fault) {
      setProblem(`The photo was not kept: ${(fault as Error).message}`)
    }
  }
  const take = (files: readonly File[]) =>
    taking(async () => {
      const kept: PhotoRef[] = []
      for (const file of files) kept.push(await keep(file, caption ?? file.name))
      change([...latest.current, ...kept])
    })
  /** The photo as taken stays beside the marked copy: a year later both can be looked at. */
  const mark = (photo: PhotoRef, said: string, marked: Blob | undefined) =>
    taking(async () => {
      setMarking(undefined)
      const copy = marked && (await keep(marked, `${said}, marked`))
      const renamed = latest.current.map((one) => (one.id === photo.id ? { ...one, caption: said } : one))
      change(copy ? [...renamed, copy] : renamed)
    })
  // A photo goes to the server, which never hears of that job; nothing in it demands one.
  if (isPracticeJob(jobId)) return null
  return (
    <Box>
      <Cluster>
        <FileButton label="Photo" accept="image/jpeg,image/png,image/webp" camera multiple onFiles={take}>
          <Camera size={18} /> Photo
        </FileButton>
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
      </Cluster>
      {problem && <SmallDanger role="alert">{problem}</SmallDanger>}
      {marking && (
        <Marking
          photo={marking}
          onClose={() => setMarking(undefined)}
          onDone={(said, marked) => void mark(marking, said, marked)}
        />
      )}
    </Box>
  )
}

function Marking({
  photo: { id, caption = '' },
  ...rest
}: {
  photo: PhotoRef
  onClose: () => void
  onDone: (said: string, marked: Blob | undefined) => void
}) {
  const address = usePhotoAddress(
    useInspection((state) => state.jobId),
    id,
  )
  return address && <PhotoMarks address={address} caption={caption} {...rest} />
}

function SmallPhoto({ photo: { id, caption }, size }: { photo: PhotoRef; size: string }) {
  const jobId = useInspection((state) => state.jobId)
  const address = usePhotoAddress(jobId, id, true)
  return (
    <Image
      src={address}
      loading="lazy"
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
  return photos.map((photo) => <PhotoLink key={photo.id} photo={photo} size={size} />)
}

function PhotoLink({ photo, size }: { photo: PhotoRef; size: string }) {
  const jobId = useInspection((state) => state.jobId)
  const address = usePhotoAddress(jobId, photo.id)
  return (
    <a href={address} target="_blank" rel="noreferrer">
      <SmallPhoto photo={photo} size={size} />
    </a>
  )
}
