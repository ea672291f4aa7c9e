import { Box, Button, Flex, Grid, HStack, chakra } from '@chakra-ui/react'
import { Copy, Trash2, X } from 'lucide-react'
import { memo, useEffect, useState } from 'react'
import { v7 as uuid } from 'uuid'
import {
  DRAWN_FIGURES,
  drawnWithout,
  formatInches,
  formatQuantity,
  parseQuantity,
  seenWithout,
  type Change,
  type ObstructionBuilt,
  type UnitBuilt,
  type WallBuilt,
} from '@plumb-mark/core'
import { TextField } from '../../ui/text-field.js'
import { useDecimal } from '../../data/preferences.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'
import { ProposedNote, useProposal } from '../proposed.js'
import { PlaceByGap } from './place-by-gap.js'
import { withObstruction, withUnit } from '../../job/undo-history.js'
import { Strong } from '../../ui/theme/text.js'
import { IconButton } from '../../ui/buttons.js'

const FIGURES = [
  { name: 'x', label: 'From the datum to its left edge' },
  { name: 'y', label: 'From the floor to its lower edge' },
  { name: 'w', label: 'Width' },
  { name: 'h', label: 'Height' },
] as const
type Figure = (typeof FIGURES)[number]['name']

/** The measures of the thing at hand: typed in any unit, followed by the wall at every keystroke, kept with Enter. */
export const ItemPanel = memo(function ItemPanel({
  wall,
  itemId,
  writable,
}: {
  wall: WallBuilt
  itemId: string
  writable: boolean
}) {
  const kept = useInspection(({ inspection }) => inspection?.state.asBuilt)
  const chooseItem = useFocus((focus) => focus.chooseItem)
  const commit = useCommit()
  const unit = kept?.units.find(({ id }) => id === itemId)
  const obstruction = kept?.walls
    .find(({ id }) => id === wall.id)
    ?.obstructions.find(({ id }) => id === itemId)
  const proposed = useProposal(unit ? 'place' : 'obstruction', itemId)
  const place = unit?.place ?? obstruction
  if (!place || !kept) return null
  const change = (figure: Figure, value: number, typed: string): Change =>
    unit
      ? {
          kind: 'unit-fitted',
          body: {
            ...unit,
            place: {
              ...unit.place!,
              [figure]: value,
              seen: seenWithout(unit.place!.seen, figure),
              drawn: drawnWithout(unit.place!.drawn, figure),
              typed: { ...unit.place!.typed, [figure]: typed },
            },
          },
        }
      : {
          kind: 'obstruction-measured',
          body: {
            wallId: wall.id,
            obstruction: {
              ...obstruction!,
              [figure]: value,
              seen: seenWithout(obstruction!.seen, figure),
              drawn: drawnWithout(obstruction!.drawn, figure),
            },
          },
        }
  /** Placed by a gap: the offset follows from it, and no longer from what was typed. */
  const moved = (to: Partial<Record<Figure, number>>): Change => {
    const figures = Object.keys(to) as Figure[]
    const [seen, drawn] = [seenWithout(place.seen, ...figures), drawnWithout(place.drawn, ...figures)]
    return unit
      ? { kind: 'unit-fitted', body: { ...unit, place: { ...unit.place!, ...to, seen, drawn, typed: {} } } }
      : {
          kind: 'obstruction-measured',
          body: { wallId: wall.id, obstruction: { ...obstruction!, ...to, seen, drawn } },
        }
  }
  const copy = () => {
    const id = `${unit ? 'unit' : 'obstruction'}-${uuid()}`
    const x = place.x + place.w + 300
    commit(
      unit
        ? { kind: 'unit-fitted', body: copyOf(unit, id, x) }
        : {
            kind: 'obstruction-measured',
            body: { wallId: wall.id, obstruction: { ...obstruction!, id, x, drawn: [...DRAWN_FIGURES] } },
          },
    )
    chooseItem(id)
  }
  const remove = () => {
    commit(
      unit
        ? { kind: 'unit-removed', body: { unitId: itemId } }
        : { kind: 'obstruction-removed', body: { wallId: wall.id, obstructionId: itemId } },
    )
    chooseItem(undefined)
  }
  return (
    <Box layerStyle="card" role="region" aria-label={`Measures of ${(unit ?? obstruction)!.label}`}>
      <Flex align="center" gap="8px" mb="4px">
        <Strong flex="1">{(unit ?? obstruction)!.label}</Strong>
        {writable && (
          <Button variant="plain" onClick={copy}>
            <Copy size={17} /> Copy
          </Button>
        )}
        {writable && (
          <Button variant="plain" onClick={remove}>
            <Trash2 size={17} /> Remove
          </Button>
        )}
        <IconButton onClick={() => chooseItem(undefined)} aria-label="Close">
          <X size={19} />
        </IconButton>
      </Flex>
      {proposed && <ProposedNote things={[proposed]} writable={writable} />}
      <Grid templateColumns={{ base: '1fr 1fr', xl: '1fr 1fr 1fr 1fr' }} gap="10px">
        {FIGURES.map(({ name, label }) => (
          <OffsetField
            key={name}
            label={label}
            value={place[name]}
            typedBefore={unit?.place?.typed?.[name]}
            seenTo={place.seen?.[name]}
            drawn={place.drawn?.includes(name) ?? false}
            writable={writable}
            trial={(value) => trial(kept, unit, obstruction, wall.id, name, value)}
            onKeep={(value, typed) => commit(change(name, value, typed))}
          />
        ))}
      </Grid>
      {writable && (
        <PlaceByGap wall={wall} itemId={itemId} size={place} onPlace={(to) => commit(moved(to))} />
      )}
    </Box>
  )
})

