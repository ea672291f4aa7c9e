import { Button } from '@chakra-ui/react'
import { BookOpen } from 'lucide-react'
import { Suspense, lazy, useState } from 'react'
import { sheetId, sheetName, type Check } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { SmallPrint } from '../ui/theme/text.js'

const ClauseView = lazy(async () => ({ default: (await import('../manuals/clause-view.js')).ClauseView }))

/** Sheet and clause of a check; where the sheet was read from a manual, the place in it is one touch away. */
export function Clause({ check: { sheet, requirement, title } }: { check: Check }) {
  const [open, setOpen] = useState(false)
  const manual = useInspection(({ sheets }) => sheets.get(sheetId(sheet))?.manual)
  // Manuals of the library are for those who inspect and prepare.
  const readsManuals = useSession(({ person }) => person?.role !== 'installer')
  const words = `${sheetName(sheet)}, clause ${requirement.clause}`
  if (!manual || !requirement.printed || !readsManuals) return <SmallPrint>{words}</SmallPrint>
  return (
    <>
      <Button variant="plain" px="0" fontSize="13px" onClick={() => setOpen(true)}>
        <BookOpen size={15} /> {words}
      </Button>
      {open && (
        <Suspense>
          <ClauseView
            title={`${title}: clause ${requirement.clause}`}
            digest={manual.digest}
            printed={requirement.printed}
            onClose={() => setOpen(false)}
          />
        </Suspense>
      )}
    </>
  )
}
