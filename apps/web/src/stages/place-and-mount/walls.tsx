import { Box, Button } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { memo, useCallback, useEffect, useMemo, useState } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { measureWall, wallContext, wallDrawing, wallSvg, type MeasuredWall } from '@plumb-mark/core'
import { Faint, Note, SubTitle } from '../../ui/theme/text.js'
import { useSession } from '../../data/session.js'
import { PanZoom } from '../../ui/pan-zoom.js'
import { useInspection } from '../../job/inspection.js'
import { download } from '../../ui/download.js'
import { useRework } from '../../data/workers/use-rework.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'
import { useWritable } from '../../job/use-writable.js'
import { AddToWall } from './add-to-wall.js'
import { LeastRework, movesOf } from './least-rework.js'
import { ReworkGhosts } from '../../ui/drawings/rework-ghosts.js'
import { ItemPanel } from './item-panel.js'
import type { Dragged } from '../../ui/drawings/wall-elevation.js'
import { dropChange, movedBy } from './drag.js'
import { CornerTouches } from './photo/corner-touches.js'
import { PhotoBar, PhotoUnder, usePhotoOnWall } from './photo/wall-photos.js'
import { WallForm } from './wall-form.js'
import { WallElevation } from '../../ui/drawings/wall-elevation.js'
import { lazyPart } from '../../ui/lazy-part.js'
import { Cluster } from '../../ui/cluster.js'
import { WholePicture } from '../picture-part.js'

const GapSurvey = lazyPart(async () => (await import('./gap-survey.js')).GapSurvey)

/** The walls of the job, one at a time in elevation and to scale, with the thing at hand open for measuring beneath it. */
export function Walls() {
  const walls = useInspection(useShallow(({ inspection }) => inspection?.walls.map(({ wall }) => wall)))
  const writable = useWritable()
  const { itemId, checkId } = useFocus()
  const ofCheck = useInspection(
    ({ inspection }) =>
      inspection?.checks.find(({ check }) => check.id === checkId)?.check.unit.place?.wallId,
  )
  const [wallId, setWallId] = useState<string>()
  const [editing, setEditing] = useState<'new' | 'this'>()
  const withItem = useInspection(
    ({ inspection }) =>
      inspection?.walls.find(({ input }) => input.items.some(({ id }) => id === itemId))?.wall.id,
  )
  const wrong = useInspection(
    ({ inspection }) => inspection?.walls.find(({ result }) => result.verdict !== 'conforms')?.wall.id,
  )
  // What was chosen, or a check that was opened, brings its wall with it.
  useEffect(() => {
    const next = ofCheck ?? withItem
    if (next) setWallId(next)
  }, [ofCheck, withItem])
  if (!walls) return null
  const byId = (sought: string | undefined) => walls.find(({ id }) => id === sought)
  const shown = byId(wallId) ?? byId(wrong) ?? walls[0]
  return (
    <WholePicture>
      {(walls.length > 1 || writable) && (
        <Cluster gap="6px" mb="4px" role="group" aria-label="Walls">
          {walls.length > 1 &&
            walls.map(({ id, title }) => (
              <Button
                key={id}
                variant={shown?.id === id ? 'solid' : 'outline'}
                aria-pressed={shown?.id === id}
                onClick={() => setWallId(id)}
              >
                {title}
              </Button>
            ))}
          {writable && (
            <Button variant="plain" onClick={() => setEditing(editing ? undefined : 'new')}>
              <Plus size={17} /> Wall
            </Button>
          )}
        </Cluster>
      )}
      {editing && (
        <WallForm
          key={editing}
          wall={editing === 'this' ? shown : undefined}
          onDone={(id) => (setEditing(undefined), id && setWallId(id))}
        />
      )}
      {!shown && !editing && (
        <Faint>No wall has been measured yet{writable ? ': add the first.' : '.'}</Faint>
      )}
      {shown && (
        <OneWall key={shown.id} wallId={shown.id} writable={writable} onEdit={() => setEditing('this')} />
      )}
    </WholePicture>
  )
}

interface WallProps {
  wallId: string
  writable: boolean
  onEdit: () => void
}

function OneWall(props: WallProps) {
  const measured = useInspection(({ inspection }) =>
    inspection?.walls.find(({ wall }) => wall.id === props.wallId),
  )
  // Between two steps the wall may be gone before the choice of walls has followed.
  return measured ? <MeasuredOne measured={measured} {...props} /> : null
}

