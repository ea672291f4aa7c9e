import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import { ASKED_KINDS, KIND_GROUPS, unitOfKind, type Fact, type FactKind } from '@plumb-mark/manual'
import { ChoiceField, optionsOf } from '../../ui/choice-field.js'
import { TextField } from '../../ui/text-field.js'
import { FiguresForm } from './figures-form.js'
import { Strong } from '../../ui/theme/text.js'

export interface Place {
  page: number
  box: Fact['box']
}

/** Where there is no manual a demand stands on no page. */
const NOWHERE: Place = { page: 0, box: { x0: 0, top: 0, x1: 0, bottom: 0 } }

/** What a person adds by hand, with its figures: a piece of the page that they marked, or what they know without one. It is accepted by being said. */
export function AddFact({
  place,
  kind: only,
  clause: first,
  onAdd,
  onCancel,
}: {
  /** Of the page that was marked. */
  place?: Place
  /** Asked for this one; chosen otherwise. */
  kind?: FactKind
  /** The heading that the facts before it stand under. */
  clause: string
  onAdd: (fact: Fact) => void
  onCancel: () => void
}) {
  const [kind, setKind] = useState<FactKind>(only ?? 'clearance')
  const [clause, setClause] = useState(first)
  const title = place ? `What is marked on page ${place.page}?` : KIND_GROUPS[kind].title
  return (
    <Box
      layerStyle="ruleBelow"
      role="region"
      aria-label={place ? 'Marked on the page' : `Add: ${title}`}
      px="16px"
      py="10px"
      bg="accentWash"
    >
      <Strong mb="6px">{title}</Strong>
      {only === undefined && (
        <ChoiceField
          label="Kind"
          value={kind}
          options={optionsOf(ASKED_KINDS, (one) => KIND_GROUPS[one].title)}
          onChange={setKind}
        />
      )}
      {!place && <TextField label="Clause or document" value={clause} onChange={setClause} />}
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
            ...(place ?? NOWHERE),
            clause,
            text: subject,
          })
        }
      />
    </Box>
  )
}
