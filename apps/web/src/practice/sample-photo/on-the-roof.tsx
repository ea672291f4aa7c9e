import type { SamplePhotoOf } from './drawn.js'
import { shape } from '../../ui/drawings/shape.js'

/** A module from behind, with the rail that it lies on. */
const Module = ({ x = 40, w = 240 }: { x?: number; w?: number }) => (
  <>
    <shape.rect x={x} y="18" width={w} height="120" fill="panel" />
    <path
      d={`M${x + w / 3} 18v120M${x + (2 * w) / 3} 18v120M${x} 58h${w}M${x} 98h${w}`}
      strokeWidth="1"
      opacity="0.5"
    />
  </>
)
const Rail = () => <shape.rect x="10" y="150" width="300" height="16" fill="hair" />

export const ARRAY_PHOTOS: Record<string, SamplePhotoOf> = {
  // A box on the rail, or one that hangs by its own leads.
  place: ({ right }) => (
    <>
      <Module />
      <Rail />
      {right ? (
        <>
          <path d="M150 150v14h40v-14" />
          <shape.rect x="130" y="164" width="80" height="26" fill="panel" />
          <path d="M140 176h36M140 183h24" strokeWidth="1.5" />
          <path d="M130 172C90 172 84 150 84 138M210 172c40 0 46-22 46-34" />
        </>
      ) : (
        <>
          <path d="M84 138C92 186 118 140 132 164M256 138c-8 52-36 16-44 40" />
          <g transform="rotate(14 170 172)">
            <shape.rect x="132" y="160" width="80" height="24" fill="panel" />
          </g>
        </>
      )}
    </>
  ),
  // The zone that the maker draws is hatched; the clamp stands in it, or beside it.
  clamps: ({ right }) => (
    <>
      <Module x={30} w={260} />
      <path d="M70 138v20M130 138v20" strokeDasharray="3 3" />
      {[74, 86, 98, 110, 122].map((x) => (
        <path key={x} d={`M${x} 140l8 14`} strokeWidth="1" />
      ))}
      <text x="66" y="182" fontSize="13" fill="currentColor" stroke="none">
        zone
      </text>
      <g transform={`translate(${right ? 88 : 212} 126)`}>
        <shape.rect width="24" height="34" fill="hair" />
        <circle cx="12" cy="22" r="6" />
      </g>
    </>
  ),
  cables: ({ right }) => (
    <>
      <Module x={30} w={260} />
      <path d="M0 188h320" strokeWidth="4" />
      {right ? (
        <>
          <path d="M40 146c40 8 60 8 80 0s60-8 80 0 50 8 80 0" strokeWidth="4" />
          {[118, 200].map((x) => (
            <path key={x} d={`M${x - 5} 136v16h10v-16`} />
          ))}
        </>
      ) : (
        <>
          <path d="M40 140c20 46 60 46 90 46h60c30 0 70 0 90-44" strokeWidth="4" />
          <rect x="138" y="178" width="44" height="12" />
        </>
      )}
    </>
  ),
  // The bonding part between frame above and rail below: its teeth point at the rail, or away from it.
  teeth: ({ right }) => (
    <>
      <shape.rect x="50" y="20" width="220" height="56" fill="panel" />
      <text x="62" y="52" fontSize="14" fill="currentColor" stroke="none">
        frame
      </text>
      <shape.rect x="50" y="136" width="220" height="44" fill="hair" />
      <text x="62" y="164" fontSize="14" fill="currentColor" stroke="none">
        rail
      </text>
      <g transform={right ? undefined : 'matrix(1 0 0 -1 0 212)'}>
        <path d="M110 92h100v14H110z" />
        {[118, 138, 158, 178, 198].map((x) => (
          <path key={x} d={`M${x - 8} 106l8 30 8-30z`} fill="currentColor" />
        ))}
      </g>
    </>
  ),
  channel: ({ chosen = '' }) => {
    const wide = chosen.startsWith('wide')
    const part = chosen.slice(-2)
    const half = wide ? 90 : 50
    return (
      <>
        <shape.path d={`M${160 - half} 180v-70h30v20h${2 * half - 60}v-20h30v70z`} fill="hair" />
        <path d={`M${160 - half} 192h${2 * half}`} strokeWidth="1" />
        <text x="160" y="172" fontSize="13" textAnchor="middle" fill="currentColor" stroke="none">
          {wide ? '40 mm' : '28 mm'}
        </text>
        <shape.rect x="110" y="58" width="100" height="34" fill="panel" />
        <text x="160" y="81" fontSize="18" textAnchor="middle" fill="currentColor" stroke="none">
          {part}
        </text>
        <path d="M160 92v18" />
      </>
    )
  },
}
