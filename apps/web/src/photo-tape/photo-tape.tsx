import { Box, Button, Flex, HStack, Stack, Text } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import {
  CHECK_BAR,
  formatQuantity,
  sayPhotoFault,
  type PhotoReading,
  type PhotoSetUp,
  type Pixel,
  type ReadOff,
} from '@plumb-mark/core'
import { Danger, Lead, SmallPrint, SubTitle } from '../ui/theme/text.js'
import { KnownPoints, type Box4 } from './known-points.js'
import { Loupe } from './loupe.js'
import { Marking } from './marking.js'
import { Sheet } from './sheet.js'
import { TakePhoto } from './take-photo.js'
import { ENDS, PIN_IDS, checkLengthOf, useTape, type Photo, type PinId, type Tape } from './use-tape.js'
import { Cluster } from '../ui/cluster.js'
import { HandButton, IconButton } from '../ui/buttons.js'

/** What a photo was made a tape for, once it is one. */
export type Sought =
  | { seeks: 'length'; use?: string; onLength: (file: Blob, reading: PhotoReading, length: ReadOff) => void }
  | { seeks: 'wall'; onWall: (file: Blob, setUp: PhotoSetUp) => void }

type Props = Sought & { title: string; boxes: readonly Box4[]; onClose: () => void }

/** A photo becomes a tape: four points that are known, a length that must come out, and then any two points. */
export function PhotoTape(props: Props) {
  const [taken, setTaken] = useState<{ file: Blob; photo: Photo }>()
  const [problem, setProblem] = useState<string>()
  const take = async (file: Blob | undefined) => {
    if (!file) return
    const address = URL.createObjectURL(file)
    const image = new Image()
    image.src = address
    try {
      await image.decode()
      setProblem(undefined)
      setTaken({ file, photo: { address, width: image.naturalWidth, height: image.naturalHeight } })
    } catch {
      URL.revokeObjectURL(address)
      setProblem('That is no picture that can be read here.')
    }
  }
  return (
    <Sheet role="dialog" aria-modal aria-label={`Photo as a tape: ${props.title}`}>
      <HStack layerStyle="ruleBelow" px="14px" py="6px">
        <SubTitle as="p" flex="1" truncate>
          Photo as a tape: {props.title}
        </SubTitle>
        {taken && <TakePhoto label="Another photo" onTake={(file) => void take(file)} />}
        <IconButton onClick={props.onClose} aria-label="Close without a measure">
          <X size={22} />
        </IconButton>
      </HStack>
      {taken ? (
        <Bench key={taken.photo.address} {...props} {...taken} />
      ) : (
        <Stack flex="1" maxW="560px" mx="auto" justify="center" gap="14px" p="18px">
          <Lead>
            Four points whose places are known must be on the photo, and a length that you know beside them.
            Only what lies in their plane is measured.
          </Lead>
          <TakePhoto label="Take or choose a photo" onTake={(file) => void take(file)} />
          {problem && <Danger role="alert">{problem}</Danger>}
          <SmallPrint>
            Stand square to the wall and far enough that the marks lie clear of the edge of the photo, where
            lenses bend. What stands out from the wall looks larger than it is: measure where it meets the
            wall.
          </SmallPrint>
        </Stack>
      )}
    </Sheet>
  )
}

