import { Button, Text } from '@chakra-ui/react'
import { useState } from 'react'
import {
  OBSTRUCTION_CLASSES,
  formatQuantity,
  obstructionSeenAt,
  seenBetween,
  sizeDisagrees,
  unitSeenAt,
  type SeenRectangle,
  type TouchedCorners,
  type Sheet,
  type UnitBuilt,
  type WallBuilt,
  type WallPhoto,
} from '@plumb-mark/core'
import { v7 as uuid } from 'uuid'
import { ChoiceField, type Option } from '../../../ui/choice-field.js'
import { useInspection } from '../../../job/inspection.js'
import { useFocus } from '../../../job/focus.js'
import { useCommit } from '../../../job/use-commit.js'
import { Panel } from '../../panel.js'
import { Danger, SmallMono } from '../../../ui/theme/text.js'
import { Cluster } from '../../../ui/cluster.js'

/** What stands between the two corners: a unit of the job, or an obstruction. Its places become offsets that know how sure they are. */
export function DrawnOnPhoto({
  wall,
  taken,
  corners,
  onDone,
}: {
  wall: WallBuilt
  taken: WallPhoto
  corners: TouchedCorners | undefined
  onDone: () => void
}) {
  const sheets = useInspection((state) => state.sheets)
  const units = (useInspection(({ inspection }) => inspection?.state.asBuilt.units) ?? []).filter(
    ({ sheetId, place }) => sheets.get(sheetId)?.size && (!place || place.wallId === wall.id),
  )
  const commit = useCommit()
  const chooseItem = useFocus((focus) => focus.chooseItem)
  const [what, setWhat] = useState('pipe')
  const found = corners && seenBetween(taken, corners)
  const unit = units.find(({ id }) => id === what)
  const keep = () => {
    if (!found) return
    const id = unit?.id ?? `obstruction-${uuid()}`
    const size = unit && sheets.get(unit.sheetId)?.size
    commit(
      unit && size
        ? unitSeenAt(unit, wall.id, taken, found, size)
        : obstructionSeenAt(id, what, wall.id, taken, found),
    )
    chooseItem(id)
    onDone()
  }
  return (
    <Panel title="Drawn on the photo" onClose={onDone}>
      {!corners && <Text>Touch two opposite corners of a thing, where it meets the wall.</Text>}
      {corners && !found && (
        <Danger role="alert">
          A corner lies in the outer tenth of the photo, where lenses bend, or beyond it: take another photo,
          or the tape.
        </Danger>
      )}
      {found && (
        <Cluster gap="14px" alignItems="flex-end">
          <SmallMono>
            left {length(found.x)}, lower edge {length(found.y)}, ± {length(found.across)} across, ±{' '}
            {length(found.up)} up
            <br />
            {length(found.w)} wide, {length(found.h)} high
          </SmallMono>
          <ChoiceField
            label="This is"
            value={what}
            options={[
              ...OBSTRUCTION_CLASSES.map((name): Option => [name, name]),
              ...units.map(({ id, label }): Option => [id, label]),
            ]}
            onChange={setWhat}
          />
          <Button onClick={keep}>Place it</Button>
        </Cluster>
      )}
      {found && unit && <SizeCheck unit={unit} sheet={sheets.get(unit.sheetId)} found={found} />}
    </Panel>
  )
}

const length = (mm: number) => formatQuantity(mm, 'length', { decimals: 0 })

/** The sheet knows how large a unit is: what the photo makes of it tells whether its corners lie in the plane of the marks. */
function SizeCheck({
  unit,
  sheet,
  found,
}: {
  unit: UnitBuilt
  sheet: Sheet | undefined
  found: SeenRectangle
}) {
  if (!sheet?.size) return null
  const { width, height } = sheet.size
  const off = sizeDisagrees(found, sheet.size)
  return (
    <Text color={off ? 'danger' : 'faint'} fontSize="14px" mt="6px" role={off ? 'alert' : undefined}>
      {unit.label} is {length(width)} by {length(height)} by its sheet
      {off
        ? ': the photo makes it otherwise, so its corners do not lie in the plane of the marks. Touch where it meets the wall, or take the tape.'
        : ', as the photo has it.'}
    </Text>
  )
}
