import { Box, chakra } from '@chakra-ui/react'
import { useDrag } from '@use-gesture/react'
import { useEffect, useRef, useState } from 'react'
import type { Pixel } from '@plumb-mark/core'
import { PanZoom } from '../ui/pan-zoom.js'
import { MARK_IDS } from '@plumb-mark/core'
import { PIN_IDS, type Photo, type Pinned, type PinId, type Tape } from './use-tape.js'
import { shape } from '../ui/drawings/shape.js'

/** A step of the arrow keys, px of the photo; with the Shift key ten. */
const NUDGE = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] } as const

/** A finger that moves less than this has touched; more, and the photo was moved. */
const STILL_PX = 6

/** The photo with its pins: a touch puts the active one, each can be dragged, and the arrow keys move it by a pixel. */
export function Marking({ photo, tape }: { photo: Photo; tape: Tape }) {
  const picture = useRef<HTMLDivElement>(null)
  const scale = useScale(picture, photo.width)
  const at = (clientX: number, clientY: number): Pinned => {
    const box = picture.current!.getBoundingClientRect()
    const inside = (part: number, whole: number) => Math.round(10 * Math.min(whole, Math.max(0, part))) / 10
    return {
      px: inside(((clientX - box.left) / box.width) * photo.width, photo.width),
      py: inside(((clientY - box.top) / box.height) * photo.height, photo.height),
      coarse: photo.width / box.width,
    }
  }
  const pinAt = (target: EventTarget | null) =>
    (target as Element | null)?.closest('[data-pin]')?.getAttribute('data-pin') as PinId | undefined
  const drag = useDrag(
    ({ event, first, xy: [x, y], memo, cancel }) => {
      const pin = first ? pinAt(event.target) : (memo as PinId | undefined)
      // Where no pin is held, the photo itself is moved.
      if (!pin) return cancel()
      tape.choose(pin)
      tape.move(pin, at(x, y))
      return pin
    },
    { filterTaps: true, threshold: 3 },
  )()
  const pressed = useRef({ x: 0, y: 0 })
  const press = ({ clientX: x, clientY: y }: React.PointerEvent) => (pressed.current = { x, y })
  const touch = ({ clientX, clientY, target }: React.MouseEvent) => {
    if (Math.hypot(clientX - pressed.current.x, clientY - pressed.current.y) > STILL_PX) return
    // A pin that is still wanting goes where it is touched, however near another lies.
    const pin = tape.pins[tape.active] ? pinAt(target) : undefined
    if (pin) tape.choose(pin)
    else tape.put(at(clientX, clientY))
  }
  const nudge = (event: React.KeyboardEvent) => {
    const step = NUDGE[event.key as keyof typeof NUDGE] as readonly [number, number] | undefined
    const pin = tape.pins[tape.active]
    if (!step || !pin) return
    event.preventDefault()
    const by = event.shiftKey ? 10 : 1
    tape.move(tape.active, { px: pin.px + by * step[0], py: pin.py + by * step[1], coarse: 1 })
  }
  return (
    <PanZoom label="The photo, to move and enlarge">
      <Box flex="1" display="grid" placeItems="center" minW={0} minH={0} overflow="hidden" bg="sunk">
        <Box
          {...drag}
          onPointerDownCapture={press}
          onClick={touch}
          ref={picture}
          position="relative"
          aspectRatio={`${photo.width} / ${photo.height}`}
          maxW="100%"
          maxH="100%"
          w={photo.width >= photo.height ? '100%' : 'auto'}
          h={photo.width >= photo.height ? 'auto' : '100%'}
          cursor="crosshair"
          tabIndex={0}
          role="application"
          aria-label="The photo: touch to pin, arrow keys move the pin by a pixel"
          onKeyDown={nudge}
        >
          <chakra.img src={photo.address} alt="" w="100%" h="100%" draggable={false} userSelect="none" />
          <chakra.svg
            viewBox={`0 0 ${photo.width} ${photo.height}`}
            position="absolute"
            inset="0"
            w="100%"
            h="100%"
            overflow="visible"
          >
            <Rim {...photo} />
            <Outline pins={tape.pins} scale={scale} />
            {PIN_IDS.map((id) => {
              const pin = tape.pins[id]
              return pin && <Pin key={id} id={id} at={pin} scale={scale} active={id === tape.active} />
            })}
          </chakra.svg>
        </Box>
      </Box>
    </PanZoom>
  )
}

