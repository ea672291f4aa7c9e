import type { SamplePhotoOf } from './drawn.js'
import { shape } from '../../ui/drawings/shape.js'

const Hand = () => <path d="M238 150c14-30 40-34 60-26v50h-44z" strokeWidth="2" opacity="0.6" />

/** A conductor that stays where it was landed when it is pulled, or comes out bare. */
const pulled: SamplePhotoOf = ({ right }) => (
  <>
    <shape.rect x="30" y="40" width="120" height="120" fill="panel" />
    <circle cx="90" cy="66" r="14" />
    <path d="M82 58l16 16" />
    <shape.rect x="62" y="92" width="56" height="40" fill="sunk" />
    <g transform={right ? undefined : 'translate(62 0)'}>
      <path d="M92 112h58" strokeWidth="5" strokeDasharray={right ? undefined : '7 2'} />
      <shape.path d="M150 112h96" stroke="faint" strokeWidth="16" />
    </g>
    <Hand />
    <path d="M258 96h40m-10-8l12 8-12 8" strokeWidth="2" />
  </>
)

/** The two halves meet, or a gap is left between them. */
const click: SamplePhotoOf = ({ right }) => {
  const apart = right ? 0 : 26
  return (
    <>
      <path d="M0 100h70" strokeWidth="6" />
      <shape.path d="M70 80h70v40H70z" fill="panel" />
      <path d="M140 86h34v28h-34" />
      <g transform={`translate(${apart} 0)`}>
        <shape.path d="M174 74h76v52h-76z" fill="panel" />
        <path d="M250 100h70" strokeWidth="6" />
        <path d="M174 82h14v36h-14" />
        <path d={right ? 'M150 82l10 -8 14 0M150 118l10 8 14 0' : 'M150 78l4 -16 14 0M150 122l4 16 14 0'} />
      </g>
    </>
  )
}

const crimp: SamplePhotoOf = ({ right }) => (
  <>
    <shape.path d="M0 100h110" stroke="faint" strokeWidth="18" />
    <g transform={right ? undefined : 'translate(34 0)'}>
      <shape.path d="M110 86h70v28h-70z" fill="panel" />
      <shape.path d="M180 92c20-24 70-24 92 8-22 32-72 32-92 8z" fill="panel" />
      <circle cx="232" cy="100" r="14" />
      {right ? (
        <path d="M124 86l6 10 6-10M150 86l6 10 6-10M124 114l6-10 6 10M150 114l6-10 6 10" />
      ) : (
        <path d="M140 88v24" strokeWidth="1.5" />
      )}
    </g>
    {!right && <path d="M110 94h34M110 100h28M110 106h34" strokeWidth="2" />}
  </>
)

export const TERMINAL_PHOTOS: Record<string, SamplePhotoOf> = {
  pulled,
  tug: pulled,
  'ac-tug': pulled,
  click,
  'connector-nuts': click,
  crimp,
  lugs: crimp,
  // Split core round a conductor between grid and loads.
  arrow: ({ chosen }) => (
    <>
      <path d="M20 100h280" strokeWidth="8" />
      <shape.rect x="110" y="54" width="100" height="92" rx="10" fill="panel" />
      <g transform={chosen === 'grid' ? 'rotate(180 160 100)' : undefined}>
        <path d="M130 100h56m-16-14l18 14-18 14" strokeWidth="4" />
      </g>
      <text x="20" y="88" fontSize="15" fill="currentColor" stroke="none">
        grid
      </text>
      <text x="300" y="88" fontSize="15" textAnchor="end" fill="currentColor" stroke="none">
        loads
      </text>
    </>
  ),
}