/** A copy is another box: it has no serial yet. */
function copyOf({ label, sheetId, situation, place }: UnitBuilt, id: string, x: number): UnitBuilt {
  return {
    id,
    label: `${label} copy`,
    sheetId,
    ...(situation && { situation }),
    place: { ...place!, x, seen: undefined, drawn: ['x', 'y'], typed: {} },
  }
}

function trial(
  kept: NonNullable<ReturnType<typeof useInspection.getState>['draft']>,
  unit: UnitBuilt | undefined,
  obstruction: ObstructionBuilt | undefined,
  wallId: string,
  figure: Figure,
  value: number,
) {
  return unit
    ? withUnit(kept, { ...unit, place: { ...unit.place!, [figure]: value } })
    : withObstruction(kept, wallId, { ...obstruction!, [figure]: value })
}

interface OffsetProps {
  label: string
  value: number
  typedBefore: string | undefined
  /** Read off a photo, and known so well; mm. */
  seenTo: number | undefined
  /** Put there by default, by a finger or a copy, and measured by nobody. */
  drawn: boolean
  writable: boolean
  trial: (value: number) => NonNullable<ReturnType<typeof useInspection.getState>['draft']>
  onKeep: (value: number, typed: string) => void
}

function OffsetField({
  label,
  value,
  typedBefore,
  seenTo,
  drawn,
  writable,
  trial: tried,
  onKeep,
}: OffsetProps) {
  const preview = useInspection((state) => state.preview)
  const decimal = useDecimal()
  // What was typed is shown again while it reads as the value; after a change of the decimal mark it may not.
  const before = typedBefore === undefined ? undefined : parseQuantity(typedBefore, 'length', { decimal })
  const shown =
    before?.ok && Math.abs(before.quantity.value - value) < 1e-9 * Math.max(1, Math.abs(value))
      ? typedBefore!
      : formatQuantity(value, 'length', { decimal })
  const [typed, setTyped] = useState(shown)
  const [touched, setTouched] = useState(false)
  useEffect(() => setTyped(shown), [shown])
  const parsed = parseQuantity(typed, 'length', { decimal })
  const size = label === 'Width' || label === 'Height'
  const problem = !parsed.ok
    ? parsed.problem.message
    : parsed.quantity.relation !== '='
      ? 'a measure without < or > is needed'
      : size && parsed.quantity.value < 1
        ? 'must be greater than zero'
        : undefined
  const type = (text: string) => {
    setTyped(text)
    setTouched(true)
    const read = parseQuantity(text, 'length', { decimal })
    const usable = read.ok && read.quantity.relation === '=' && (!size || read.quantity.value >= 1)
    preview(usable ? tried(read.quantity.value) : undefined)
  }
  const keep = () => {
    if (problem || !parsed.ok) return
    const same = Math.abs(parsed.quantity.value - value) < 1e-9
    // The very figure that was drawn, typed by a person, is measured; one that was only passed over is not.
    if (same && !(drawn && touched)) return preview(undefined)
    onKeep(parsed.quantity.value, parsed.quantity.typed)
  }
  return (
    <TextField
      label={label}
      problem={problem}
      hint={parsed.ok && <Both mm={parsed.quantity.value} seenTo={seenTo} drawn={drawn} />}
      value={typed}
      readOnly={!writable}
      fontFamily="mono"
      autoComplete="off"
      onChange={type}
      onBlur={keep}
      onKeyDown={(event) => event.key === 'Enter' && keep()}
    />
  )
}

/** Both systems, whichever was typed. */
function Both({ mm, seenTo, drawn }: { mm: number; seenTo: number | undefined; drawn: boolean }) {
  return (
    <HStack as="span" fontFamily="mono" fontSize="12px" display="inline-flex">
      <span>{formatQuantity(mm, 'length')}</span>
      <span>{formatInches(mm)}</span>
      {drawn && (
        <chakra.span color="unproven" title="Type what the tape says: what is drawn proves nothing">
          drawn, not measured
        </chakra.span>
      )}
      {seenTo !== undefined && (
        <chakra.span color="unproven" title="Type what the tape says, and it is as sure as the tape">
          off a photo, ±{formatQuantity(seenTo, 'length', { significant: 2 })}
        </chakra.span>
      )}
    </HStack>
  )
}
