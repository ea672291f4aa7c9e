import { Box, chakra } from '@chakra-ui/react'
import { madeVoid, type Deed, type Inspection } from '@plumb-mark/core'
import { Note, PartHeading, Strong } from '../ui/theme/text.js'
import { useSiteTime } from '../job/site-time.js'

/** What people who worked apart made void of each other's work; nothing where nobody did. */
export function MadeVoidList({ inspection }: { inspection: Inspection }) {
  const { when } = useSiteTime()
  const found = madeVoid(inspection)
  if (found.length === 0) return null
  const who = ({ by, at }: Deed) => `${by.name}, ${when(at)}`
  return (
    <Box mt="26px">
      <PartHeading>Entered, and without effect since</PartHeading>
      <Note>It stays in the record. Agree with whoever entered it which of the two is how it stands.</Note>
      {found.map(({ because, deeds }) => (
        <Box key={`${because.at}${because.what}`} mt="10px">
          <Strong>
            {because.what}{' '}
            <Note as="span" fontWeight={400}>
              {who(because)}
            </Note>
          </Strong>
          <chakra.ul pl="20px">
            {deeds.map((one) => (
              <li key={`${one.at}${one.what}`}>
                {one.what} <Note as="span">{who(one)}</Note>
              </li>
            ))}
          </chakra.ul>
        </Box>
      ))}
    </Box>
  )
}
