import { Box, Button } from '@chakra-ui/react'
import { useMemo, useState, type ComponentType } from 'react'
import { arrayDrawing, readPlace, walkedTo } from '@plumb-mark/core'
import { Note } from '../../ui/theme/text.js'
import { PanZoom } from '../../ui/pan-zoom.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { PictureHead } from '../drawing-frame.js'
import { WholePicture } from '../picture-part.js'
import { useWritable } from '../../job/use-writable.js'
import { ArrayMap } from './array-map.js'
import { PlaceTask } from './place-task.js'
import { PlaneTask } from './plane-task.js'
import { StringTask } from './string-task.js'
import type { Task, TaskProps } from './task.js'
import { lazyPart } from '../../ui/lazy-part.js'
import { Cluster } from '../../ui/cluster.js'

/** What is entered after the planes and their strings is fetched when it is. */
const DevicesTask = lazyPart(async () => (await import('./devices-task.js')).DevicesTask)
const BranchTask = lazyPart(async () => (await import('./branch-task.js')).BranchTask)

const TASKS = [
  ['plane', 'Planes'],
  ['string', 'Strings'],
  ['devices', 'Module electronics and serials'],
  ['branch', 'Branches'],
] as const satisfies readonly (readonly [Task, string])[]

const PANELS = {
  plane: PlaneTask,
  string: StringTask,
  devices: DevicesTask,
  branch: BranchTask,
} satisfies Record<Task, ComponentType<TaskProps>>

/** The roof: the array map, and beneath it what is being done to it. */
export function Roof() {
  const inspection = useInspection((state) => state.inspection)
  const writable = useWritable()
  const { itemId, checkId, choosing, chooseItem, openCheck } = useFocus()
  const [task, setTask] = useState<Task>()
  const [walked, setWalked] = useState<readonly string[]>([])
  /** The next touch takes all that lies on the way to it. */
  const [through, setThrough] = useState(false)
  const drawing = useMemo(() => inspection && arrayDrawing(inspection), [inspection])
  if (!inspection || !drawing) return null
  const empty = drawing.planes.length === 0
  const active: Task | undefined = empty && writable ? 'plane' : task
  const choose = (next: Task | undefined) => {
    setTask(next)
    setWalked([])
    setThrough(false)
    useInspection.getState().preview(undefined)
  }
  const deviceOf = (id: string | undefined) => {
    const at = id === undefined ? undefined : inspection.at.byId.get(id)
    return at === undefined ? undefined : inspection.checks[at]!.check.subject.device
  }
  const touch = (place: string, all: boolean) => {
    const differing = [...(choosing?.from ?? [])].find((id) => {
      const device = deviceOf(id)
      return device && (device.at === place || device.feeds.includes(place))
    })
    if (differing !== undefined) return openCheck(differing)
    if (active !== 'string' && active !== 'branch') return chooseItem(place)
    if (all || through) {
      setThrough(false)
      return setWalked((path) =>
        walkedTo(path, place, (at) => inspection.context.array().moduleAt(at) !== undefined),
      )
    }
    // Touching the last one again takes it back; others are passed once.
    setWalked((path) =>
      path.at(-1) === place ? path.slice(0, -1) : path.includes(place) ? path : [...path, place],
    )
  }
  const Panel = active && PANELS[active]
  const touched = itemId && readPlace(itemId) ? itemId : undefined
  // The map goes along with the walk: where a check is about a device, that is what is looked at.
  const chosen = deviceOf(checkId)?.at ?? touched
  const differ = new Set([...(choosing?.chosen ?? [])].flatMap((id) => deviceOf(id)?.at ?? []))
  return (
    <WholePicture>
      <PictureHead title="Array map" />
      {!empty && (
        <Box flex="1" minH={{ base: '280px', lg: '300px' }} display="flex">
          <PanZoom label="Array map, to move and enlarge">
            <ArrayMap drawing={drawing} walked={walked} chosen={chosen} differ={differ} onPlace={touch} />
          </PanZoom>
        </Box>
      )}
      {writable && (
        <Cluster gap="6px" py="8px" role="group" aria-label="What to enter on the map">
          {TASKS.map(([name, label]) => (
            <Button
              key={name}
              variant={active === name ? 'solid' : 'outline'}
              aria-pressed={active === name}
              disabled={empty && name !== 'plane'}
              onClick={() => choose(active === name ? undefined : name)}
            >
              {label}
            </Button>
          ))}
        </Cluster>
      )}
      {Panel ? (
        <Panel
          key={active}
          walked={walked}
          onWalk={setWalked}
          through={through}
          onThrough={setThrough}
          chosen={chosen}
          onDone={() => choose(undefined)}
        />
      ) : touched ? (
        <PlaceTask key={touched} place={touched} writable={writable} />
      ) : (
        !empty && <Legend writable={writable} />
      )}
    </WholePicture>
  )
}

function Legend({ writable }: { writable: boolean }) {
  return (
    <Note py="6px">
      Touch a module to see what lies there{writable ? ', or choose what to enter' : ''}. A string begins at
      its disc and ends at its square; a dashed line is an AC branch, its end a filled square when capped, a
      cross when open.
    </Note>
  )
}
