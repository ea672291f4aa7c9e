import { chakra } from '@chakra-ui/react'
import { memo, useEffect, useRef, useState, type ReactNode } from 'react'
import {
  formatNumber,
  type DimensionLine,
  type DrawnEnvelope,
  type DrawnItem,
  type WallDrawing,
} from '@plumb-mark/core'
import { useDrag } from '@use-gesture/react'
import { TouchMark } from '../touch-mark.js'
import { verdictColour } from '../verdict-mark.js'
import { alike } from '../alike.js'
import { shape } from './shape.js'

/** A thing on a wall that is being dragged: its lower left corner as it stands now, mm. */
export interface Dragged {
  wallId: string
  id: string
  x: number
  y: number
}

interface Props {
  drawing: WallDrawing
  chosen: string | undefined
  onChoose: (id: string) => void
  /** Drawn over the wall, in its millimetres. */
  children?: ReactNode
  /** Drawn on the bare wall, beneath everything that hangs on it. */
  under?: ReactNode
  /** While something is drawn on what lies beneath, the things over it let it be seen. */
  seeThrough?: boolean
  /** Where things may be dragged: the wall, and what hears of each move and of the letting go. */
  wallId?: string
  onDrag?: (dragged: Dragged) => void
  onDrop?: (dragged: Dragged) => void
}

/** The wall from the front. User units are millimetres on the wall; y runs up there and down here. */
export function WallElevation({
  drawing,
  chosen,
  onChoose,
  children,
  under,
  seeThrough = false,
  wallId,
  onDrag,
  onDrop,
}: Props) {
  const { x0, y0, x1, y1 } = drawing.bounds
  const svg = useRef<SVGSVGElement>(null)
  const perPixel = useMillimetresPerPixel(svg, x1 - x0, y1 - y0)
  const crowded = perPixel > CROWDED
  const drag = useItemDrag(svg, drawing, wallId, onDrag, onDrop)
  return (
    <chakra.svg
      ref={svg}
      {...drag}
      viewBox={`${x0} ${-y1} ${x1 - x0} ${y1 - y0}`}
      w="100%"
      flex="1"
      minH={0}
      preserveAspectRatio="xMidYMid meet"
      role="group"
      aria-label={`${drawing.title}, elevation`}
      fontFamily="body"
    >
      <defs>
        <pattern
          id="hatch"
          width="40"
          height="40"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <shape.line x1="0" y1="0" x2="0" y2="40" stroke="faint" strokeWidth="5px" opacity={0.55} />
        </pattern>
      </defs>
      <Surround drawing={drawing} />
      {under}
      {drawing.envelopes.map((envelope) => (
        <Envelope key={envelope.unitId} {...envelope} />
      ))}
      <g opacity={seeThrough ? 0.3 : 1}>
        {drawing.items.map((item) => (
          <Item
            key={item.id}
            item={item}
            size={textSize(perPixel)}
            chosen={item.id === chosen}
            onChoose={onChoose}
            movable={wallId !== undefined}
          />
        ))}
      </g>
      {drawing.dimensions.map((line) => (
        <Dimension
          key={line.id}
          line={line}
          quiet={
            chosen !== undefined &&
            line.unitId !== chosen &&
            line.governing !== chosen &&
            line.verdict === 'conforms'
          }
          size={textSize(perPixel)}
          figures={!crowded || line.verdict !== 'conforms' || line.unitId === chosen}
        />
      ))}
      {children}
    </chakra.svg>
  )
}

/** Drags a thing over the wall; one move a frame, whatever the pointer sends. */
function useItemDrag(
  svg: React.RefObject<SVGSVGElement | null>,
  { items }: WallDrawing,
  wallId: string | undefined,
  onDrag: Props['onDrag'],
  onDrop: Props['onDrop'],
) {
  const frame = useRef(0)
  return useDrag(
    ({ event, first, last, movement: [mx, my], memo, cancel, tap }) => {
      if (!wallId || !onDrag || !onDrop) return cancel()
      const id = first
        ? (event.target as Element).closest('[data-item]')?.getAttribute('data-item')
        : (memo as { id: string } | undefined)?.id
      const start = first
        ? items.find((item) => item.id === id)
        : (memo as { start: DrawnItem } | undefined)?.start
      if (!id || !start) return cancel()
      const perPixel = 1 / (svg.current?.getScreenCTM()?.a ?? 1)
      const at: Dragged = { wallId, id, x: start.x + mx * perPixel, y: start.y - my * perPixel }
      cancelAnimationFrame(frame.current)
      if (last) {
        if (!tap) onDrop(at)
      } else if (!tap) frame.current = requestAnimationFrame(() => onDrag(at))
      return { id, start }
    },
    { filterTaps: true, threshold: 4, pointer: { touch: false } },
  )()
}

