import { Box, Button } from '@chakra-ui/react'
import { BookOpen } from 'lucide-react'
import { useState } from 'react'
import { sheetId, sheetName, type Check } from '@plumb-mark/core'
import { useClipping } from '../data/clippings.js'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { ClippingPicture } from '../manuals/clipping.js'
import { SmallPrint } from '../ui/theme/text.js'
import { LinkButton } from '../ui/buttons.js'
import { lazyPart } from '../ui/lazy-part.js'

const ClauseView = lazyPart(async () => (await import('../manuals/clause-view.js')).ClauseView)

/** Sheet and clause of a check; where the sheet was read from a manual, the cut-out is one touch away, and its page another. */
export function Clause({ check: { sheet, requirement, title } }: { check: Check }) {
  const [shown, setShown] = useState<'cut-out' | 'page'>()
  const manual = useInspection(({ sheets }) => sheets.get(sheetId(sheet))?.manual)
  const clipping = useClipping(manual?.clippings, requirement.printed)
  // Manuals of the library are for those who inspect and prepare.
  const readsManuals = useSession(({ person }) => person?.role !== 'installer')
  const words = `${sheetName(sheet)}, clause ${requirement.clause}`
  if (!manual || !requirement.printed || (!clipping && !readsManuals)) return <SmallPrint>{words}</SmallPrint>
  const first = clipping ? 'cut-out' : 'page'
  return (
    <>
      <LinkButton
        fontSize="13px"
        aria-expanded={shown !== undefined}
        onClick={() => setShown(shown ? undefined : first)}
      >
        <BookOpen size={15} /> {words}
      </LinkButton>
      {shown && clipping && (
        <Box w="100%" border="1px solid" borderColor="hair">
          <ClippingPicture clipping={clipping} title={title} />
          {readsManuals && (
            <Button variant="plain" onClick={() => setShown('page')}>
              Open page {requirement.printed.page}
            </Button>
          )}
        </Box>
      )}
      {shown === 'page' && (
        <ClauseView
          title={`${title}: clause ${requirement.clause}`}
          digest={manual.digest}
          printed={requirement.printed}
          onClose={() => setShown(clipping ? 'cut-out' : undefined)}
        />
      )}
    </>
  )
}
