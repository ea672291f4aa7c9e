import { Box, Button } from '@chakra-ui/react'
import { Link } from 'react-router'
import type { RecordKept } from '@plumb-mark/contract'
import { signerWords } from '@plumb-mark/core'
import { Note, Strong } from '../ui/theme/text.js'
import { Row, Section } from '../ui/section.js'
import { whenHere } from '../data/here-time.js'

/** Records from elsewhere that are kept beside our jobs, to be read. */
export function RecordsKept({
  records,
  onRemove,
}: {
  records: readonly RecordKept[] | undefined
  onRemove: (id: string) => Promise<void>
}) {
  if (!records) return null
  return (
    <Section title="Records to be read">
      {records.length === 0 && (
        <Note mt="10px">
          None yet. They lie beside your jobs: nothing of them enters a list, a count or a job.
        </Note>
      )}
      {records.map(({ id, number, title, site, entries, sealed, signer, openedAt, openedBy }) => (
        <Row key={id}>
          <Box flex="1" minW="240px">
            <Strong>
              <Link to={`/jobs/${id}`}>
                {number} · {title}
              </Link>
            </Strong>
            <Note>
              {site}; {entries} entries, {sealed ? 'signed and sealed' : 'not signed'}; exported by{' '}
              {signerWords(signer)}; opened by {openedBy}, {whenHere(openedAt)}
            </Note>
          </Box>
          <Button variant="plain" onClick={() => void onRemove(id)}>
            Remove
          </Button>
        </Row>
      ))}
    </Section>
  )
}
