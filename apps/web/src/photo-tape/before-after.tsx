import { Box, Button, Flex, HStack, Text, chakra } from '@chakra-ui/react'
import { Crosshair, X } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { attempt, mapOf, type KnownPoint, type PhotoRef } from '@plumb-mark/core'
import { SmallPrint } from '../look/text.js'
import { useInspection } from '../store/inspection.js'
import { usePhotoAddress } from '../store/photos.js'
import { useRectified } from '../worker/use-rectified.js'
import { alignmentOf, keepAlignment, type Alignment } from './aligned.js'
import { Sheet } from './sheet.js'
import { TouchedPhoto } from './touched-photo.js'

/** As many places as two photos need to lie on each other. */
const PLACES = 4

/** A defect before and after its rework as one picture with a slider; laid on each other by four places that both photos show. */
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
  const [was] = useState(() => alignmentOf(before, after))
  const [sizes, setSizes] = useState<Partial<Alignment['sizes']>>(was?.sizes ?? {})
  const [touched, setTouched] = useState(was?.touched)
  const points = useMemo(() => sameplaces(touched), [touched])
  const { width = 1, height = 1 } = sizes.before ?? {}
  const aligned = useRectified(
    second,
    useMemo(
      () => (points && sizes.after ? { width: sizes.after.width, points } : undefined),
      [points, sizes.after],
    ),
    { x0: 0, y0: -height, x1: width, y1: 0 },
  )
  useEffect(() => {
    if (points && touched && sizes.before && sizes.after)
      keepAlignment(before, after, { sizes: { before: sizes.before, after: sizes.after }, touched })
  }, [points, touched, sizes, before, after])
  const wanting = touched && (touched.before.length + touched.after.length < 2 * PLACES ? touched : undefined)
  const next = wanting && (wanting.before.length <= wanting.after.length ? 'before' : 'after')
  const refused = touched && !wanting && !points
  return (
    <Sheet role="dialog" aria-modal aria-label="Before and after">
      <HStack px="14px" py="6px" borderBottom="1px solid" borderColor="hair">
        <Text fontFamily="heading" fontSize="22px" fontWeight={600} flex="1" truncate>
          Before and after
        </Text>
        <Button variant="outline" onClick={() => setTouched({ before: [], after: [] })}>
          <Crosshair size={18} /> Lay on each other
        </Button>
        <Button variant="plain" px="0" minW="44px" onClick={onClose} aria-label="Close" autoFocus>
          <X size={22} />
        </Button>
      </HStack>
      {first && second && next ? (
        <>
          <Text role="status" px="14px" py="6px" fontWeight={500}>
            Photo {next}: touch place {wanting[next].length + 1} of {PLACES}, the same in both.
          </Text>
          <TouchedPhoto
            key={next}
            address={next === 'before' ? first : second}
            label={`Photo ${next} the rework`}
            touched={wanting[next]}
            onSize={(size) => setSizes((all) => ({ ...all, [next]: size }))}
            onTouch={(pixel) => setTouched({ ...wanting, [next]: [...wanting[next], pixel] })}
          />
        </>
      ) : (
        <Slider before={first} after={aligned.picture?.address ?? second} />
      )}
      {(refused || aligned.problem) && (
        <Text role="alert" color="danger" px="14px">
          These four places do not fit each other: begin anew, with places that lie in one plane.
        </Text>
      )}
    </Sheet>
  )
}

/** Where the places of the photo after lie in the one before, y up; undefined while some are wanting, or where no camera sees them so. */
function sameplaces(touched: Alignment['touched'] | undefined): KnownPoint[] | undefined {
  if (!touched || touched.before.length < PLACES || touched.after.length < PLACES) return undefined
  const points = touched.after.map((pixel, i) => ({
    ...pixel,
    x: touched.before[i]!.px,
    y: -touched.before[i]!.py,
  }))
  return attempt(() => mapOf(points)).ok ? points : undefined
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
