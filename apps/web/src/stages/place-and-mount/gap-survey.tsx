import { Box, Button, Grid, chakra } from '@chakra-ui/react'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { formatNumber, misclosures, wallEnds, type GapMeasured, type MeasuredWall } from '@plumb-mark/core'
import { Note } from '../../ui/theme/text.js'
import { ChoiceField, named } from '../../ui/choice-field.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'
import { IconButton } from '../../ui/buttons.js'

const Table = chakra('table', {
  base: {
    w: '100%',
    fontSize: '14px',
    '& th': { textAlign: 'left', fontWeight: 400, color: 'faint', fontSize: '13px' },
    '& td': { py: '4px', pr: '10px', borderTop: '1px solid', borderColor: 'hair' },
  },
})

/** Gaps measured one by one beside those worked out from the offsets: where both are there, the misclosure shows a slip. */
export function GapSurvey({
  measured: { wall, input },
  writable,
  onClose,
}: {
  measured: MeasuredWall
  writable: boolean
  onClose: () => void
}) {
  const labelOf = useInspection(({ inspection }) => inspection!.context.labelOf)
  const commit = useCommit()
  const things = [
    ...wallEnds(wall).filter(({ id }) =>
      id === 'left-corner' ? wall.leftCorner : id === 'right-corner' ? wall.rightCorner : true,
    ),
    ...input.items,
  ]
  const rows = misclosures(things, wall.gaps, wall.uncertainty)
  return (
    <Panel title="Gaps, one by one" onClose={onClose}>
      {rows.length === 0 ? (
        <Note>
          No gap has been measured by itself yet. Measure a few to prove the offsets: the difference is the
          misclosure.
        </Note>
      ) : (
        <Table>
          <thead>
            <tr>
              <th>gap</th>
              <th>tape</th>
              <th>offsets</th>
              <th>misclosure</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {rows.map(({ gapId, from, to, measured, computed, misclosure, tooLarge }) => (
              <tr key={gapId}>
                <td>
                  {labelOf(from)} – {labelOf(to)}
                </td>
                <chakra.td fontFamily="mono">{formatNumber(measured, 1)} mm</chakra.td>
                <chakra.td fontFamily="mono">
                  {computed === undefined ? '–' : `${formatNumber(computed, 1)} mm`}
                </chakra.td>
                <chakra.td
                  fontFamily="mono"
                  color={tooLarge ? 'danger' : 'text'}
                  fontWeight={tooLarge ? 700 : 400}
                >
                  {misclosure === undefined
                    ? '–'
                    : `${misclosure > 0 ? '+' : ''}${formatNumber(misclosure, 1)} mm${tooLarge ? ': read again' : ''}`}
                </chakra.td>
                <td>
                  {writable && (
                    <IconButton
                      onClick={() => commit({ kind: 'gap-removed', body: { wallId: wall.id, gapId } })}
                      aria-label={`Remove the gap ${labelOf(from)} to ${labelOf(to)}`}
                    >
                      <Trash2 size={16} />
                    </IconButton>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      {writable && (
        <AddGap
          things={things.map(({ id }) => ({ id, label: labelOf(id) }))}
          onAdd={(gap) => commit({ kind: 'gap-measured', body: { wallId: wall.id, gap } })}
        />
      )}
    </Panel>
  )
}

function AddGap({
  things,
  onAdd,
}: {
  things: { id: string; label: string }[]
  onAdd: (gap: GapMeasured) => void
}) {
  const [draft, setDraft] = useState<{
    from: string
    to: string
    axis: GapMeasured['axis']
    value: number | undefined
    typed: string
  }>({ from: things[0]?.id ?? '', to: things[2]?.id ?? '', axis: 'across', value: undefined, typed: '' })
  const [round, setRound] = useState(0)
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const add = () => {
    const { value, typed, ...ends } = draft
    if (value === undefined) return
    onAdd({ id: `gap-${uuid()}`, ...ends, value, typed })
    setDraft({ ...draft, from: draft.to, value: undefined, typed: '' })
    setRound(round + 1)
  }
  return (
    <form onSubmit={(event) => (event.preventDefault(), add())}>
      <Grid
        templateColumns={{ base: '1fr 1fr', xl: '1fr 1fr 120px 1fr auto' }}
        gap="10px"
        mt="10px"
        alignItems="end"
      >
        <ChoiceField
          label="From"
          value={draft.from}
          options={named(things)}
          onChange={(from) => set({ from })}
        />
        <ChoiceField label="To" value={draft.to} options={named(things)} onChange={(to) => set({ to })} />
        <ChoiceField
          label="Direction"
          value={draft.axis}
          options={[
            ['across', 'across'],
            ['up', 'up'],
          ]}
          onChange={(axis) => set({ axis })}
        />
        <QuantityInput
          key={round}
          label="Gap as read"
          dimension="length"
          value={draft.value}
          onChange={(value, typed) => set({ value, typed })}
        />
        <Box>
          <Button type="submit" disabled={draft.value === undefined || draft.from === draft.to}>
            Add
          </Button>
        </Box>
      </Grid>
    </form>
  )
}
