import { Button, Flex } from '@chakra-ui/react'
import { Link } from 'react-router'

/** A job of one's own, or a list of them. */
export const FirstJob = () => (
  <Flex gap="10px" wrap="wrap">
    <Button asChild>
      <Link to="/jobs/new">Open the first job</Link>
    </Button>
    <Button asChild variant="outline">
      <Link to="/import">Jobs from a spreadsheet</Link>
    </Button>
  </Flex>
)
