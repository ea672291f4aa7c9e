import { chakra } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import { shape } from './drawings/shape.js'

/** s of the strip below a lamp. */
const SHOWN = 4
const STRIP = 200

/** Lit and dark in turn; where motion is not wanted the lamp stays lit, and the strip below says the rhythm. */
export function Lamp({
  colour,
  beat: given,
  strip = true,
}: {
  colour: string
  beat: readonly number[]
  /** Its rhythm, written out below it. */
  strip?: boolean
}) {
  const lamp = useRef<SVGCircleElement>(null)
  const fill = LAMPS[colour.toLowerCase()] ?? 'faint'
  // A beat of an odd number of parts ends lit and begins dark: gone through twice, it is even.
  const beat = given.length % 2 === 0 ? given : [...given, ...given]
  const rhythm = beat.join()
  useEffect(() => {
    const period = beat.reduce((sum, one) => sum + one, 0)
    if (period === 0 || !lamp.current?.animate) return
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) return
    const frames = lit(beat, period).flatMap(([from, to]) => [
      { offset: from / period, opacity: 1, easing: 'step-end' },
      { offset: to / period, opacity: 0.12, easing: 'step-end' },
    ])
    const blinking = lamp.current.animate([...frames, { offset: 1, opacity: 1 }], {
      duration: period * 1000,
      iterations: Infinity,
    })
    return () => blinking.cancel()
    // The beat is a new list at every drawing, of the same figures.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [rhythm])
  return (
    <chakra.svg
      viewBox={strip ? `0 0 ${STRIP} 64` : '0 0 48 48'}
      w="100%"
      maxW={strip ? '240px' : '120px'}
      aria-hidden
    >
      <shape.circle cx={24} cy={24} r={20} fill="sunk" stroke="faint" />
      <shape.circle ref={lamp} cx={24} cy={24} r={17} fill={fill} />
      {strip && <shape.rect x={0} y={54} width={STRIP} height={8} fill="sunk" />}
      {(!strip ? [] : beat.length > 0 ? lit(beat, SHOWN) : [[0, SHOWN] as const]).map(([from, to]) => (
        <shape.rect
          key={from}
          x={(from / SHOWN) * STRIP}
          y={54}
          width={((to - from) / SHOWN) * STRIP}
          height={8}
          fill={fill}
        />
      ))}
    </chakra.svg>
  )
}

/** When the lamp is lit within so many seconds: from, to. */
function lit(beat: readonly number[], within: number): [number, number][] {
  const spans: [number, number][] = []
  for (let at = 0, i = 0; at < within; i++) {
    const length = beat[i % beat.length]!
    if (i % 2 === 0) spans.push([at, Math.min(at + length, within)])
    at += length
  }
  return spans
}

/** The colours of lamps as sheets name them: these are the lamp's own, whatever the theme. */
export const LAMPS: Readonly<Record<string, string>> = {
  green: '#2e9e4f',
  red: '#cf2f2f',
  yellow: '#e0b400',
  amber: '#e08a00',
  orange: '#e8700a',
  blue: '#2b6fd6',
  white: '#ffffff',
}
