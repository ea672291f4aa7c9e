import { Button, Stack } from '@chakra-ui/react'
import { Link } from 'react-router'
import { DemoJobs } from './demo-jobs.js'
import { Cluster } from '../ui/cluster.js'

/** A job of one's own, or a list of them; and jobs of others to look round in. */
export const FirstJob = () => (
  <Stack gap="16px">
    <Cluster>
      <Button asChild>
        <Link to="/jobs/new">Open the first job</Link>
      </Button>
      <Button asChild variant="outline">
        <Link to="/import">Jobs from a spreadsheet</Link>
      </Button>
    </Cluster>
    <DemoJobs />
  </Stack>
)
