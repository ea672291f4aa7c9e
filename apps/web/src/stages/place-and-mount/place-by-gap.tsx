import { Box, Button, Grid } from '@chakra-ui/react'
import { useState } from 'react'
import { offsetFromGap, wallEnds, type SurveyedItem, type WallBuilt } from '@plumb-mark/core'
import { ChoiceField, optionsOf, type Option } from '../../ui/choice-field.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { useInspection } from '../../job/inspection.js'

const DIRECTIONS = { 'right-of': 'right of', 'left-of': 'left of', above: 'above', below: 'below' } as const
type Direction = keyof typeof DIRECTIONS

/** Puts a thing where a gap says it stands: so far right of, left of, above or below another. */
export function PlaceByGap({
  wall,
  itemId,
  size,
  onPlace,
}: {
  wall: WallBuilt
  itemId: string
  size: { w: number; h: number }
  onPlace: (to: { x: number } | { y: number }, typed: string) => void
}) {
  // What is kept, not what is being typed: it is drawn again when something was placed.
  const { state, context } = useInspection(({ committed }) => committed)!
  const others: SurveyedItem[] = [
    ...wallEnds(wall),
    ...wall.obstructions,
    ...state.asBuilt.units.flatMap(({ id, place }) =>
      place?.wallId === wall.id ? [{ id, x: place.x, y: place.y, w: place.w, h: place.h }] : [],
    ),
  ].filter(({ id }) => id !== itemId)
  const [otherId, setOtherId] = useState(others.at(-1)?.id ?? '')
  const [direction, setDirection] = useState<Direction>('right-of')
  const [gap, setGap] = useState<{ value: number | undefined; typed: string }>({
    value: undefined,
    typed: '',
  })
  const other = others.find(({ id }) => id === otherId)
  const place = () =>
    other && gap.value !== undefined && onPlace(offsetFromGap(other, size, gap.value, direction), gap.typed)
  return (
    <Grid
      layerStyle="ruleAbove"
      as="form"
      templateColumns={{ base: '1fr 1fr', xl: '1fr 1fr 1fr auto' }}
      gap="10px"
      mt="10px"
      pt="10px"
      alignItems="end"
      onSubmit={(event: React.FormEvent) => (event.preventDefault(), place())}
    >
      <QuantityInput
        label="Or by a gap of"
        dimension="length"
        value={gap.value}
        onChange={(value, typed) => setGap({ value, typed })}
      />
      <ChoiceField
        label="it stands"
        value={direction}
        options={optionsOf(Object.keys(DIRECTIONS) as Direction[], DIRECTIONS)}
        onChange={setDirection}
      />
      <ChoiceField
        label="what"
        value={otherId}
        options={others.map(({ id }): Option => [id, context.labelOf(id)])}
        onChange={setOtherId}
      />
      <Box>
        <Button type="submit" variant="outline" disabled={gap.value === undefined || !other}>
          Place it
        </Button>
      </Box>
    </Grid>
  )
}
