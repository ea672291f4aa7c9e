import type { SamplePhotoOf } from './drawn.js'
import { shape } from '../../ui/drawings/shape.js'

/** A bracket with its hooks upwards and the unit hung in both, or one that is upside down with the unit on its screws. */
const bracket: SamplePhotoOf = ({ right }) => (
  <>
    <path d="M40 12v176" strokeWidth="3" />
    {[30, 70, 110, 150].map((y) => (
      <path key={y} d={`M40 ${y}l-14 14`} strokeWidth="1.5" />
    ))}
    <g transform={right ? undefined : 'matrix(1 0 0 -1 0 176)'}>
      <shape.path d="M44 44h26v70h-26z" fill="hair" />
      <path d="M70 58h20v-18M70 100h20v-18" strokeWidth="6" />
    </g>
    <shape.rect x="104" y="26" width="150" height="146" rx="6" fill="panel" />
    <path d={right ? 'M104 50h-10M104 92h-10' : 'M104 64h-6M104 120h-4'} strokeWidth="6" />
    <path d="M128 54h100" strokeWidth="1.5" />
    {right && <path d="M84 150h20M88 144v12" strokeWidth="4" />}
  </>
)

/** The seal in its groove all the way round, or with a loop of it over the edge. */
const gasket: SamplePhotoOf = ({ right }) => (
  <>
    <shape.rect x="40" y="24" width="240" height="152" rx="14" fill="panel" />
    <rect x="58" y="42" width="204" height="116" rx="10" strokeWidth="1" />
    <path
      d={right ? 'M68 52h184v96h-184z' : 'M68 52h120c12 0 4 -36 26 -36s10 36 20 36h18v96h-84m-26 0h-74v-96'}
      strokeWidth="7"
    />
    <circle cx="52" cy="36" r="5" />
    <circle cx="268" cy="36" r="5" />
    <circle cx="52" cy="164" r="5" />
    <circle cx="268" cy="164" r="5" />
  </>
)

/** Three entries from below: two glands with cables, and a third with a plug or an open hole. */
const holes: SamplePhotoOf = ({ right }) => (
  <>
    <shape.rect x="30" y="20" width="260" height="90" fill="panel" />
    {[76, 146].map((x) => (
      <g key={x}>
        <shape.path d={`M${x - 22} 110h44v18h-8v14h-28v-14h-8z`} fill="hair" />
        <path d={`M${x} 142v58`} strokeWidth="12" />
      </g>
    ))}
    {right ? (
      <shape.path d="M214 110h52v14h-10v10h-32v-10h-10z" fill="hair" />
    ) : (
      <shape.path d="M218 104h44v12h-44z" fill="text" />
    )}
  </>
)

/** Split cores round their conductors, all of them closed, or one a finger open. */
const cores: SamplePhotoOf = ({ right }) => (
  <>
    {[60, 160, 260].map((x, i) => {
      const open = !right && i === 1
      return (
        <g key={x}>
          <path d={`M${x} 0v200`} strokeWidth="10" />
          <shape.path d={`M${x - 36} 70h72v30h-72z`} fill="panel" />
          <g transform={open ? `rotate(14 ${x - 36} 100) translate(0 12)` : undefined}>
            <shape.path d={`M${x - 36} 100h72v30h-72z`} fill="hair" />
          </g>
          <path d={`M${x + 36} 84h16`} strokeWidth="2" />
        </g>
      )
    })}
  </>
)

