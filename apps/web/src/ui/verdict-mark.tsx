import { chakra } from '@chakra-ui/react'
import { VERDICT_WORDS, type Verdict } from '@plumb-mark/core'
import { ink, type Colour } from './theme/colours.js'

const COLOUR = {
  conforms: 'accent',
  'does-not-conform': 'danger',
  'not-proven': 'unproven',
  'not-inspected': 'faint',
  'not-applicable': 'faint',
} satisfies Record<Verdict, Colour>
export const verdictColour = (verdict: Verdict): Colour => COLOUR[verdict]

/** Shapes first: a chevron at the mark, a mark struck through twice, an open ring, a dash, a dotted dash. */
const SHAPES = {
  conforms: <path d="M5 3 L17 10 L5 17 M18 3 V17" />,
  'does-not-conform': <path d="M10 1 V19 M3 7.5 L17 5.5 M3 14.5 L17 12.5" />,
  'not-proven': <circle cx="10" cy="10" r="6.6" />,
  'not-inspected': <path d="M5 10 H15" />,
  'not-applicable': <path d="M3 10 H17" strokeDasharray="1.6 3.2" />,
} satisfies Record<Verdict, React.ReactNode>

export function VerdictShape({ verdict, size = 20 }: { verdict: Verdict; size?: number }) {
  return (
    <svg
      viewBox="0 0 20 20"
      width={size}
      height={size}
      style={{ flexShrink: 0 }}
      fill="none"
      stroke={ink(COLOUR[verdict])}
      strokeWidth={2.4}
      aria-hidden
    >
      {SHAPES[verdict]}
    </svg>
  )
}

const Mark = chakra('span', {
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '8px',
    fontWeight: 600,
    fontSize: '15px',
    lineHeight: 1.1,
    whiteSpace: 'nowrap',
    '&[data-large]': { fontFamily: 'heading', fontSize: '26px' },
  },
})

/** The shape and always the word. */
export function VerdictMark({ verdict, large = false }: { verdict: Verdict; large?: boolean }) {
  return (
    <Mark data-verdict={verdict} data-large={large || undefined}>
      <VerdictShape verdict={verdict} size={large ? 30 : 18} />
      <span style={{ color: ink(COLOUR[verdict]) }}>{VERDICT_WORDS[verdict]}</span>
    </Mark>
  )
}
