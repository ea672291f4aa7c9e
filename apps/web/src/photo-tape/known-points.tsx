import { Button, Flex, Grid, Stack, Text } from '@chakra-ui/react'
import { Printer } from 'lucide-react'
import { Link } from 'react-router'
import { CHECK_BAR, MARK_IDS, type MarkId, type Place } from '@plumb-mark/core'
import { SmallPrint } from '../ui/theme/text.js'
import { ChoiceField, named } from '../ui/choice-field.js'
import { QuantityInput } from '../ui/quantity-input.js'
import type { Known, KnownKind, Tape } from './use-tape.js'

/** A thing whose corners can be the marks: its size, and on a wall its place. */
export interface Box4 {
  id: string
  label: string
  x: number
  y: number
  w: number
  h: number
}

const KINDS = {
  sheet: 'the printed sheet',
  box: 'the corners of a unit',
  taped: 'four points that I taped',
} satisfies Record<KnownKind, string>

export const NO_PLACES: Record<MarkId, Partial<Place>> = { A: {}, B: {}, C: {}, D: {} }

const startOf = (kind: KnownKind, boxes: readonly Box4[]): Known => {
  if (kind === 'sheet') return { kind, bar: CHECK_BAR.length, corner: {} }
  if (kind === 'box') return { kind, box: boxes[0], checkLength: undefined }
  return { kind, places: NO_PLACES, checkLength: undefined }
}

/** Which points of the photo are known, and where they lie; and a length that is known beside them. */
export function KnownPoints({
  tape,
  boxes,
  onWall,
}: {
  tape: Tape
  boxes: readonly Box4[]
  onWall: boolean
}) {
  const { known, setKnown } = tape
  const kinds = (Object.keys(KINDS) as KnownKind[]).filter((kind) => kind !== 'box' || boxes.length > 0)
  return (
    <Stack gap="10px">
      <ChoiceField
        label="The four marks are"
        value={known.kind}
        options={kinds.map((kind) => [kind, KINDS[kind]] as const)}
        onChange={(kind) => setKnown(startOf(kind, boxes))}
      />
      {known.kind === 'sheet' && (
        <>
          <Flex gap="10px" align="flex-end">
            <QuantityInput
              label="Bar on the sheet, as your tape reads it"
              dimension="length"
              value={known.bar}
              onChange={(bar) => setKnown({ ...known, bar })}
            />
            <Button asChild variant="plain" flexShrink={0}>
              <Link to="/photo-sheet" target="_blank">
                <Printer size={17} /> Print it
              </Link>
            </Button>
          </Flex>
          {onWall && (
            <Corner
              label="Mark A on the wall"
              place={known.corner}
              onChange={(corner) => setKnown({ ...known, corner })}
            />
          )}
        </>
      )}
      {known.kind === 'box' && (
        <>
          <ChoiceField
            label="Unit"
            value={
              known.box
                ? (boxes.find((box) => box.w === known.box!.w && box.x === known.box!.x)?.id ?? '')
                : ''
            }
            options={named(boxes)}
            onChange={(id) => setKnown({ ...known, box: boxes.find((box) => box.id === id) })}
          />
          <SmallPrint>
            A lower left, B lower right, C upper right, D upper left: where the casing meets the wall.
          </SmallPrint>
        </>
      )}
      {known.kind === 'taped' &&
        MARK_IDS.map((id) => (
          <Corner
            key={id}
            label={`Mark ${id}`}
            place={known.places[id]}
            onChange={(place) => setKnown({ ...known, places: { ...known.places, [id]: place } })}
          />
        ))}
      {known.kind !== 'sheet' && (
        <QuantityInput
          label="Check length, 1 to 2, as your tape reads it"
          dimension="length"
          value={known.checkLength}
          onChange={(checkLength) => setKnown({ ...known, checkLength })}
        />
      )}
    </Stack>
  )
}

function Corner({
  label,
  place,
  onChange,
}: {
  label: string
  place: Partial<Place>
  onChange: (place: Partial<Place>) => void
}) {
  return (
    <Grid templateColumns="70px 1fr 1fr" gap="8px" alignItems="end">
      <Text fontWeight={600} fontSize="15px" pb="11px">
        {label}
      </Text>
      <QuantityInput
        label="across"
        dimension="length"
        value={place.x}
        onChange={(x) => onChange({ ...place, ...(x === undefined ? { x: undefined as never } : { x }) })}
      />
      <QuantityInput
        label="up"
        dimension="length"
        value={place.y}
        onChange={(y) => onChange({ ...place, ...(y === undefined ? { y: undefined as never } : { y }) })}
      />
    </Grid>
  )
}