export const UNIT_PHOTOS: Record<string, SamplePhotoOf> = {
  bracket,
  hooks: bracket,
  gasket,
  'covers-close': gasket,
  'idle-holes': holes,
  cores,
  // Water runs off at the lowest point of the loop, or along the cable into the unit.
  'drip-loop': ({ right }) => (
    <>
      <shape.rect x="150" y="14" width="140" height="110" fill="panel" />
      <shape.path d="M206 124h28v14h-28z" fill="hair" />
      <path
        d={right ? 'M0 90C80 90 90 190 150 190S220 170 220 138' : 'M0 40C70 40 90 66 150 70'}
        strokeWidth="9"
      />
      {right ? (
        <path d="M150 196c-6 8 6 8 0 0" strokeWidth="3" />
      ) : (
        <path d="M150 58h14v24h-14M112 50c6 8 -6 8 0 0" strokeWidth="3" />
      )}
    </>
  ),
  // The yellow-green one leaves the sheath longer than the others, or all end alike.
  'landed-first': ({ right }) => (
    <>
      <shape.path d="M0 78h90v44h-90z" fill="hair" />
      {[84, 94, 104].map((y) => (
        <path key={y} d={`M90 ${y}C130 ${y} 140 60 180 60`} strokeWidth="5" />
      ))}
      <shape.rect x="180" y="40" width="50" height="40" fill="panel" />
      <path
        d={right ? 'M90 116C120 190 200 190 204 148' : 'M90 116C130 116 150 132 184 132'}
        strokeWidth="5"
        strokeDasharray="10 4"
      />
      <shape.rect x="184" y="112" width="50" height="36" fill="panel" />
      <text x="209" y="136" fontSize="14" textAnchor="middle" fill="currentColor" stroke="none">
        PE
      </text>
      <text x="205" y="65" fontSize="14" textAnchor="middle" fill="currentColor" stroke="none">
        L N
      </text>
    </>
  ),
  damage: ({ right }) => (
    <>
      <shape.path
        d={right ? 'M70 24h180v150h-180z' : 'M70 24h150l14 22 -10 8 26 10v110h-180z'}
        fill="panel"
      />
      <path d="M92 52h90M92 66h60" strokeWidth="1.5" />
      {!right && <path d="M206 40l16 26 -12 6 22 24M188 90l12 18" strokeWidth="2" />}
    </>
  ),
  penetrations: ({ right }) => (
    <>
      <shape.path d="M110 0h100v70h-100zM110 130h100v70h-100z" fill="hair" />
      <path d="M0 94h320M0 108h320" strokeWidth="6" />
      {right && <shape.path d="M110 70h100v60h-100z" fill="faint" opacity={0.7} />}
      <path d="M110 70h100M110 130h100" strokeWidth="2" />
    </>
  ),
  // How the end of a conductor is made.
  ferrules: ({ chosen = '' }) => (
    <>
      <shape.path d="M0 100h120" stroke="faint" strokeWidth="26" />
      {chosen.includes('with collar') && <shape.path d="M112 80h34v40h-34z" fill="accentWash" />}
      {chosen.startsWith('ferrule') && <shape.path d="M120 90h120l8 4v12l-8 4h-120z" fill="panel" />}
      {chosen === 'bare fine wire' && (
        <path d="M120 92l116 -14M120 97l124 -4M120 102l122 6M120 107l110 18" strokeWidth="2" />
      )}
      {chosen === 'solid' && <path d="M120 100h126" strokeWidth="9" />}
    </>
  ),
  detector: ({ chosen = '' }) => (
    <>
      <path d="M0 30h320" strokeWidth="3" />
      {chosen !== 'none' && (
        <>
          <shape.path d="M120 32h80l-10 30h-60z" fill="panel" />
          <text x="160" y="54" fontSize="14" textAnchor="middle" fill="currentColor" stroke="none">
            {chosen === 'heat detector' ? 'HEAT' : 'SMOKE'}
          </text>
          <path
            d={chosen === 'not linked' ? 'M200 40h30m14 -8l-6 18m14 -14h34' : 'M200 40h120'}
            strokeWidth="3"
            strokeDasharray="8 4"
          />
        </>
      )}
      <shape.rect x="96" y="96" width="128" height="96" fill="panel" />
      <path d="M112 116h60" strokeWidth="1.5" />
    </>
  ),
}
