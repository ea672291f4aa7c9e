import type { SamplePhotoOf } from './drawn.js'
import { shape } from '../../ui/drawings/shape.js'

const Word = ({ x, y, children }: { x: number; y: number; children: string }) => (
  <text x={x} y={y} fontSize="13" textAnchor="middle" fill="currentColor" stroke="none">
    {children}
  </text>
)

export const HOUSE_PHOTOS: Record<string, SamplePhotoOf> = {
  // In sight of the inverter there is an isolator with a hasp, or a bare wall.
  isolators: ({ right }) => (
    <>
      <path d="M0 186h320" strokeWidth="3" />
      <shape.rect x="34" y="40" width="84" height="110" fill="panel" />
      <Word x={76} y={100}>
        Inverter
      </Word>
      <path d="M76 150v22h114" />
      {right && (
        <>
          <shape.rect x="160" y="100" width="60" height="60" fill="panel" />
          <path d="M190 112v24M178 124h24" strokeWidth="5" />
          <path d="M216 116c12 0 12 16 0 16" />
          <Word x={190} y={154}>
            0 · I
          </Word>
        </>
      )}
      <path d={right ? 'M220 172h76' : 'M190 172h106'} />
      <shape.rect x="262" y="24" width="44" height="80" fill="panel" />
      <path d="M270 40h28M270 52h28M270 64h28" strokeWidth="1.5" />
      <path d="M284 104v68" />
    </>
  ),
  // Pins between the modules of a stack, and the angle at its top with its two bolts, or loose before the wall.
  tipping: ({ right }) => (
    <>
      <path d="M60 0v188M0 188h320" strokeWidth="3" />
      {[0, 1, 2].map((i) => (
        <shape.rect key={i} x="92" y={44 + i * 46} width="150" height="44" fill="panel" />
      ))}
      {[88, 134].flatMap((y) =>
        [108, 218].map((x) => (
          <shape.rect key={`${x} ${y}`} x={x} y={y - 6} width="10" height="14" fill="text" />
        )),
      )}
      {right ? (
        <>
          <path d="M62 24v30h60" strokeWidth="6" />
          <circle cx="62" cy="36" r="6" fill="currentColor" />
          <circle cx="112" cy="52" r="6" fill="currentColor" />
        </>
      ) : (
        <path d="M74 24v30h48" strokeWidth="6" />
      )}
    </>
  ),
}
