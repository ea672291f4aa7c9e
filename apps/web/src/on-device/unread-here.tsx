import { Box, Button } from '@chakra-ui/react'
import { useLiveQuery } from 'dexie-react-hooks'
import { download } from '../ui/download.js'
import { Note, SmallMono, SmallPrint } from '../ui/theme/text.js'
import { Row, Section } from '../ui/section.js'
import { device } from '../offline/device-database.js'

const SHOWN = 120

/** What an earlier version kept and nobody can read any more: it stays until somebody has saved it, or lets it go on purpose. */
export function UnreadHere() {
  const unread = useLiveQuery(() => device.unread.toArray(), [], [])
  if (unread.length === 0) return null
  return (
    <Section title="Cannot be read">
      <Note mt="8px">
        An earlier version of the program kept this here, and it is damaged. What could be read of it waits
        above; save the rest for somebody who can look at it.
      </Note>
      {unread.map(({ key, text }) => (
        <Row key={key}>
          <Box flex="1" minW="220px">
            <SmallMono overflowWrap="anywhere">
              {text.slice(0, SHOWN)}
              {text.length > SHOWN && ' …'}
            </SmallMono>
            <SmallPrint>{text.length} characters</SmallPrint>
          </Box>
          <Button variant="outline" onClick={() => download(`${key}.txt`, text, 'text/plain')}>
            Save as a file
          </Button>
          <Button variant="plain" onClick={() => void device.unread.delete(key)}>
            Discard
          </Button>
        </Row>
      ))}
    </Section>
  )
}
