import { Text, chakra } from '@chakra-ui/react'
import { Link } from 'react-router'
import type { JobSummary } from '@plumb-mark/contract'
import { SEVERITIES, STAGES, STAGE_TITLES } from '@plumb-mark/core'
import { dayHere } from '../data/here-time.js'
import { Due } from '../ui/due.js'
import { Faint, Lead, Note } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { Cluster } from '../ui/cluster.js'

const Row = chakra(Link, {
  base: {
    display: 'block',
    py: '20px',
    px: { base: '4px', md: '12px' },
    borderBottom: '1px solid',
    borderColor: 'hair',
    _hover: { bg: 'panel' },
  },
})

/** A job: where it is, what it is waiting for, and what is wrong in it. */
export function JobRow({ job, to }: { job: JobSummary; to: string }) {
  const open = SEVERITIES.filter((severity) => job.open[severity] > 0)
  const stages = STAGES.filter((stage) => job.left[stage])
  return (
    <Row to={to}>
      <Cluster gap="14px" alignItems="baseline">
        <Note fontFamily="mono">{job.number}</Note>
        <Text as="h2" fontSize="21px" fontWeight={600} lineHeight={1.2}>
          {job.title}
        </Text>
        <Due day={job.due ?? ''} over={job.overdue ?? false} say={dayHere} />
        {job.archived && <Note>archived</Note>}
      </Cluster>
      <Faint mt="2px">{job.site}</Faint>
      <Lead mt="10px" maxW="70ch">
        <Text as="span" color={job.sealed ? 'accent' : 'unproven'} fontWeight={600}>
          {'Waiting for '}
        </Text>
        {job.waitingFor}
      </Lead>
      {job.problem && <Problem mt="6px">{job.problem}</Problem>}
      <Cluster gap="18px" mt="8px" fontSize="14px" color="faint">
        {open.map((severity) => (
          <Text
            key={severity}
            color={severity === 'stop' || severity === 'major' ? 'danger' : 'faint'}
            fontWeight={severity === 'stop' ? 700 : 400}
          >
            {job.open[severity]} {severity} open
          </Text>
        ))}
        {stages.map((stage) => (
          <Text key={stage}>
            {STAGE_TITLES[stage]}: {job.left[stage]} to inspect
          </Text>
        ))}
      </Cluster>
    </Row>
  )
}
