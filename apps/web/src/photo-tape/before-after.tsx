import { Box, Button, Flex, HStack, Text, chakra } from '@chakra-ui/react'
import { Crosshair, X } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import {
  SAME_PLACES,
  attempt,
  isAlignmentOf,
  mapOf,
  samePlaces,
  type KnownPoint,
  type PhotoRef,
  type PhotosAligned,
  type Pixel,
} from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useCommit } from '../job/use-commit.js'
import { Danger, SmallPrint, SubTitle } from '../ui/theme/text.js'
import { useInspection } from '../job/inspection.js'
import { usePhotoAddress } from '../offline/photos.js'
import { useRectified } from '../data/workers/use-rectified.js'
import { alignmentHere, keepHere } from './aligned.js'
import { Sheet } from './sheet.js'
import { TouchedPhoto, type Size } from './touched-photo.js'
import { IconButton } from '../ui/buttons.js'

interface Touched {
  before: Pixel[]
  after: Pixel[]
}
type Sizes = Partial<Record<keyof Touched, Size>>

/**
 * A defect before and after its rework as one picture with a slider; laid on each other by four places that both photos show. Where an
 * inspector does it, it stands in the record for everybody; else on this device.
 */
export function BeforeAfter({
  before,
  after,
  onClose,
}: {
  before: PhotoRef
  after: PhotoRef
  onClose: () => void
}) {
  const jobId = useInspection((state) => state.jobId)
  const [first, second] = [usePhotoAddress(jobId, before.id), usePhotoAddress(jobId, after.id)]
  const { was, keep } = useAlignment(before, after)
  const [sizes, setSizes] = useState<Sizes>(() =>
    was ? { before: sizeOf(was.before), after: sizeOf(was.after) } : {},
  )
  const [touched, setTouched] = useState<Touched | undefined>(
    () => was && { before: was.before.places, after: was.after.places },
  )
  const points = useMemo(() => (touched && isComplete(touched) ? mapped(touched) : undefined), [touched])
  const { width = 1, height = 1 } = sizes.before ?? {}
  const aligned = useRectified(
    second,
    useMemo(
      () => (points && sizes.after ? { width: sizes.after.width, points } : undefined),
      [points, sizes.after],
    ),
    { x0: 0, y0: -height, x1: width, y1: 0 },
  )
  const touch = (side: keyof Touched, pixel: Pixel) => {
    const next = { before: [], after: [], ...touched, [side]: [...(touched?.[side] ?? []), pixel] }
    setTouched(next)
    if (!isComplete(next) || !mapped(next) || !sizes.before || !sizes.after) return
    keep({
      before: { photo: before, ...sizes.before, places: next.before },
      after: { photo: after, ...sizes.after, places: next.after },
    })
  }
  const wanting = touched && !isComplete(touched) ? touched : undefined
  const next = wanting && (wanting.before.length <= wanting.after.length ? 'before' : 'after')
  const refused = touched && !wanting && !points
  return (
    <Sheet role="dialog" aria-modal aria-label="Before and after">
      <HStack layerStyle="ruleBelow" px="14px" py="6px">
        <SubTitle as="p" flex="1" truncate>
          Before and after
        </SubTitle>
        <Button variant="outline" onClick={() => setTouched({ before: [], after: [] })}>
          <Crosshair size={18} /> Lay on each other
        </Button>
        <IconButton onClick={onClose} aria-label="Close" autoFocus>
          <X size={22} />
        </IconButton>
      </HStack>
      {first && second && next ? (
        <>
          <Text role="status" px="14px" py="6px" fontWeight={500}>
            Photo {next}: touch place {wanting[next].length + 1} of {SAME_PLACES}, the same in both.
          </Text>
          <TouchedPhoto
            key={next}
            address={next === 'before' ? first : second}
            label={`Photo ${next} the rework`}
            touched={wanting[next]}
            onSize={(size) => setSizes((all) => ({ ...all, [next]: size }))}
            onTouch={(pixel) => touch(next, pixel)}
          />
        </>
      ) : (
        <Slider before={first} after={aligned.picture?.address ?? second} />
      )}
      {(refused || aligned.problem) && (
        <Danger role="alert" px="14px">
          These four places do not fit each other: begin anew, with places that lie in one plane.
        </Danger>
      )}
    </Sheet>
  )
}

const sizeOf = ({ width, height }: Size): Size => ({ width, height })
const isComplete = ({ before, after }: Touched): boolean => before.length + after.length === 2 * SAME_PLACES

/** Where the places of the photo after lie in the one before; undefined where no camera sees them so. */
function mapped({ before, after }: Touched): KnownPoint[] | undefined {
  const points = samePlaces({ before: { places: before }, after: { places: after } })
  return attempt(() => mapOf(points)).ok ? points : undefined
}

/** How these two were laid on each other before, and where it is kept when they are again. */
function useAlignment(before: PhotoRef, after: PhotoRef) {
  const state = useInspection(({ inspection }) => inspection?.state)
  const inspects = useSession(({ person }) => person?.role === 'inspector')
  const commit = useCommit()
  const inRecord = state?.aligned.find((one) => isAlignmentOf(one, before, after))
  const keep = (alignment: PhotosAligned) => {
    const written = inspects && !state?.seal && commit({ kind: 'photos-aligned', body: alignment })
    if (!written) keepHere(alignment)
  }
  return { was: inRecord ?? alignmentHere(before, after), keep }
}

function Slider({ before, after }: { before: string | undefined; after: string | undefined }) {
  const [part, setPart] = useState(50)
  useEffect(() => setPart(50), [after])
  return (
    <>
      <Flex flex="1" minH={0} justify="center" align="center" bg="sunk" p="8px">
        <Box position="relative" maxW="100%" maxH="100%">
          <chakra.img
            src={before}
            alt="Before the rework"
            maxW="100%"
            maxH="calc(100dvh - 150px)"
            display="block"
          />
          <chakra.img
            src={after}
            alt="After the rework"
            position="absolute"
            inset="0"
            w="100%"
            h="100%"
            style={{ clipPath: `inset(0 0 0 ${part}%)` }}
          />
          <Box
            position="absolute"
            top="0"
            bottom="0"
            left={`${part}%`}
            w="2px"
            bg="white"
            boxShadow="0 0 0 1px #0008"
          />
          <Badge left="8px">before</Badge>
          <Badge right="8px">after</Badge>
        </Box>
      </Flex>
      <Box px="14px" py="8px">
        <chakra.input
          type="range"
          min={0}
          max={100}
          value={part}
          onChange={({ target }) => setPart(Number(target.value))}
          aria-label="How much is seen of before"
          css={{ accentColor: '{colors.accent}' }}
          w="100%"
          h="44px"
        />
        <SmallPrint>
          Taken from different places? Lay them on each other by four places that both show.
        </SmallPrint>
      </Box>
    </>
  )
}

const Badge = chakra('span', {
  base: {
    position: 'absolute',
    top: '8px',
    px: '8px',
    py: '2px',
    bg: 'rim',
    color: 'white',
    fontSize: '14px',
    fontWeight: 600,
    borderRadius: '3px',
  },
})