/** Pixels of the photo to one of the screen. */
function useScale(picture: React.RefObject<HTMLDivElement | null>, width: number): number {
  const [scale, setScale] = useState(1)
  useEffect(() => {
    const watch = new ResizeObserver(
      ([entry]) => entry && setScale(width / (entry.contentRect.width || width)),
    )
    watch.observe(picture.current!)
    return () => watch.disconnect()
  }, [picture, width])
  return scale
}

/** The part of the photo in which nothing is measured. */
function Rim({ width, height }: Photo) {
  return (
    <shape.path
      d={`M0 0h${width}v${height}h${-width}z M${0.1 * width} ${0.1 * height}v${0.8 * height}h${0.8 * width}v${-0.8 * height}z`}
      fill="rim"
      opacity={0.28}
      pointerEvents="none"
    />
  )
}

/** Ties the four marks together, and the ends of each length. */
function Outline({ pins, scale }: { pins: Tape['pins']; scale: number }) {
  const marks = MARK_IDS.flatMap((id) => pins[id] ?? [])
  const line = (a: Pixel | undefined, b: Pixel | undefined, colour: string) =>
    a &&
    b && (
      <g>
        <shape.line
          x1={a.px}
          y1={a.py}
          x2={b.px}
          y2={b.py}
          stroke="white"
          strokeWidth={`${5 * scale}`}
          opacity={0.8}
        />
        <shape.line x1={a.px} y1={a.py} x2={b.px} y2={b.py} stroke={colour} strokeWidth={`${2 * scale}`} />
      </g>
    )
  return (
    <g pointerEvents="none">
      {marks.length === MARK_IDS.length && (
        <shape.path
          d={`M${marks.map(({ px, py }) => `${px} ${py}`).join('L')}Z`}
          fill="none"
          stroke="white"
          strokeWidth={`${1.5 * scale}`}
          strokeDasharray={`${6 * scale}`}
        />
      )}
      {line(pins['1'], pins['2'], 'pinCheck')}
      {line(pins.from, pins.to, 'pinLength')}
    </g>
  )
}

/** A cross whose middle is left free, so that what lies under it can be seen. */
function Pin({ id, at, scale, active }: { id: PinId; at: Pixel; scale: number; active: boolean }) {
  const far = (active ? 26 : 18) * scale
  const near = 5 * scale
  const cross = `M${-far} 0h${far - near} M${near} 0h${far - near} M0 ${-far}v${far - near} M0 ${near}v${far - near}`
  const colour =
    id === 'from' || id === 'to' ? 'pinLength' : id === '1' || id === '2' ? 'pinCheck' : 'pinMark'
  return (
    <g transform={`translate(${at.px} ${at.py})`} data-pin={id} data-drag cursor="grab">
      <shape.circle r={`${22 * scale}`} fill="transparent" />
      <shape.path d={cross} stroke="white" strokeWidth={`${5 * scale}`} opacity={0.85} />
      <shape.path d={cross} stroke={colour} strokeWidth={`${(active ? 2.6 : 1.8) * scale}`} />
      <shape.text
        x={`${12 * scale}`}
        y={`${-10 * scale}`}
        fontSize={`${16 * scale}px`}
        mono
        fontWeight={700}
        fill={colour}
        stroke="white"
        strokeWidth={`${4 * scale}`}
        paintOrder="stroke"
      >
        {id}
      </shape.text>
    </g>
  )
}
