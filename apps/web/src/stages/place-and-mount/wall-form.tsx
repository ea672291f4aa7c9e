import { Button, Grid } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { gapUncertainty, measures, type WallBuilt } from '@plumb-mark/core'
import { ChoiceField, type Option } from '../../ui/choice-field.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { TextField } from '../../ui/text-field.js'
import { Tick } from '../../ui/tick.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'
import { Cluster } from '../../ui/cluster.js'

/** A wall: its name, size, corners, and the tape with which it is measured. */
export function WallForm({
  wall,
  onDone,
}: {
  wall: WallBuilt | undefined
  onDone: (wallId?: string) => void
}) {
  const commit = useCommit()
  const tapes = useInspection(({ instruments }) => instruments).filter((instrument) =>
    measures(instrument, 'length'),
  )
  const [draft, setDraft] = useState({
    title: wall?.title ?? '',
    width: wall?.width,
    height: wall?.height,
    leftCorner: wall?.leftCorner ?? true,
    rightCorner: wall?.rightCorner ?? false,
  })
  const [tapeId, setTapeId] = useState(
    tapes.find(({ name }) => name === wall?.tape)?.id ?? tapes[0]?.id ?? '',
  )
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const tape = tapes.find(({ id }) => id === tapeId)
  const uncertainty = gapUncertainty(tape, draft.width ?? 3000)
  const keep = () => {
    const { title, width, height, leftCorner, rightCorner } = draft
    const id = wall?.id ?? `wall-${uuid()}`
    commit({
      kind: 'wall-measured',
      body: {
        id,
        title: title.trim(),
        ...(width && { width }),
        ...(height && { height }),
        leftCorner,
        rightCorner,
        uncertainty: Math.round(uncertainty * 100) / 100,
        ...(tape && { tape: tape.name, instrument: tape }),
      },
    })
    onDone(id)
  }
  return (
    <Panel title={wall ? 'Measures of the wall' : 'A new wall'} onClose={() => onDone()}>
      <form onSubmit={(event) => (event.preventDefault(), keep())}>
        <Grid templateColumns={{ base: '1fr 1fr', xl: 'repeat(4, 1fr)' }} gap="10px">
          <TextField
            label="Name"
            value={draft.title}
            required
            autoFocus
            placeholder="Plant room, north wall"
            onChange={(title) => set({ title })}
          />
          <QuantityInput
            label="Width, corner to corner"
            dimension="length"
            value={draft.width}
            onChange={(width) => set({ width })}
          />
          <QuantityInput
            label="Height to the ceiling"
            dimension="length"
            value={draft.height}
            onChange={(height) => set({ height })}
          />
          <ChoiceField
            label="Tape"
            hint={
              tape
                ? `a gap of two offsets is good to ±${Math.round(uncertainty * 10) / 10} mm`
                : 'without a tape nothing measured here is proven'
            }
            value={tapeId}
            options={[['', 'none named'], ...tapes.map(({ id, name }): Option => [id, name])]}
            onChange={setTapeId}
          />
        </Grid>
        <Cluster gap="18px" mt="8px">
          <Tick
            label="a corner at the left, the datum"
            checked={draft.leftCorner}
            onChange={(leftCorner) => set({ leftCorner })}
          />
          <Tick
            label="a corner at the right"
            checked={draft.rightCorner}
            onChange={(rightCorner) => set({ rightCorner })}
          />
          <Button type="submit" disabled={draft.title.trim() === ''}>
            Save the wall
          </Button>
          {wall && (
            <Button
              variant="plain"
              onClick={() => {
                commit({ kind: 'wall-removed', body: { wallId: wall.id } })
                onDone()
              }}
            >
              Remove it
            </Button>
          )}
        </Cluster>
      </form>
    </Panel>
  )
}
