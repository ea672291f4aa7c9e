import { chakra } from '@chakra-ui/react'
import { memo } from 'react'
import { placeWords, type ArrayDrawing, type DrawnPlace, type DrawnPlane } from '@plumb-mark/core'
import { stringColour } from '../../ui/theme/string-colours.js'
import { alike } from '../../ui/alike.js'
import { shape } from '../../ui/drawings/shape.js'

export interface MapState {
  drawing: ArrayDrawing
  /** Places being walked now, in their order. */
  walked: readonly string[]
  chosen: string | undefined
  /** Places that a walk over all does not hold for. */
  differ?: ReadonlySet<string>
  /** `all` when whatever lies between is meant too: touched with Shift. */
  onPlace: (place: string, all: boolean) => void
}

const MARGIN = 500

/** The array map to scale, in millimetres: modules, strings in colour and number, devices, what each device says of itself. */
export function ArrayMap({ drawing, walked, chosen, differ, onPlace }: MapState) {
  const { w, h, planes } = drawing
  // Words and lines in proportion to the drawing, so that a small roof does not carry giant figures.
  const size = Math.min(
    w / 26,
    0.36 * Math.min(...planes.map(({ moduleW, moduleH }) => Math.min(moduleW, moduleH))),
  )
  const touch = (event: { target: EventTarget; shiftKey: boolean }) => {
    const place = (event.target as Element).closest('[data-place]')?.getAttribute('data-place')
    if (place) onPlace(place, event.shiftKey)
  }
  return (
    <chakra.svg
      viewBox={`${-MARGIN} ${-MARGIN} ${w + 2 * MARGIN} ${h + 2 * MARGIN}`}
      w="100%"
      flex="1"
      minH={0}
      preserveAspectRatio="xMidYMid meet"
      role="group"
      aria-label="Array map"
      fontFamily="body"
      // Shift marks no words here.
      userSelect="none"
      onClick={touch}
      onKeyDown={(event) => event.key === 'Enter' && touch(event)}
    >
      {planes.map((plane) => (
        <Plane key={plane.id} plane={plane} size={size} words={plane.places.length <= FEW} />
      ))}
      <Lines drawing={drawing} size={size} />
      <Walk drawing={drawing} walked={walked} />
      <Ring drawing={drawing} at={chosen} colour="accent" />
      {[...(differ ?? [])].map((at) => (
        <Ring key={at} drawing={drawing} at={at} colour="danger" />
      ))}
    </chakra.svg>
  )
}

/** Above this, a module carries no words of its own: they could not be read. */
const FEW = 400

const Plane = memo(function Plane({
  plane: { x, y, label, places, moduleW, moduleH },
  size,
  words,
}: {
  plane: DrawnPlane
  size: number
  words: boolean
}) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <shape.text x={0} y={-0.5 * size} fontSize={`${1.25 * size}px`} fontWeight={600} fill="text">
        {label}
      </shape.text>
      {places.map((place) => (
        <Module key={place.id} place={place} w={moduleW} h={moduleH} size={size} words={words} />
      ))}
    </g>
  )
}, alike)

function Module({
  place: { id, x, y, string, order, device, heard },
  w,
  h,
  size,
  words,
}: {
  place: DrawnPlace
  w: number
  h: number
  size: number
  words: boolean
}) {
  const silent = heard === 'silent'
  return (
    <shape.g
      data-place={id}
      role="button"
      tabIndex={words ? 0 : -1}
      cursor="pointer"
      aria-label={`${placeWords(id)}${string === undefined ? '' : `, string ${string + 1}, module ${order}`}${heard && heard !== 'heard' ? `, ${heard === 'silent' ? 'silent' : 'serial mistyped'}` : ''}`}
    >
      <shape.rect
        x={x}
        y={y}
        width={w}
        height={h}
        rx={20}
        fill={silent ? 'dangerWash' : heard === 'typo' ? 'unprovenWash' : 'panel'}
        stroke={silent ? 'danger' : heard === 'typo' ? 'unproven' : 'faint'}
        strokeWidth={silent || heard === 'typo' ? '40px' : '16px'}
      />
      {words && string !== undefined && (
        <shape.text
          x={x + w - 0.25 * size}
          y={y + 0.95 * size}
          fontSize={`${0.9 * size}px`}
          textAnchor="end"
          fill={stringColour(string)}
          fontWeight={600}
        >
          {order}
        </shape.text>
      )}
      {words && device && heard !== 'silent' && heard !== 'typo' && (
        <shape.rect
          x={x + 0.25 * size}
          y={y + h - 1.05 * size}
          width={1.1 * size}
          height={0.75 * size}
          rx={20}
          fill={device.serial ? 'accentWash' : 'none'}
          stroke={silent ? 'danger' : 'text'}
          strokeWidth="16px"
        />
      )}
      {words && heard && heard !== 'heard' && (
        <shape.text
          x={x + w / 2}
          y={y + h - 0.3 * size}
          fontSize={`${1.1 * size}px`}
          textAnchor="middle"
          fill={silent ? 'danger' : 'unproven'}
          fontWeight={700}
        >
          {silent ? 'silent' : 'slip?'}
        </shape.text>
      )}
    </shape.g>
  )
}