/** On a phone a whole wall leaves no room for every figure: those that hold are shown for the chosen unit only. */
const CROWDED = 8.5
const SMALLEST_TEXT_PX = 10.5
const TEXT_MM = 62

/** Large enough to read, whatever the size of the wall. */
const textSize = (perPixel: number) => Math.max(TEXT_MM, SMALLEST_TEXT_PX * perPixel)

function useMillimetresPerPixel(
  svg: React.RefObject<SVGSVGElement | null>,
  width: number,
  height: number,
): number {
  const [size, setSize] = useState({ w: 640, h: 480 })
  useEffect(() => {
    const watch = new ResizeObserver(
      ([entry]) => entry && setSize({ w: entry.contentRect.width || 1, h: entry.contentRect.height || 1 }),
    )
    watch.observe(svg.current!)
    return () => watch.disconnect()
  }, [svg])
  return Math.max(width / size.w, height / size.h)
}

const Surround = memo(function Surround({
  drawing: { bounds, ceiling, leftCorner, rightCorner },
}: {
  drawing: WallDrawing
}) {
  const { x0, y0, x1, y1 } = bounds
  const left = leftCorner ? 0 : x0
  const right = rightCorner ?? x1
  const top = ceiling ?? y1
  return (
    <g>
      <shape.rect x={left} y={-top} width={right - left} height={top} fill="paper" />
      <rect x={x0} y={0} width={x1 - x0} height={-y0} fill="url(#hatch)" />
      {ceiling !== undefined && (
        <rect x={x0} y={-y1} width={x1 - x0} height={y1 - ceiling} fill="url(#hatch)" />
      )}
      {leftCorner && <rect x={x0} y={-top} width={-x0} height={top} fill="url(#hatch)" />}
      {rightCorner !== undefined && (
        <rect x={rightCorner} y={-top} width={x1 - rightCorner} height={top} fill="url(#hatch)" />
      )}
      <shape.path
        d={`M${left} 0 H${right} ${ceiling !== undefined ? `M${left} ${-ceiling} H${right}` : ''} ${leftCorner ? `M0 0 V${-top}` : ''} ${rightCorner !== undefined ? `M${rightCorner} 0 V${-top}` : ''}`}
        stroke="text"
        strokeWidth="12px"
        fill="none"
      />
      {!leftCorner && <GoesOn x={x0 + 2 * SWING} top={top} />}
      {rightCorner === undefined && <GoesOn x={x1 - 2 * SWING} top={top} />}
    </g>
  )
}, sameSurround)

/** How far the mark of a break swings to either side, mm. */
const SWING = 34

/** The wall is broken off here and goes on: no corner was measured. */
function GoesOn({ x, top }: { x: number; top: number }) {
  const middle = top / 2
  const zigzag = `M${x} 0 V${-middle + 3 * SWING} l${SWING} ${-1.5 * SWING} l${-2 * SWING} ${-3 * SWING} l${SWING} ${-1.5 * SWING} V${-top}`
  return (
    <g>
      <shape.path d={zigzag} stroke="faint" strokeWidth="7px" fill="none" />
      <title>The wall goes on</title>
    </g>
  )
}

function sameSurround(
  { drawing: a }: { drawing: WallDrawing },
  { drawing: b }: { drawing: WallDrawing },
): boolean {
  return (
    a.ceiling === b.ceiling &&
    a.leftCorner === b.leftCorner &&
    a.rightCorner === b.rightCorner &&
    alike(a.bounds, b.bounds)
  )
}

const DASHED = {
  fill: 'none',
  stroke: 'faint',
  strokeWidth: 4,
  strokeDasharray: '18 14',
  pointerEvents: 'none',
} as const

const Envelope = memo(function Envelope({ whole, unit, x, y, w, h }: DrawnEnvelope) {
  if (whole) return <shape.rect {...DASHED} x={x} y={-y - h} width={w} height={h} />
  return (
    <>
      <shape.rect {...DASHED} x={x} y={-unit.y - unit.h} width={w} height={unit.h} />
      <shape.rect {...DASHED} x={unit.x} y={-y - h} width={unit.w} height={h} />
    </>
  )
}, alike)

