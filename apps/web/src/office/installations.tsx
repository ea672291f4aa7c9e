import { Box, Button, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Installations as Known } from '@plumb-mark/contract'
import { post, remove } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Note, Strong } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { Row, Section } from '../ui/section.js'
import { whenHere } from '../data/here-time.js'

const ADDRESS = '/api/office/installations'

/** Our own key, as others compare it, and the installations whose word is accepted. */
export function Installations() {
  const { value, problem, reload } = useResource<Known>(ADDRESS)
  const [refused, setRefused] = useState('')
  const act = (work: () => Promise<unknown>) =>
    work().then(
      () => (setRefused(''), reload()),
      (fault: Error) => setRefused(fault.message),
    )
  const forget = (id: string) => act(() => remove(`${ADDRESS}/${id}`))
  return (
    <>
      <Problem mt="10px">{problem || refused}</Problem>
      {value && (
        <>
          {value.warning && (
            <Box role="alert" mt="14px" p="14px" bg="dangerWash" borderRadius="4px">
              <Strong>Attention: {value.warning}.</Strong>
              <Button mt="8px" variant="outline" onClick={() => void act(() => post(`${ADDRESS}/own-key`))}>
                This key is right
              </Button>
            </Box>
          )}
          <Section title="Our key">
            <Note mt="10px">
              With it this installation signs what it seals and exports. Read it to whoever shall accept your
              records: by telephone or on paper, not beside the file.
            </Note>
            <Fingerprint of={value.own} />
            {value.former.map(({ key, until }) => (
              <Box key={key}>
                <Note mt="8px">Until {whenHere(until)}; what it signed stays ours.</Note>
                <Fingerprint of={key} />
              </Box>
            ))}
          </Section>
          <Section title="Installations whose word is accepted">
            {value.accepted.length === 0 && (
              <Note mt="10px">
                None yet. A record that another installation signed can be read; after its key was accepted,
                at the import of a record, it may also continue jobs here.
              </Note>
            )}
            {value.accepted.map(({ id, key, name, acceptedAt, acceptedBy }) => (
              <Row key={id}>
                <Box flex="1" minW="240px">
                  <Strong>{name}</Strong>
                  <Fingerprint of={key} />
                  <Note>
                    accepted by {acceptedBy}, {whenHere(acceptedAt)}
                  </Note>
                </Box>
                <Button variant="plain" onClick={() => void forget(id)}>
                  Remove
                </Button>
              </Row>
            ))}
          </Section>
        </>
      )}
    </>
  )
}

function Fingerprint({ of }: { of: string }) {
  return (
    <Text fontFamily="mono" fontSize={{ base: '16px', md: '19px' }} overflowWrap="anywhere">
      {of}
    </Text>
  )
}
