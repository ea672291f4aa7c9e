import { Box, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { KIND_GROUPS, UNIT_OF_KIND, type Fact, type FactKind } from '@plumb-mark/manual'
import { ChoiceField, optionsOf } from '../../ui/choice-field.js'
import { FiguresForm } from './figures-form.js'

export interface Place {
  page: number
  box: Fact['box']
}

const KINDS = Object.keys(UNIT_OF_KIND) as FactKind[]
const TITLES = Object.fromEntries(KINDS.map((kind) => [kind, KIND_GROUPS[kind].title])) as Record<
  FactKind,
  string
>

/** A piece of the page that a person marked: what it is, with its figures. It is accepted by being said. */
export function AddFact({
  place: { page, box },
  clause,
  onAdd,
  onCancel,
}: {
  place: Place
  /** The heading that the facts before it stand under. */
  clause: string
  onAdd: (fact: Fact) => void
  onCancel: () => void
}) {
  const [kind, setKind] = useState<FactKind>('clearance')
  return (
    <Box
      role="region"
      aria-label="Marked on the page"
      px="16px"
      py="10px"
      bg="accentWash"
      borderBottom="1px solid"
      borderColor="hair"
    >
      <Text fontWeight={600} mb="6px">
        What is marked on page {page}?
      </Text>
      <ChoiceField label="Kind" value={kind} options={optionsOf(KINDS, TITLES)} onChange={setKind} />
      <FiguresForm
        key={kind}
        subject=""
        figures={{}}
        unit={UNIT_OF_KIND[kind] ?? ''}
        needsFigure={kind !== 'observation'}
        onCancel={onCancel}
        onSave={(subject, figures) =>
          onAdd({
            kind,
            subject,
            ...figures,
            unit: UNIT_OF_KIND[kind] ?? '',
            page,
            box,
            clause,
            text: subject,
          })
        }
      />
    </Box>
  )
}