function Bench({ file, photo, boxes, ...sought }: Props & { file: Blob; photo: Photo }) {
  const tape = useTape(photo, { kind: 'sheet', bar: CHECK_BAR.length, corner: {} }, sought.seeks)
  return (
    <Flex flex="1" minH={0} direction={{ base: 'column', lg: 'row' }}>
      <Flex flex="1" minH={{ base: '46dvh', lg: 0 }} minW={0}>
        <Marking photo={photo} tape={tape} />
      </Flex>
      <Stack
        w={{ lg: '372px' }}
        flexShrink={0}
        p="14px"
        gap="12px"
        overflowY="auto"
        borderLeft={{ lg: '1px solid' }}
        borderColor={{ lg: 'hair' }}
        h={{ base: '54dvh', lg: 'auto' }}
      >
        <Flex gap="12px" align="center" minH="148px" flexShrink={0}>
          <Loupe photo={photo} at={tape.pins[tape.active]} onMove={(to) => tape.move(tape.active, to)} />
          <Pins tape={tape} seeks={sought.seeks} />
        </Flex>
        <SmallPrint>
          Each pin is good to ±{Math.ceil(tape.pinnedTo)} pixels of the photo: enlarge it, or draw in the
          loupe, and it is surer.
        </SmallPrint>
        <KnownPoints tape={tape} boxes={boxes} onWall={sought.seeks === 'wall'} />
        <Standing tape={tape} />
        {sought.seeks === 'length' ? (
          <LengthFound
            tape={tape}
            use={sought.use}
            onUse={(reading, length) => sought.onLength(file, reading, length)}
          />
        ) : (
          <HandButton
            disabled={!tape.tape?.usable}
            onClick={() => tape.setUp && sought.onWall(file, tape.setUp)}
          >
            Lay it under the wall
          </HandButton>
        )}
      </Stack>
    </Flex>
  )
}

const PIN_WORDS = { '1': 'check 1', '2': 'check 2', from: 'from', to: 'to' } as Partial<Record<PinId, string>>

/** The pins in their order; the one that the next touch puts is filled. */
function Pins({ tape, seeks }: { tape: Tape; seeks: Sought['seeks'] }) {
  const shown = PIN_IDS.filter(
    (pin) => seeks === 'length' || !(ENDS.length as readonly string[]).includes(pin),
  )
  return (
    <Cluster gap="4px" role="group" aria-label="Pins">
      {shown.map((pin) => (
        <Button
          key={pin}
          variant={pin === tape.active ? 'solid' : 'outline'}
          aria-pressed={pin === tape.active}
          px="10px"
          minW="44px"
          onClick={() => tape.choose(pin)}
        >
          {PIN_WORDS[pin] ?? pin}
          {tape.pins[pin] ? ' ✓' : ''}
        </Button>
      ))}
    </Cluster>
  )
}

/** What is wanting, what is in the way, or that the check length agrees. */
function Standing({ tape: { wanting, tape, known } }: { tape: Tape }) {
  if (wanting) return <Line>Next: {wanting}.</Line>
  if (!tape) return null
  if (!tape.usable)
    return (
      <Stack gap="4px" role="alert">
        {tape.faults.map((fault) => (
          <Line key={fault.code} colour="danger">
            Measures nothing: {String(sayPhotoFault(fault))}.
          </Line>
        ))}
      </Stack>
    )
  const { distance, uncertainty } = tape.check
  return (
    <Line>
      The check length agrees: {millimetres(distance)} ± {millimetres(uncertainty)} read,{' '}
      {millimetres(checkLengthOf(known)!)} known.
    </Line>
  )
}

const Line = ({ children, colour = 'text' }: { children: ReactNode; colour?: string }) => (
  <Text role="status" color={colour} fontWeight={500}>
    {children}
  </Text>
)

const millimetres = (mm: number) => formatQuantity(mm, 'length', { decimals: 1 })

function LengthFound({
  tape: { setUp, pins, length },
  use = 'Use as the reading',
  onUse,
}: {
  tape: Tape
  use?: string | undefined
  onUse: (reading: PhotoReading, length: ReadOff) => void
}) {
  if (!setUp || !pins.from || !pins.to || !length) return null
  if (!length.ok) return <Line colour="danger">{String(sayPhotoFault(length.fault))}</Line>
  const found = length.length
  const [from, to] = [pins.from, pins.to].map(({ px, py }) => ({ px, py })) as [Pixel, Pixel]
  const reading = { setUp, from, to }
  return (
    <Box layerStyle="card">
      <Text fontFamily="mono" fontSize="34px" lineHeight={1.1}>
        {millimetres(found.value)}
      </Text>
      <Text fontFamily="mono" color="faint" mb="8px">
        ± {millimetres(found.uncertainty)}
      </Text>
      <HandButton w="100%" onClick={() => onUse(reading, found)}>
        {use}
      </HandButton>
    </Box>
  )
}
