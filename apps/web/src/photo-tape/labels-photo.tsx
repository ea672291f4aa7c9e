import { Button, Flex, HStack, Stack, Text } from '@chakra-ui/react'
import { Undo2, X } from 'lucide-react'
import { useMemo, useState } from 'react'
import {
  labelsOnMap,
  placeWords,
  plural,
  type AsBuilt,
  type LabelsOnMap,
  type Pixel,
  type ReadLabel,
  type UnplacedWhy,
} from '@plumb-mark/core'
import { Danger, Faint, Lead, Mono, SmallPrint, SmallUnproven, SubTitle } from '../ui/theme/text.js'
import { ChoiceField, named } from '../ui/choice-field.js'
import { readLabels } from '../data/workers/read-labels.js'
import { Sheet } from './sheet.js'
import { TakePhoto } from './take-photo.js'
import { TouchedPhoto } from './touched-photo.js'
import { HandButton, IconButton } from '../ui/buttons.js'
import { shape } from '../ui/drawings/shape.js'
import { Item } from '../ui/list.js'

const CORNERS = ['upper left', 'upper right', 'lower right', 'lower left'] as const

const WHY = {
  outside: 'lies outside the grid',
  'between-places': 'lies between two places',
  'two-in-one-place': 'shares its place with another label',
  'no-device': 'lies where the map has no device',
  twice: 'was read in two places',
} satisfies Record<UnplacedWhy, string>

/** Many labels off one photo: read at once, put on the map by where they lie in its grid, and taken when a person says so. */
export function LabelsPhoto({
  array,
  onTake,
  onClose,
}: {
  array: AsBuilt['array']
  onTake: (rows: LabelsOnMap['placed']) => void
  onClose: () => void
}) {
  const [planeId, setPlaneId] = useState(array.planes[0]?.id ?? '')
  const plane = array.planes.find(({ id }) => id === planeId)
  const [address, setAddress] = useState<string>()
  const [labels, setLabels] = useState<ReadLabel[]>()
  const [problem, setProblem] = useState<string>()
  const [touched, setTouched] = useState<Pixel[]>([])
  const found = useMemo(() => {
    const [upperLeft, upperRight, lowerRight, lowerLeft] = touched
    return plane && labels && upperLeft && upperRight && lowerRight && lowerLeft
      ? { on: labelsOnMap(labels, { upperLeft, upperRight, lowerRight, lowerLeft }, plane, array) }
      : undefined
  }, [plane, labels, touched, array])
  const take = async (file: Blob | undefined) => {
    if (!file) return
    setLabels(undefined)
    setTouched([])
    setProblem(undefined)
    setAddress(URL.createObjectURL(file))
    try {
      setLabels(await readLabels(await createImageBitmap(file)))
    } catch (fault) {
      setProblem(`The labels could not be read: ${(fault as Error).message}`)
    }
  }
  const next = CORNERS[touched.length]
  return (
    <Sheet role="dialog" aria-modal aria-label="Labels off a photo">
      <HStack layerStyle="ruleBelow" px="14px" py="6px">
        <SubTitle as="p" flex="1" truncate>
          Labels off a photo
        </SubTitle>
        <TakePhoto
          label={address ? 'Another photo' : 'Take or choose a photo'}
          onTake={(file) => void take(file)}
        />
        <IconButton onClick={onClose} aria-label="Close without taking any">
          <X size={22} />
        </IconButton>
      </HStack>
      <Flex flex="1" minH={0} direction={{ base: 'column', lg: 'row' }}>
        {address ? (
          <TouchedPhoto
            address={address}
            label="Photo of the labels"
            touched={touched}
            onTouch={(pixel) => next && setTouched([...touched, pixel])}
          >
            {labels?.map((label, i) => (
              <ReadMark key={i} label={label} found={found?.on} />
            ))}
          </TouchedPhoto>
        ) : (
          <Stack flex="1" maxW="560px" mx="auto" justify="center" p="18px">
            <Lead>
              Photograph the paper map with its labels, or the labels as they lie in the rows: as straight as
              you can, and sharp.
            </Lead>
          </Stack>
        )}
        <Stack w={{ lg: '372px' }} h={{ base: '50dvh', lg: 'auto' }} p="14px" gap="10px" overflowY="auto">
          <ChoiceField label="Plane" value={planeId} options={named(array.planes)} onChange={setPlaneId} />
          <HowFar address={address} labels={labels} problem={problem} />
          {labels && labels.length > 0 && next && (
            <Text role="status" fontWeight={500}>
              Next: touch the {next} corner of the grid.
            </Text>
          )}
          {touched.length > 0 && (
            <Button variant="plain" alignSelf="start" onClick={() => setTouched(touched.slice(0, -1))}>
              <Undo2 size={17} /> Corner back
            </Button>
          )}
          {found && (found.on ? <Found on={found.on} onTake={onTake} /> : <NoGrid />)}
        </Stack>
      </Flex>
    </Sheet>
  )
}

const NoGrid = () => (
  <Danger role="alert">
    These four corners make no grid: take them back, and touch them in the order that is asked.
  </Danger>
)

function HowFar({
  address,
  labels,
  problem,
}: {
  address: string | undefined
  labels: readonly ReadLabel[] | undefined
  problem: string | undefined
}) {
  if (problem) return <Danger role="alert">{problem}</Danger>
  if (!address) return <SmallPrint>Nothing is taken onto the map before you say so.</SmallPrint>
  if (!labels) return <Text role="status">Reading the labels …</Text>
  return (
    <Text role="status">
      {labels.length === 0
        ? 'No code was found: go nearer, avoid glare, keep the photo sharp.'
        : `${plural(labels.length, 'label')} read.`}
    </Text>
  )
}

/** Where a label was read: filled once it has a place. */
function ReadMark({ label, found }: { label: ReadLabel; found: LabelsOnMap | undefined }) {
  const placed = found?.placed.some(({ serial }) => serial === label.text)
  return (
    <shape.circle
      cx={label.px}
      cy={label.py}
      r="16"
      fill={placed ? 'pinMark' : 'transparent'}
      stroke={found && !placed ? 'pinLength' : 'pinMark'}
      strokeWidth="6px"
    />
  )
}

function Found({ on, onTake }: { on: LabelsOnMap; onTake: (rows: LabelsOnMap['placed']) => void }) {
  const { placed, unplaced, unread } = on
  return (
    <>
      <HandButton flexShrink={0} disabled={placed.length === 0} onClick={() => onTake(placed)}>
        Take {plural(placed.length, 'serial')} onto the map
      </HandButton>
      <ul aria-label="Serials by place">
        {placed.map(({ place, serial, was }) => (
          <Item key={place}>
            <Flex gap="8px">
              <Faint flex="1">{placeWords(place)}</Faint>
              <Mono>{serial}</Mono>
            </Flex>
            {was && (
              <Text fontSize="13px" color="danger">
                now {was} on the map
              </Text>
            )}
          </Item>
        ))}
      </ul>
      {unplaced.map(({ label, why }, i) => (
        <SmallUnproven key={i}>
          {label.text} {WHY[why]}
        </SmallUnproven>
      ))}
      {unread.length > 0 && (
        <SmallPrint>No label was read for {unread.map(placeWords).join(', ')}.</SmallPrint>
      )}
    </>
  )
}
