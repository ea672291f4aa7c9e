import { Box } from '@chakra-ui/react'
import { KIND_GROUPS, type FactKind } from '@plumb-mark/manual'
import { DemandDrawing, type DemandName } from '../../ui/drawings/demands.js'
import { Note, SectionTitle } from '../../ui/theme/text.js'

/** Each kind of demand that has a drawing, in words. */
const WORDS = {
  clearance:
    'From the edge of the unit to whatever is next to it on that side: wall, ceiling, floor, pipe, or another unit.',
  strip: 'Bare conductor, from its end to where the insulation begins.',
  conductor: 'Cross-section of the metal, not of the insulation.',
  earth: 'Cross-section of the protective conductor.',
  torque: 'How firmly a screw or nut is turned: least and most, or one figure with its tolerance.',
  gland: 'Outer diameter of the cable that the gland seals on.',
  fixing: 'Diameter and depth of the hole, and how many fixings.',
  tilt: 'Angle away from upright, or from level where the maker says so.',
  length: 'Length of the run from end to end, as it is laid.',
  mass: 'Mass of the unit as it is lifted: it decides how many people lift, and what the fixings must carry.',
  wait: 'How long to wait before the next thing is done: least, unless the maker says most.',
  breaker: 'Rating of the breaker or fuse on the way to the grid.',
  temperature: 'Temperature of the air where the unit hangs.',
  count: 'How many, at least and at most: modules in a string, units in parallel, devices on a bus.',
} satisfies Partial<Record<FactKind & DemandName, string>>

const isDrawn = (kind: FactKind): kind is keyof typeof WORDS => kind in WORDS

/** A small picture of what is asked for, beside the words. */
export function KindPicture({ kind }: { kind: FactKind }) {
  const words = isDrawn(kind) ? WORDS[kind] : undefined
  return (
    <Box
      p="18px"
      role="img"
      aria-label={`${KIND_GROUPS[kind].title}: ${words ?? 'in the words of the manual'}`}
    >
      <SectionTitle as="p">{KIND_GROUPS[kind].title}</SectionTitle>
      {isDrawn(kind) && <DemandDrawing name={kind} maxWidth="420px" />}
      <Note fontSize="16px">{words ?? 'A sentence or a figure, as the maker says it.'}</Note>
    </Box>
  )
}
