import { Stack } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { isLeft, type Change, type CheckGroup, type JudgedCheck, type PhotoRef } from '@plumb-mark/core'
import { Lead, Note } from '../../ui/theme/text.js'
import { TextField } from '../../ui/text-field.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'
import { PhotoPicker } from '../photo-picker.js'
import { Cluster } from '../../ui/cluster.js'
import { HandButton } from '../../ui/buttons.js'

/** One question asked of many places: of all at once, of all but some, or one after the other. */
export function WalkOver({ group, onDone }: { group: CheckGroup; onDone: () => void }) {
  const commit = useCommit()
  const { choosing, chooseFrom, openCheck } = useFocus()
  const [note, setNote] = useState('')
  const [photos, setPhotos] = useState<PhotoRef[]>([])
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => void place.current?.focus({ preventScroll: true }), [])
  const { ask, requirement } = group.checks[0]!.check
  if (ask.kind !== 'observation') return null
  const chosen = group.checks.filter(({ check }) => choosing?.chosen.has(check.id))
  const others = group.checks.filter(({ check }) => !choosing?.chosen.has(check.id))
  const answer = (...more: Change[]) => {
    const walk: Change[] = others.length > 0 ? [walkOver(others, note, photos)] : []
    if (commit(...walk, ...more)) onDone()
  }
  const no = ({ check }: JudgedCheck): Change => ({
    kind: 'observation',
    body: { point: check.point, seen: false, ...(note && { note }) },
  })
  const byKey = (event: React.KeyboardEvent) => {
    if (event.target instanceof HTMLInputElement) return
    if (event.key !== 'a' && event.key !== 'x') return
    // What comes next has the focus at once: the key that answered is not typed into it.
    event.preventDefault()
    if (event.key === 'a' && !requirement.photo) answer()
    else if (event.key === 'x' && !requirement.photo) chooseFrom(group.checks.map(({ check }) => check.id))
  }
  return (
    <Stack ref={place} tabIndex={-1} gap="10px" onKeyDown={byKey} _focusVisible={{ outline: 'none' }}>
      <Lead>{ask.question}</Lead>
      {requirement.photo && (
        <Note>The sheet asks for a photo of each place: answer them one after the other.</Note>
      )}
      {choosing ? (
        <Cluster>
          <HandButton disabled={chosen.length === 0} onClick={() => answer(...chosen.map(no))}>
            Yes for {others.length}, no for {chosen.length}
          </HandButton>
          <HandButton variant="outline" disabled={others.length === 0} onClick={() => answer()}>
            Yes for {others.length}, leave {chosen.length} open
          </HandButton>
          <HandButton variant="plain" onClick={() => chooseFrom(undefined)}>
            Cancel
          </HandButton>
          <Note w="100%">Touch the places that differ, here or in the picture.</Note>
        </Cluster>
      ) : (
        <Cluster>
          {!requirement.photo && (
            <>
              <HandButton fontSize="18px" onClick={() => answer()}>
                Yes, all {group.checks.length}
              </HandButton>
              <HandButton
                variant="outline"
                onClick={() => chooseFrom(group.checks.map(({ check }) => check.id))}
              >
                All but these
              </HandButton>
            </>
          )}
          <HandButton
            variant="outline"
            onClick={() => openCheck((group.checks.find(isLeft) ?? group.checks[0]!).check.id)}
          >
            One after the other
          </HandButton>
        </Cluster>
      )}
      <TextField label="Note" value={note} onChange={setNote} />
      <PhotoPicker photos={photos} onChange={setPhotos} />
    </Stack>
  )
}

const walkOver = (seen: readonly JudgedCheck[], note: string, photos: PhotoRef[]): Change => ({
  kind: 'walked-over',
  body: {
    points: [...new Set(seen.map(({ check }) => check.point))],
    ...(note && { note }),
    ...(photos.length > 0 && { photos }),
  },
})