const points = (path: readonly { x: number; y: number }[]) => path.map(({ x, y }) => `${x},${y}`).join(' ')

const Lines = memo(function Lines({
  drawing: { strings, branches },
  size,
}: {
  drawing: ArrayDrawing
  size: number
}) {
  return (
    <g pointerEvents="none" fill="none">
      {branches.map(({ id, label, path, endCapped }) => (
        <g key={id}>
          <shape.polyline
            points={points(path)}
            stroke="unproven"
            strokeWidth="46px"
            strokeDasharray="120 60"
            opacity={0.9}
          />
          {path[0] && (
            <shape.text
              x={path[0].x}
              y={path[0].y - 0.25 * size}
              fontSize={`${0.95 * size}px`}
              fontWeight={600}
              fill="unproven"
              textAnchor="middle"
            >
              {label}
            </shape.text>
          )}
          {path.length > 0 && endCapped !== undefined && <End at={path.at(-1)!} capped={endCapped} />}
        </g>
      ))}
      {strings.map(({ id, label, number, path }) => (
        <g key={id} stroke={stringColour(number)}>
          <polyline points={points(path)} strokeWidth="60px" strokeLinejoin="round" opacity={0.85} />
          {path[0] && <circle cx={path[0].x} cy={path[0].y} r="130" fill={stringColour(number)} />}
          {path[0] && (
            <shape.text
              x={path[0].x}
              y={path[0].y + 70}
              fontSize="190px"
              fontWeight={700}
              textAnchor="middle"
              stroke="none"
              fill="#fff"
            >
              {label.replace(/^string /i, '').slice(0, 3)}
            </shape.text>
          )}
          {path.length > 1 && (
            <path
              d={`M${path.at(-1)!.x - 110} ${path.at(-1)!.y - 110} h220 v220 h-220 Z`}
              strokeWidth="50px"
            />
          )}
        </g>
      ))}
    </g>
  )
}, alike)

/** The end of a trunk: closed by its cap, or open. */
function End({ at: { x, y }, capped }: { at: { x: number; y: number }; capped: boolean }) {
  return capped ? (
    <shape.rect x={x - 110} y={y - 110} width={220} height={220} fill="unproven" />
  ) : (
    <shape.path d={`M${x - 130} ${y - 130} l260 260 m0 -260 l-260 260`} stroke="danger" strokeWidth="60px" />
  )
}

function Walk({ drawing, walked }: { drawing: ArrayDrawing; walked: readonly string[] }) {
  const path = walked.flatMap((id) => middleOf(drawing, id) ?? [])
  return (
    <g pointerEvents="none" fill="none">
      <shape.polyline points={points(path)} stroke="accent" strokeWidth="90px" strokeLinejoin="round" />
      {path.map(({ x, y }, i) => (
        <g key={walked[i]}>
          <shape.circle cx={x} cy={y} r="170" fill="panel" stroke="accent" strokeWidth="40px" />
          <shape.text x={x} y={y + 80} fontSize="220px" fontWeight={700} textAnchor="middle" fill="text">
            {i + 1}
          </shape.text>
        </g>
      ))}
    </g>
  )
}

function Ring({ drawing, at, colour }: { drawing: ArrayDrawing; at: string | undefined; colour: string }) {
  const plane = drawing.planes.find(({ id }) => at?.startsWith(`${id}.`))
  const place = plane?.places.find(({ id }) => id === at)
  if (!plane || !place) return null
  return (
    <shape.rect
      x={plane.x + place.x - 30}
      y={plane.y + place.y - 30}
      width={plane.moduleW + 60}
      height={plane.moduleH + 60}
      rx={40}
      fill="none"
      stroke={colour}
      strokeWidth="70px"
      pointerEvents="none"
    />
  )
}

function middleOf({ planes }: ArrayDrawing, id: string): { x: number; y: number } | undefined {
  const plane = planes.find((one) => id.startsWith(`${one.id}.`))
  const place = plane?.places.find((one) => one.id === id)
  return (
    plane && place && { x: plane.x + place.x + plane.moduleW / 2, y: plane.y + place.y + plane.moduleH / 2 }
  )
}
