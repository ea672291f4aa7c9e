import type { ReactNode } from 'react'
import { ink } from '../theme/colours.js'

const LINE = { fill: 'none', stroke: ink('text'), strokeWidth: 2 } as const
const MARK = { fill: 'none', stroke: ink('accent'), strokeWidth: 2.5 } as const
const FILL = ink('panel')

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

/** What a demand is about, drawn: from where to where, or what is turned, weighed, waited for. In a box of 240 by 200. */
const DRAWINGS = {
  clearance: (
    <>
      <path d="M10 20H230M10 180H230M20 20V180" {...LINE} />
      {unit}
      <Measure from={[20, 100]} to={[90, 100]} />
      <Measure from={[120, 20]} to={[120, 60]} />
      <Measure from={[120, 140]} to={[120, 180]} />
    </>
  ),
  strip: (
    <>
      {cable}
      <Measure from={[140, 140]} to={[210, 140]} />
    </>
  ),
  conductor: (
    <>
      <circle cx="120" cy="100" r="60" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
      <circle cx="120" cy="100" r="34" {...MARK} />
      <Measure from={[86, 100]} to={[154, 100]} />
    </>
  ),
  earth: (
    <>
      <path d="M120 30V90M80 90H160M94 106H146M108 122H132" {...LINE} />
      <circle cx="120" cy="60" r="14" {...MARK} />
    </>
  ),
  torque: (
    <>
      <circle cx="120" cy="110" r="34" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
      <path d="M98 110H142" {...LINE} />
      <path d="M66 84A60 60 0 0 1 174 84M174 84l-18 -4M174 84l4 -18" {...MARK} />
    </>
  ),
  gland: (
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
  fixing: (
    <>
      <path d="M100 20V180M100 76H190V124H100" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
      <Measure from={[100, 150]} to={[190, 150]} />
      <Measure from={[206, 76]} to={[206, 124]} />
    </>
  ),
  tilt: (
    <>
      <path d="M120 180V20" {...LINE} strokeDasharray="6 6" />
      <rect x="96" y="56" width="60" height="96" {...LINE} transform="rotate(12 120 180)" />
      <path d="M120 40A140 140 0 0 1 150 44" {...MARK} />
    </>
  ),
  length: (
    <>
      <path d="M30 140C80 20 140 180 210 70" {...LINE} />
      <Measure from={[30, 170]} to={[210, 170]} />
    </>
  ),
  mass: (
    <>
      <rect x="75" y="40" width="90" height="80" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
      <path d="M120 120V176M120 176l-10 -14M120 176l10 -14" {...MARK} />
    </>
  ),
  wait: (
    <>
      <circle cx="120" cy="100" r="62" {...LINE} />
      <path d="M120 100V58M120 100H152" {...MARK} />
    </>
  ),
  breaker: (
    <>
      <path d="M20 120H90M150 120H220" {...LINE} />
      <path d="M90 120L146 84" {...MARK} />
      <circle cx="150" cy="120" r="5" {...LINE} />
    </>
  ),
  temperature: (
    <>
      <path d="M108 40a12 12 0 0 1 24 0V124a24 24 0 1 1 -24 0Z" {...LINE} />
      <path d="M120 140V76" {...MARK} />
    </>
  ),
  count: [0, 1, 2, 3].map((i) => (
    <rect key={i} x={26 + 48 * i} y="64" width="40" height="72" {...(i === 3 ? MARK : LINE)} />
  )),
  polarity: (
    <>
      <rect x="30" y="60" width="70" height="80" {...LINE} />
      <rect x="140" y="60" width="70" height="80" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
      <path d="M100 80H140M100 120H140M50 80H66M58 72V88M50 120H66" {...LINE} />
      <path d="M166 80H190M178 68V92M166 120H190" {...MARK} />
    </>
  ),
  string: (
    <>
      {[0, 1, 2, 3].map((i) => (
        <rect key={i} x={14 + 44 * i} y="70" width="34" height="60" {...LINE} />
      ))}
      <path d="M48 100h10M92 100h10M136 100h10M180 100h30M14 100v60h196" {...LINE} />
      <circle cx="210" cy="130" r="20" {...MARK} />
      <path d="M202 122l8 16l8 -16" {...MARK} />
    </>
  ),
  arrow: (
    <>
      <path d="M20 100H220" {...LINE} />
      <rect x="90" y="64" width="60" height="72" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
      <path d="M100 100H138M138 100l-14 -10M138 100l-14 10" {...MARK} />
    </>
  ),
  chain: (
    <>
      {[0, 1, 2].map((i) => (
        <rect key={i} x="70" y={22 + 60 * i} width="100" height="42" {...LINE} />
      ))}
      <path d="M170 52h24v42h-24M170 112h24v42h-24" {...MARK} />
    </>
  ),
  bond: (
    <>
      <rect x="30" y="40" width="90" height="60" {...LINE} />
      <path d="M120 70H180V130M150 130H210M160 144H200M170 158H190" {...MARK} />
    </>
  ),
  lamp: (
    <>
      <circle cx="70" cy="100" r="26" {...MARK} />
      <path d="M120 120V80H140V120H170V80H176V120H220" {...LINE} />
    </>
  ),
  switches: (
    <>
      {[0, 1, 2, 3].map((i) => (
        <g key={i}>
          <rect x={26 + 50 * i} y="50" width="36" height="100" {...LINE} />
          <rect x={30 + 50 * i} y={i % 2 === 0 ? 56 : 108} width="28" height="36" {...MARK} />
        </g>
      ))}
    </>
  ),
  bolts: (
    <>
      <rect x="30" y="40" width="180" height="120" {...LINE} />
      <path d="M52 62L188 138M188 62L52 138" {...MARK} strokeDasharray="6 6" />
      {[52, 188]
        .flatMap((x) => [62, 138].map((y) => [x, y] as const))
        .map(([x, y]) => (
          <circle key={`${x} ${y}`} cx={x} cy={y} r="11" fill={FILL} stroke={LINE.stroke} strokeWidth="2" />
        ))}
    </>
  ),
  serial: (
    <>
      <rect x="30" y="60" width="180" height="80" {...LINE} />
      <path
        d="M46 76V112M54 76V112M64 76V112M68 76V112M80 76V112M90 76V112M94 76V112M106 76V112M112 76V112"
        {...LINE}
      />
      <path d="M46 126H150" {...MARK} />
    </>
  ),
  trace: (
    <>
      <path d="M24 170V30M24 170H220" {...LINE} />
      <path d="M24 60H90C100 60 104 140 116 140H220" {...MARK} />
      <path d="M24 130H220" {...LINE} strokeDasharray="6 6" />
    </>
  ),
  steps: (
    <>
      {[0, 1, 2].map((i) => (
        <circle key={i} cx={40 + 80 * i} cy="100" r="16" {...(i === 2 ? MARK : LINE)} />
      ))}
      <path d="M56 100H104M136 100H184" {...LINE} />
    </>
  ),
} satisfies Record<string, ReactNode>

export type DemandName = keyof typeof DRAWINGS

/** The drawing of a demand, as wide as it may be. */
export function DemandDrawing({ name, maxWidth }: { name: DemandName; maxWidth: string }) {
  return (
    <svg viewBox="0 0 240 200" width="100%" style={{ maxWidth, display: 'block', flexShrink: 0 }} aria-hidden>
      {DRAWINGS[name]}
    </svg>
  )
}
