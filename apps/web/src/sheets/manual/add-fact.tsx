import { Box, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { FACT_KINDS, KIND_GROUPS, unitOfKind, type Fact, type FactKind } from '@plumb-mark/manual'
import { ChoiceField, optionsOf } from '../../ui/choice-field.js'
import { FiguresForm } from './figures-form.js'

export interface Place {
  page: number
  box: Fact['box']
}

/** Kinds that are words or an order, and no figure, come as tables: they are written in the sheet. */
const IN_TABLES: readonly FactKind[] = ['indicator', 'alarm', 'step', 'sequence', 'setting']
const KINDS = FACT_KINDS.filter((kind) => !IN_TABLES.includes(kind))

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
      <ChoiceField
        label="Kind"
        value={kind}
        options={optionsOf(KINDS, (one) => KIND_GROUPS[one].title)}
        onChange={setKind}
      />
      <FiguresForm
        key={kind}
        fact={{ kind, unit: unitOfKind(kind), subject: '' }}
        figures={{}}
        onCancel={onCancel}
        onSave={(subject, figures) =>
          onAdd({
            kind,
            subject,
            ...figures,
            unit: unitOfKind(kind),
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
