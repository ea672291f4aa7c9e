import { Box, Button, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { BackupState } from '@plumb-mark/contract'
import { post, put } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Mono, Note } from '../ui/theme/text.js'
import { ago } from '../ui/ago.js'
import { Problem } from '../ui/problem.js'
import { Row, Section } from '../ui/section.js'
import { sizeWords } from '../ui/size-words.js'
import { Cluster } from '../ui/cluster.js'
import { TextField } from '../ui/text-field.js'
import { whenHere } from '../data/here-time.js'

const ADDRESS = '/api/office/backups'

/** When it is taken: saved when it was typed to its end, since each figure on the way is an hour of its own. */
function Hour({ at, onSave }: { at: string; onSave: (at: string) => void }) {
  const [typed, setTyped] = useState(at)
  return (
    <Cluster
      as="form"
      mt="12px"
      alignItems="end"
      onSubmit={(event) => (event.preventDefault(), onSave(typed))}
    >
      <TextField
        label="Taken at, by the clock of the machine"
        type="time"
        value={typed}
        onChange={setTyped}
      />
      <Button type="submit" variant="outline" disabled={typed === '' || typed === at}>
        Save
      </Button>
    </Cluster>
  )
}

/** The last good backup and its age, what is kept, and when the next is taken. */
export function Backups() {
  const { value, problem, reload } = useResource<BackupState>(ADDRESS)
  const [fault, setFault] = useState('')
  const [working, setWorking] = useState(false)
  const act = async (work: () => Promise<unknown>) => {
    setFault('')
    setWorking(true)
    try {
      await work()
      await reload()
    } catch (why) {
      setFault((why as Error).message)
    } finally {
      setWorking(false)
    }
  }
  if (!value) return <Problem mt="14px">{problem}</Problem>
  const { last, late, at, folder, kept, failed, withKey } = value
  return (
    <Box>
      <Text mt="18px" fontSize="22px" color={late ? 'danger' : undefined} fontWeight={600} role="status">
        {last ? `The last good backup was taken ${ago(last.at)}.` : 'No backup has been taken.'}
      </Text>
      {last && (
        <Note>
          {whenHere(last.at)}, {last.files} files, {sizeWords(last.bytes)}, read again and compared with their
          digests
        </Note>
      )}
      {failed && <Problem mt="8px">The last try failed: {failed}</Problem>}
      <Problem mt="8px">{fault}</Problem>
      <Section
        title="Every night"
        actions={
          <Button onClick={() => void act(() => post(ADDRESS))} loading={working} loadingText="Backing up">
            Back up now
          </Button>
        }
      >
        <Note mt="8px">
          Into {folder}. Kept are the last of each of 7 days, 4 weeks and 12 months. Copy this folder to
          another machine; do not copy the data folder itself while the program runs, since the database and
          its journal would not belong together.
        </Note>
        <Note mt="8px">
          {withKey
            ? 'The key of the seals lies in them under the passphrase that the program was started with.'
            : 'The key of the seals is not in them: keep a copy of seal-key.pem elsewhere, or start the program with --backup-passphrase-file.'}{' '}
          Who is signed in is left out.
        </Note>
        <Hour key={at} at={at} onSave={(next) => void act(() => put(ADDRESS, { at: next }))} />
      </Section>
      <Section title="Kept">
        {kept.map((one) => (
          <Row key={one.name}>
            <Mono flex="1" overflowWrap="anywhere">
              {one.name}
            </Mono>
            <Note>{ago(one.at)}</Note>
          </Row>
        ))}
      </Section>
    </Box>
  )
}