function MeasuredOne({ measured: kept, writable, onEdit }: WallProps & { measured: MeasuredWall }) {
  const context = useInspection(({ inspection }) => inspection!.context)
  const { itemId: chosen, chooseItem, openCheck } = useFocus()
  const person = useSession((session) => session.person)
  const commit = useCommit()
  const [asked, setAsked] = useState(false)
  const [gaps, setGaps] = useState(false)
  const photo = usePhotoOnWall(kept.wall)
  const [dragged, setDragged] = useState<Dragged>()
  // While something is dragged only this wall is measured again; the rest of the job follows when it is let go.
  const measured = useMemo(
    () =>
      dragged
        ? measureWall(
            ...wallWith(context.asBuilt, kept, dragged),
            wallContext(
              kept.wall.id,
              context.asBuilt,
              useInspection.getState().inspection!.state,
              useInspection.getState().sheets,
            ),
          )
        : kept,
    [dragged, kept, context],
  )
  const drawing = useMemo(() => wallDrawing(measured, context.labelOf), [measured, context])
  const { answer, cancel } = useRework(asked ? JSON.stringify(kept.input) : undefined)
  const choose = useCallback(
    (id: string) => {
      chooseItem(id)
      const worstCheck = useInspection
        .getState()
        .inspection?.checks.find(
          ({ check, outcome }) =>
            check.unit.id === id &&
            check.ask.kind === 'derived' &&
            check.ask.from === 'wall' &&
            outcome.verdict !== 'conforms',
        )
      if (worstCheck) openCheck(worstCheck.check.id)
    },
    [chooseItem, openCheck],
  )
  const drop = useCallback(
    (end: Dragged) => {
      const asBuilt = useInspection.getState().inspection?.state.asBuilt
      const change = asBuilt && dropChange(asBuilt, end)
      if (change && person) commit(change)
      setDragged(undefined)
    },
    [commit, person],
  )
  return (
    <>
      <WallHead
        wallId={kept.wall.id}
        title={kept.wall.title}
        wrong={kept.result.verdict !== 'conforms'}
        asked={asked}
        onAsk={setAsked}
        gaps={gaps}
        onGaps={setGaps}
        writable={writable}
        onEdit={onEdit}
        onPhoto={photo.take}
      />
      <PhotoBar photo={photo} writable={writable} />
      {asked && (
        <LeastRework
          answer={answer}
          labelOf={context.labelOf}
          onCancel={cancel}
          onClose={() => setAsked(false)}
        />
      )}
      <Box flex="1" minH={{ base: '300px', lg: '340px' }} display="flex">
        <PanZoom label={`${kept.wall.title}, to move and enlarge`}>
          <WallElevation
            drawing={drawing}
            chosen={chosen}
            onChoose={choose}
            under={<PhotoUnder photo={photo} />}
            seeThrough={photo.drawing}
            {...(writable && !photo.drawing && { wallId: kept.wall.id, onDrag: setDragged, onDrop: drop })}
          >
            {asked && <ReworkGhosts drawing={drawing} moves={movesOf(answer)} />}
            {photo.drawing && (
              <CornerTouches bounds={drawing.bounds} corners={photo.corners} onCorners={photo.setCorners} />
            )}
          </WallElevation>
        </PanZoom>
      </Box>
      {gaps ? (
        <GapSurvey measured={kept} writable={writable} onClose={() => setGaps(false)} />
      ) : chosen && kept.input.items.some(({ id }) => id === chosen) ? (
        <ItemPanel key={chosen} wall={kept.wall} itemId={chosen} writable={writable} />
      ) : (
        <Note py="8px">
          Touch a unit or an obstruction to measure it{writable ? ', or drag it' : ''}. Gaps read measured /
          required, in mm.
        </Note>
      )}
      {writable && <AddToWall wall={kept.wall} />}
    </>
  )
}

function wallWith(asBuilt: Parameters<typeof movedBy>[0], { wall }: MeasuredWall, dragged: Dragged) {
  const moved = movedBy(asBuilt, dragged)
  return [moved.walls.find(({ id }) => id === wall.id)!, moved] as const
}

interface HeadProps {
  wallId: string
  title: string
  wrong: boolean
  asked: boolean
  onAsk: (asked: boolean) => void
  gaps: boolean
  onGaps: (gaps: boolean) => void
  writable: boolean
  onEdit: () => void
  onPhoto: (taking: boolean) => void
}

/** Drawn again only when one of its own words changes, not on every keystroke. */
const WallHead = memo(function WallHead({
  wallId,
  title,
  wrong,
  asked,
  onAsk,
  gaps,
  onGaps,
  writable,
  onEdit,
  onPhoto,
}: HeadProps) {
  const save = () => {
    const { inspection } = useInspection.getState()
    const measured = inspection?.walls.find(({ wall }) => wall.id === wallId)
    if (measured) download(`${title}.svg`, wallSvg(wallDrawing(measured, inspection!.context.labelOf)))
  }
  return (
    <Cluster gap="2px">
      <SubTitle flex={{ base: '1 0 100%', md: '1' }}>{title}</SubTitle>
      {wrong && !asked && (
        <Button variant="plain" onClick={() => onAsk(true)}>
          Least rework
        </Button>
      )}
      <Button
        variant="plain"
        aria-pressed={gaps}
        onClick={() => onGaps(!gaps)}
        title="Gaps measured one by one, held against the offsets"
      >
        Gaps
      </Button>
      {writable && (
        <Button variant="plain" onClick={onEdit} title="Size, corners and tape of this wall">
          Measures
        </Button>
      )}
      {writable && (
        <Button
          variant="plain"
          onClick={() => onPhoto(true)}
          title="A photo of the wall, made a tape, under the drawing"
        >
          Photo
        </Button>
      )}
      <Button variant="plain" onClick={save} title="The wall as a drawing, 1 : 20 on paper">
        SVG
      </Button>
    </Cluster>
  )
}, sameHead)

function sameHead(a: HeadProps, b: HeadProps): boolean {
  return (
    a.wallId === b.wallId &&
    a.title === b.title &&
    a.wrong === b.wrong &&
    a.asked === b.asked &&
    a.gaps === b.gaps &&
    a.writable === b.writable
  )
}
