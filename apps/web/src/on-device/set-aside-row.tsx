import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { photosShown, type Inspection } from '@plumb-mark/core'
import { Photos } from '../checks/photo-picker.js'
import { Small, SmallPrint } from '../ui/theme/text.js'
import { useInspection } from '../job/inspection.js'
import { forgetPhotos } from '../offline/photos.js'
import { takeFromAside, type SetAside } from '../offline/set-aside.js'
import { entryWords } from './entry-words.js'
import { MendForm } from './mend-form.js'
import { whenHere } from '../data/here-time.js'
import { Cluster } from '../ui/cluster.js'

/** What to do about what the server said, where the reason alone does not tell. */
const ADVICE: Readonly<Record<string, string>> = {
  sealed:
    'The job was signed meanwhile. Tell the reviewer what you found: it belongs into a job of its own. Keep this until they have it.',
  'unknown-instrument':
    'The instrument was calibrated or changed meanwhile. Mend it: choose the instrument with its figures of today.',
  'unknown-point':
    'What it was taken on was removed or replaced meanwhile. Hand it to the check where it belongs now, or measure again.',
  'unknown-photo': 'The photo did not arrive. Send it again.',
  'not-your-entry': 'Your role has changed. Ask the office, then send it again.',
}

/** One step that was not taken, with its words, photos and reason; it can be sent again, mended, handed to another check, or discarded on purpose. */
export function SetAsideRow({ aside, inspection }: { aside: SetAside; inspection: Inspection }) {
  const sendAgain = useInspection((state) => state.sendAgain)
  const [sure, setSure] = useState(false)
  const [mending, setMending] = useState(false)
  const photos = aside.entries.flatMap(photosShown)
  const [entry] = aside.entries
  const canBeMended = aside.entries.length === 1 && entry && 'point' in entry.body
  const discard = () => {
    if (!sure) return setSure(true)
    void forgetPhotos(photos.map(({ id }) => id))
    void takeFromAside(aside)
  }
  const advice = ADVICE[aside.code ?? '']
  return (
    <Box layerStyle="ruleAbove" py="6px" data-aside={aside.id}>
      <Cluster>
        <Box flex="1" minW="220px">
          <Text>{aside.entries.map((one) => entryWords(one, inspection)).join('; ')}</Text>
          <SmallPrint>
            {whenHere(aside.at)}: {aside.reason}
          </SmallPrint>
          {advice && <Small>{advice}</Small>}
          {photos.length > 0 && (
            <HStack gap="6px" mt="4px">
              <Photos photos={photos} />
            </HStack>
          )}
        </Box>
        {canBeMended && (
          <Button variant="outline" aria-expanded={mending} onClick={() => setMending(!mending)}>
            Mend
          </Button>
        )}
        <Button variant="outline" onClick={() => void sendAgain(aside)}>
          Send again
        </Button>
        <Button variant="plain" onClick={discard}>
          {sure ? 'Discard for good' : 'Discard'}
        </Button>
      </Cluster>
      {mending && entry && <MendForm aside={aside} entry={entry} inspection={inspection} />}
    </Box>
  )
}