const Item = memo(function Item({
  item: { id, x, y, w, h, label, kind, verdict, drawn },
  size,
  chosen,
  onChoose,
  movable,
}: {
  item: DrawnItem
  size: number
  chosen: boolean
  onChoose: (id: string) => void
  movable: boolean
}) {
  const isUnit = kind === 'unit'
  const narrow = w < label.length * size * 0.62
  // A label too wide for its box stands upright in it, or under it when the box is low as well.
  const below = narrow && h < label.length * size * 0.62
  const [cx, cy] = [x + w / 2, below ? -y + size * 0.8 : -y - h / 2]
  return (
    <TouchMark
      label={`${label}${isUnit ? '' : ', obstruction'}`}
      chosen={chosen}
      onTouch={() => onChoose(id)}
      data-item={id}
      {...(movable && { 'data-drag': true, style: { touchAction: 'none' } })}
    >
      <shape.rect
        x={x}
        y={-y - h}
        width={w}
        height={h}
        rx={isUnit ? 14 : 0}
        fill={isUnit ? 'panel' : 'sunk'}
        stroke={chosen ? 'accent' : isUnit ? verdictColour(verdict) : 'faint'}
        strokeWidth={chosen ? '20px' : isUnit ? '12px' : '6px'}
        strokeDasharray={drawn ? '26 16' : undefined}
      />
      {isUnit && (
        <shape.path d={`M${x + w * 0.2} ${-y - h * 0.82} H${x + w * 0.8}`} stroke="hair" strokeWidth="10px" />
      )}
      <g transform={narrow && !below ? `rotate(-90 ${cx} ${cy})` : undefined}>
        <shape.text
          x={cx}
          y={cy}
          fontSize={`${size * 1.1}px`}
          fontWeight={isUnit ? 600 : 400}
          textAnchor="middle"
          dominantBaseline="middle"
          fill="text"
          stroke={isUnit && !below ? 'panel' : 'paper'}
          strokeWidth={`${size * 0.35}px`}
          style={{ paintOrder: 'stroke' }}
          pointerEvents="none"
        >
          {label}
        </shape.text>
      </g>
    </TouchMark>
  )
}, alike)

const Dimension = memo(function Dimension({
  line,
  quiet,
  size,
  figures: shown,
}: {
  line: DimensionLine
  quiet: boolean
  size: number
  figures: boolean
}) {
  const { from, to, upright, measured, required, shortBy, verdict } = line
  const colour = verdictColour(verdict)
  const [mx, my] = [(from.x + to.x) / 2, -(from.y + to.y) / 2]
  const tick = 30
  const ticks = [from, to]
    .map(({ x, y }) => (upright ? `M${x - tick} ${-y} H${x + tick}` : `M${x} ${-y - tick} V${-y + tick}`))
    .join(' ')
  const figures = `${formatNumber(measured, 1)} / ${formatNumber(required, 1)}`
  const place = upright
    ? { x: mx + 26, y: my, textAnchor: 'start' as const }
    : { x: mx, y: my - 26, textAnchor: 'middle' as const }
  const strong = verdict === 'does-not-conform'
  return (
    <shape.g opacity={quiet ? 0.4 : 1} pointerEvents="none" data-dimension={line.id} data-verdict={verdict}>
      <shape.path
        d={`M${from.x} ${-from.y} L${to.x} ${-to.y} ${ticks}`}
        stroke={colour}
        strokeWidth={strong ? '14px' : '7px'}
        fill="none"
      />
      {shown && (
        <shape.text
          {...place}
          fontSize={`${size * (strong ? 1.15 : 1)}px`}
          mono
          fontWeight={500}
          fill={colour}
          stroke="paper"
          strokeWidth="20px"
          style={{ paintOrder: 'stroke' }}
        >
          {figures}
        </shape.text>
      )}
      {shortBy > 0 && (
        <shape.text
          {...place}
          y={place.y + (upright ? 1.3 * size : 1.9 * size)}
          fontSize={`${size * 1.25}px`}
          fontWeight={700}
          fill={colour}
          stroke="paper"
          strokeWidth="20px"
          style={{ paintOrder: 'stroke' }}
        >
          short by {formatNumber(shortBy, 1)}
        </shape.text>
      )}
    </shape.g>
  )
}, alike)
