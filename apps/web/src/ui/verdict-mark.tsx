import { HStack, Text, chakra } from '@chakra-ui/react'
import { VERDICT_WORDS, type Verdict } from '@plumb-mark/core'

const COLOUR = {
  conforms: 'accent',
  'does-not-conform': 'danger',
  'not-proven': 'unproven',
  'not-inspected': 'faint',
  'not-applicable': 'faint',
} satisfies Record<Verdict, string>
export const verdictColour = (verdict: Verdict): string => COLOUR[verdict]

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
    <chakra.svg
      viewBox="0 0 20 20"
      width={`${size}px`}
      height={`${size}px`}
      flexShrink={0}
      color={COLOUR[verdict]}
      fill="none"
      stroke="currentColor"
      strokeWidth="2.4px"
      aria-hidden
    >
      {SHAPES[verdict]}
    </chakra.svg>
  )
}

/** The shape and always the word. */
export function VerdictMark({ verdict, large = false }: { verdict: Verdict; large?: boolean }) {
  return (
    <HStack data-verdict={verdict}>
      <VerdictShape verdict={verdict} size={large ? 30 : 18} />
      <Text
        color={COLOUR[verdict]}
        fontWeight={600}
        fontFamily={large ? 'heading' : 'body'}
        fontSize={large ? '26px' : '15px'}
        lineHeight={1.1}
        whiteSpace="nowrap"
      >
        {VERDICT_WORDS[verdict]}
      </Text>
    </HStack>
  )
}
