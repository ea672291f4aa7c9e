import { Button, Text } from '@chakra-ui/react'
import { Eye, EyeOff, SquareDashed, Trash2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import { photoTape, windowSeen, type TouchedCorners, type WallBuilt, type WallPhoto } from '@plumb-mark/core'
import { useInspection } from '../../../job/inspection.js'
import { usePhotoAddress } from '../../../offline/photos.js'
import { useRectified, type Rectified } from '../../../data/workers/use-rectified.js'
import { useCommit } from '../../../job/use-commit.js'
import { TakeWallPhoto } from './take-wall-photo.js'
import { lazyPart } from '../../../ui/lazy-part.js'
import { Cluster } from '../../../ui/cluster.js'

const DrawnOnPhoto = lazyPart(async () => (await import('./drawn-on-photo.js')).DrawnOnPhoto)

/** The photo that lies under a wall, and what is being drawn on it. */
export interface PhotoOnWall {
  wall: WallBuilt
  taken: WallPhoto | undefined
  shown: boolean
  show: (shown: boolean) => void
  taking: boolean
  take: (taking: boolean) => void
  drawing: boolean
  draw: (drawing: boolean) => void
  corners: TouchedCorners | undefined
  setCorners: (corners: TouchedCorners | undefined) => void
}

export function usePhotoOnWall(wall: WallBuilt): PhotoOnWall {
  const taken = wall.photos?.at(-1)
  const [shown, show] = useState(true)
  const [taking, take] = useState(false)
  const [drawing, setDrawing] = useState(false)
  const [corners, setCorners] = useState<TouchedCorners>()
  const draw = (next: boolean) => {
    setDrawing(next)
    setCorners(undefined)
  }
  return {
    wall,
    taken,
    shown,
    show,
    taking,
    take,
    drawing: drawing && taken !== undefined,
    draw,
    corners,
    setCorners,
  }
}

/** What can be done with the photo of a wall. */
export function PhotoBar({ photo, writable }: { photo: PhotoOnWall; writable: boolean }) {
  const { wall, taken, shown, drawing } = photo
  const commit = useCommit()
  return (
    <>
      {taken && (
        <Cluster gap="2px" role="group" aria-label="Photo of the wall">
          <Button variant="plain" aria-pressed={shown} onClick={() => photo.show(!shown)}>
            {shown ? <EyeOff size={17} /> : <Eye size={17} />} {shown ? 'Hide the photo' : 'Show the photo'}
          </Button>
          {writable && (
            <Button
              variant={drawing ? 'solid' : 'plain'}
              aria-pressed={drawing}
              onClick={() => photo.draw(!drawing)}
            >
              <SquareDashed size={17} /> Draw on it
            </Button>
          )}
          {writable && (
            <Button
              variant="plain"
              onClick={() =>
                commit({ kind: 'wall-photo-removed', body: { wallId: wall.id, photoId: taken.photo.id } })
              }
            >
              <Trash2 size={17} /> Remove the photo
            </Button>
          )}
        </Cluster>
      )}
      {photo.taking && <TakeWallPhoto wall={wall} onDone={() => photo.take(false)} />}
      {drawing && taken && (
        <DrawnOnPhoto
          wall={wall}
          taken={taken}
          corners={photo.corners}
          onDone={() => photo.setCorners(undefined)}
        />
      )}
    </>
  )
}

/** The rectified photo, in the millimetres of the wall. */
export function PhotoUnder({ photo: { taken, shown } }: { photo: PhotoOnWall }) {
  return taken && shown ? <Under key={taken.photo.id} taken={taken} /> : null
}

const NOWHERE = { x0: 0, y0: 0, x1: 1, y1: 1 }

function Under({ taken }: { taken: WallPhoto }) {
  const address = usePhotoAddress(
    useInspection((state) => state.jobId),
    taken.photo.id,
  )
  const seen = useMemo(() => {
    const tape = photoTape(taken.setUp)
    return tape.usable ? windowSeen(taken.setUp, tape.map) : NOWHERE
  }, [taken])
  const { picture, problem } = useRectified(address, taken.setUp, seen)
  if (problem)
    return (
      <foreignObject x={seen.x0} y={-seen.y1} width={seen.x1 - seen.x0} height={300}>
        <Text fontSize="60px" color="danger">
          The photo cannot be shown: {problem}
        </Text>
      </foreignObject>
    )
  return picture ? <Picture picture={picture} /> : null
}

const Picture = ({ picture: { address, window: seen } }: { picture: Rectified }) => (
  <image
    href={address}
    x={seen.x0}
    y={-seen.y1}
    width={seen.x1 - seen.x0}
    height={seen.y1 - seen.y0}
    preserveAspectRatio="none"
    opacity={0.85}
    pointerEvents="none"
  />
)
