import { useMemo, useState } from 'react'
import {
  CAREFUL_CLICK,
  CHECK_BAR,
  MARK_IDS,
  SHEET_MARKS,
  measuredOn,
  photoTape,
  type MarkId,
  type MeasuredLength,
  type PhotoSetUp,
  type PhotoTape,
  type Pixel,
  type Place,
} from '@plumb-mark/core'

export const ENDS = { check: ['1', '2'], length: ['from', 'to'] } as const
/** What is pinned onto the photo: the known points, the ends of the check, the ends of what is sought. */
export type PinId = MarkId | '1' | '2' | 'from' | 'to'
export const PIN_IDS: readonly PinId[] = [...MARK_IDS, ...ENDS.check, ...ENDS.length]

/** Where the known points come from. */
export type Known =
  | { kind: 'sheet'; bar: number | undefined; corner: Partial<Place> }
  | {
      kind: 'box'
      box: { x: number; y: number; w: number; h: number } | undefined
      checkLength: number | undefined
    }
  | { kind: 'taped'; places: Record<MarkId, Partial<Place>>; checkLength: number | undefined }
export type KnownKind = Known['kind']

/** How well the places are known, expanded, mm: print, casings, the tape. */
const PLACES_KNOWN_TO = { sheet: 0.3, box: 1, taped: 1.5 } satisfies Record<KnownKind, number>

/** A pin on the photo, and how many of its pixels one of the screen covered when it was put there. */
export interface Pinned extends Pixel {
  coarse: number
}

export interface Photo {
  address: string
  width: number
  height: number
}

export interface Tape {
  known: Known
  setKnown: (known: Known) => void
  pins: Partial<Record<PinId, Pinned>>
  active: PinId
  choose: (pin: PinId) => void
  /** Puts the active pin there and goes on to the next that is wanting. */
  put: (at: Pinned) => void
  /** Moves a pin that lies there already. */
  move: (pin: PinId, at: Pinned) => void
  /** Of a pin, expanded, px: no surer than the screen on which it was put. */
  pinnedTo: number
  /** What is wanting before the photo can be tried as a tape. */
  wanting: string | undefined
  setUp: PhotoSetUp | undefined
  tape: PhotoTape | undefined
  length: MeasuredLength | undefined
}

/** A photo on its way to be a tape; worked out anew with each touch. */
export function useTape(photo: Photo, first: Known, seeks: 'length' | 'wall'): Tape {
  const [known, setKnown] = useState(first)
  const [pins, setPins] = useState<Tape['pins']>({})
  const [active, choose] = useState<PinId>('A')
  const asked = seeks === 'length' ? PIN_IDS : PIN_IDS.filter((pin) => pin !== 'from' && pin !== 'to')
  const setUp = useMemo(() => setUpOf(photo, known, pins), [photo, known, pins])
  const tape = useMemo(() => setUp && photoTape(setUp), [setUp])
  const length = useMemo(
    () =>
      setUp && tape?.usable && pins.from && pins.to
        ? measuredOn(setUp, tape, bare(pins.from), bare(pins.to))
        : undefined,
    [setUp, tape, pins.from, pins.to],
  )
  const put = (at: Pinned) => {
    const next = { ...pins, [active]: at }
    setPins(next)
    choose(asked.find((pin) => !next[pin]) ?? active)
  }
  const unpinned = MARK_IDS.filter((pin) => !pins[pin])
  const wanting =
    unpinned.length > 0
      ? `touch mark ${unpinned[0]!} on the photo`
      : placesOf(known) === undefined
        ? 'say where the marks lie'
        : !pins['1'] || !pins['2']
          ? 'touch both ends of the check length'
          : checkLengthOf(known) === undefined
            ? 'say how long the check length is'
            : undefined
  return {
    known,
    setKnown,
    pins,
    active,
    choose,
    put,
    pinnedTo: pinnedTo(pins),
    move: (pin, at) => setPins((all) => ({ ...all, [pin]: at })),
    wanting,
    setUp,
    tape,
    length,
  }
}

function setUpOf({ width, height }: Photo, known: Known, pins: Tape['pins']): PhotoSetUp | undefined {
  const places = placesOf(known)
  const [from, to, length] = [pins['1'], pins['2'], checkLengthOf(known)]
  if (!places || !from || !to || !length) return undefined
  const points = MARK_IDS.flatMap((id) => (pins[id] ? [{ ...bare(pins[id]), ...places[id] }] : []))
  if (points.length < MARK_IDS.length) return undefined
  return {
    width,
    height,
    points,
    check: { from: bare(from), to: bare(to), length },
    pointUncertainty: pinnedTo(pins),
    placeUncertainty: PLACES_KNOWN_TO[known.kind],
  }
}

const bare = ({ px, py }: Pinned): Pixel => ({ px, py })

/** A finger hits the pixel that it means, or the next. */
const HIT = 1.5
const pinnedTo = (pins: Tape['pins']): number =>
  Math.max(CAREFUL_CLICK, ...Object.values(pins).map(({ coarse }) => HIT * coarse))

export const checkLengthOf = (known: Known): number | undefined =>
  known.kind === 'sheet' ? known.bar : known.checkLength

/** Where the four marks lie, mm; undefined while something of it is not said. */
function placesOf(known: Known): Record<MarkId, Place> | undefined {
  if (known.kind === 'sheet') {
    const { x = 0, y = 0 } = known.corner
    // Printed larger or smaller, the whole sheet is.
    const scale = (known.bar ?? NaN) / CHECK_BAR.length
    if (!(scale > 0)) return undefined
    return byMark((id) => {
      const mark = SHEET_MARKS.find((one) => one.id === id)!
      return { x: x + scale * mark.x, y: y + scale * mark.y }
    })
  }
  if (known.kind === 'box') {
    if (!known.box) return undefined
    const { x, y, w, h } = known.box
    const corners = { A: { x, y }, B: { x: x + w, y }, C: { x: x + w, y: y + h }, D: { x, y: y + h } }
    return byMark((id) => corners[id])
  }
  const said = MARK_IDS.every((id) => known.places[id].x !== undefined && known.places[id].y !== undefined)
  return said ? byMark((id) => known.places[id] as Place) : undefined
}

const byMark = (place: (id: MarkId) => Place): Record<MarkId, Place> => ({
  A: place('A'),
  B: place('B'),
  C: place('C'),
  D: place('D'),
})
