import { Box, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { KIND_GROUPS, type FactKind } from '@plumb-mark/manual'
import { Note } from '../../ui/theme/text.js'

const LINE = { fill: 'none', stroke: 'var(--chakra-colors-text)', strokeWidth: 2 } as const
const MARK = { fill: 'none', stroke: 'var(--chakra-colors-accent)', strokeWidth: 2.5 } as const
const FILL = 'var(--chakra-colors-panel)'

/** A measure between two points, with its ends. */
function Measure({ from: [x1, y1], to: [x2, y2] }: { from: [number, number]; to: [number, number] }) {
  const [dx, dy] = x1 === x2 ? [6, 0] : [0, 6]
  return (
    <path
      d={`M${x1} ${y1}L${x2} ${y2}M${x1 - dx} ${y1 - dy}l${2 * dx} ${2 * dy}M${x2 - dx} ${y2 - dy}l${2 * dx} ${2 * dy}`}
      {...MARK}
    />
  )
}

const unit = <rect x="90" y="60" width="60" height="80" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
const cable = (
  <>
    <rect x="20" y="82" width="120" height="36" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
    <rect x="140" y="92" width="70" height="16" {...LINE} />
  </>
)

/** What each kind of demand is about, drawn: from where to where, or what is turned, weighed, waited for. */
const PICTURES: Partial<Record<FactKind, { drawing: ReactNode; words: string }>> = {
  clearance: {
    words:
      'From the edge of the unit to whatever is next to it on that side: wall, ceiling, floor, pipe, or another unit.',
    drawing: (
      <>
        <path d="M10 20H230M10 180H230M20 20V180" {...LINE} />
        {unit}
        <Measure from={[20, 100]} to={[90, 100]} />
        <Measure from={[120, 20]} to={[120, 60]} />
        <Measure from={[120, 140]} to={[120, 180]} />
      </>
    ),
  },
  strip: {
    words: 'Bare conductor, from its end to where the insulation begins.',
    drawing: (
      <>
        {cable}
        <Measure from={[140, 140]} to={[210, 140]} />
      </>
    ),
  },
  conductor: {
    words: 'Cross-section of the metal, not of the insulation.',
    drawing: (
      <>
        <circle cx="120" cy="100" r="60" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
        <circle cx="120" cy="100" r="34" {...MARK} />
        <Measure from={[86, 100]} to={[154, 100]} />
      </>
    ),
  },
  earth: {
    words: 'Cross-section of the protective conductor.',
    drawing: (
      <>
        <path d="M120 30V90M80 90H160M94 106H146M108 122H132" {...LINE} />
        <circle cx="120" cy="60" r="14" {...MARK} />
      </>
    ),
  },
  torque: {
    words: 'How firmly a screw or nut is turned: least and most, or one figure with its tolerance.',
    drawing: (
      <>
        <circle cx="120" cy="110" r="34" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
        <path d="M98 110H142" {...LINE} />
        <path d="M66 84A60 60 0 0 1 174 84M174 84l-18 -4M174 84l4 -18" {...MARK} />
      </>
    ),
  },
  gland: {
    words: 'Outer diameter of the cable that the gland seals on.',
    drawing: (
      <>
        <path
          d="M40 60h60v-14h40v14h60v80h-60v14h-40v-14h-60z"
          fill={FILL}
          stroke={LINE.stroke}
          strokeWidth="2"
        />
        <path d="M20 78H220M20 122H220" {...LINE} />
        <Measure from={[120, 78]} to={[120, 122]} />
      </>
    ),
  },
  fixing: {
    words: 'Diameter and depth of the hole, and how many fixings.',
    drawing: (
      <>
        <path d="M100 20V180M100 76H190V124H100" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
        <Measure from={[100, 150]} to={[190, 150]} />
        <Measure from={[206, 76]} to={[206, 124]} />
      </>
    ),
  },
  tilt: {
    words: 'Angle away from upright, or from level where the maker says so.',
    drawing: (
      <>
        <path d="M120 180V20" {...LINE} strokeDasharray="6 6" />
        <rect x="96" y="56" width="60" height="96" {...LINE} transform="rotate(12 120 180)" />
        <path d="M120 40A140 140 0 0 1 150 44" {...MARK} />
      </>
    ),
  },
  length: {
    words: 'Length of the run from end to end, as it is laid.',
    drawing: (
      <>
        <path d="M30 140C80 20 140 180 210 70" {...LINE} />
        <Measure from={[30, 170]} to={[210, 170]} />
      </>
    ),
  },
  mass: {
    words:
      'Mass of the unit as it is lifted: it decides how many people lift, and what the fixings must carry.',
    drawing: (
      <>
        <rect x="75" y="40" width="90" height="80" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
        <path d="M120 120V176M120 176l-10 -14M120 176l10 -14" {...MARK} />
      </>
    ),
  },
  wait: {
    words: 'How long to wait before the next thing is done: least, unless the maker says most.',
    drawing: (
      <>
        <circle cx="120" cy="100" r="62" {...LINE} />
        <path d="M120 100V58M120 100H152" {...MARK} />
      </>
    ),
  },
  breaker: {
    words: 'Rating of the breaker or fuse on the way to the grid.',
    drawing: (
      <>
        <path d="M20 120H90M150 120H220" {...LINE} />
        <path d="M90 120L146 84" {...MARK} />
        <circle cx="150" cy="120" r="5" {...LINE} />
      </>
    ),
  },
  temperature: {
    words: 'Temperature of the air where the unit hangs.',
    drawing: (
      <>
        <path d="M108 40a12 12 0 0 1 24 0V124a24 24 0 1 1 -24 0Z" {...LINE} />
        <path d="M120 140V76" {...MARK} />
      </>
    ),
  },
  count: {
    words: 'How many, at least and at most: modules in a string, units in parallel, devices on a bus.',
    drawing: [0, 1, 2, 3].map((i) => (
      <rect key={i} x={26 + 48 * i} y="64" width="40" height="72" {...(i === 3 ? MARK : LINE)} />
    )),
  },
}

/** A small picture of what is asked for, beside the words. */
export function KindPicture({ kind }: { kind: FactKind }) {
  const picture = PICTURES[kind]
  return (
    <Box
      p="18px"
      role="img"
      aria-label={`${KIND_GROUPS[kind].title}: ${picture?.words ?? 'in the words of the manual'}`}
    >
      <Text fontFamily="heading" fontSize="26px" fontWeight={600}>
        {KIND_GROUPS[kind].title}
      </Text>
      {picture && (
        <svg viewBox="0 0 240 200" width="100%" style={{ maxWidth: '420px', display: 'block' }} aria-hidden>
          {picture.drawing}
        </svg>
      )}
      <Note fontSize="16px">{picture?.words ?? 'A sentence or a figure, as the maker says it.'}</Note>
    </Box>
  )
}
