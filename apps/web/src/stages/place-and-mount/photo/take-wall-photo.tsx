import { useState } from 'react'
import type { PhotoSetUp, WallBuilt } from '@plumb-mark/core'
import { useSession } from '../../../data/session.js'
import { useInspection } from '../../../job/inspection.js'
import { keepPhoto } from '../../../offline/photos.js'
import { useCommit } from '../../../job/use-commit.js'
import { Danger } from '../../../ui/theme/text.js'
import { PhotoTape } from '../../../photo-tape/lazy-photo-tape.js'

/** Makes a photo a tape for a whole wall: its known points are places on it. */
export function TakeWallPhoto({ wall, onDone }: { wall: WallBuilt; onDone: (photoId?: string) => void }) {
  const jobId = useInspection((state) => state.jobId)
  const units = useInspection(({ inspection }) => inspection?.state.asBuilt.units) ?? []
  const tellsPlace = useInspection(({ inspection }) => inspection?.state.header?.photosTellPlace)
  const by = useSession(({ person }) => person?.id ?? '')
  const commit = useCommit()
  const [problem, setProblem] = useState<string>()
  // What hangs where the tape says can be the measure of the rest.
  const boxes = units.flatMap(({ id, label, place }) =>
    place?.wallId === wall.id && !place.seen
      ? [{ id, label, x: place.x, y: place.y, w: place.w, h: place.h }]
      : [],
  )
  const keep = async (file: Blob, setUp: PhotoSetUp) => {
    try {
      const photo = { ...(await keepPhoto(jobId ?? '', by, file, { tellsPlace })), caption: wall.title }
      commit({ kind: 'wall-photographed', body: { wallId: wall.id, taken: { photo, setUp } } })
      onDone(photo.id)
    } catch (fault) {
      setProblem(`The photo was not kept: ${(fault as Error).message}`)
    }
  }
  return (
    <>
      {problem && <Danger role="alert">{problem}</Danger>}
      <PhotoTape
        seeks="wall"
        title={wall.title}
        boxes={boxes}
        onWall={(...made) => void keep(...made)}
        onClose={() => onDone()}
      />
    </>
  )
}
