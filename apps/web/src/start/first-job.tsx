import { Button, Flex, Stack } from '@chakra-ui/react'
import { Link } from 'react-router'
import { Note } from '../ui/theme/text.js'

/** A job of one's own, a list of them, or one that leaves no trace. */
export const FirstJob = () => (
  <Stack gap="10px">
    <Flex gap="10px" wrap="wrap">
      <Button asChild>
        <Link to="/jobs/new">Open the first job</Link>
      </Button>
      <Button asChild variant="outline">
        <Link to="/import">Jobs from a spreadsheet</Link>
      </Button>
      <Button asChild variant="outline">
        <Link to="/practice">A practice job, which leaves no trace</Link>
      </Button>
    </Flex>
    <Note>
      Practice makes up an installation with faults hidden in it, and says afterwards what was found.
    </Note>
  </Stack>
)
