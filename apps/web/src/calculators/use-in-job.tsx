import { Box, Button, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { may } from '@plumb-mark/core'
import type { JobPage, JobSummary } from '@plumb-mark/contract'
import type { CalculatorName } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { get } from '../data/api.js'
import { ChoiceField, type Option } from '../ui/choice-field.js'
import { keepCalculation } from './keep-calculation.js'
import { Cluster } from '../ui/cluster.js'

/** Keeps a calculation in a job: its inputs are appended to the record, its result is worked out again wherever it is shown. */
export function UseInJob({ name, input }: { name: CalculatorName; input: unknown }) {
  const role = useSession(({ person }) => person?.role)
  const [jobs, setJobs] = useState<JobSummary[]>()
  const [jobId, setJobId] = useState('')
  const [said, setSaid] = useState<{ ok: boolean; words: string }>()
  const [asking, setAsking] = useState(false)
  useEffect(() => {
    if (asking && !jobs)
      get<JobPage>('/api/jobs?state=open&limit=200').then(
        ({ jobs: open }) => setJobs(open),
        (problem: Error) => setSaid({ ok: false, words: problem.message }),
      )
  }, [asking, jobs])
  if (!may('calculation-kept', role)) return null
  const keep = async () => {
    try {
      await keepCalculation(jobId, name, input)
      setSaid({ ok: true, words: 'Kept in the job: it stands in its record and report.' })
      setAsking(false)
    } catch (problem) {
      setSaid({ ok: false, words: `Not kept: ${(problem as Error).message}` })
    }
  }
  return (
    <Box layerStyle="ruleAbove" mt="18px" pt="12px">
      {!asking && (
        <Button variant="outline" onClick={() => (setAsking(true), setSaid(undefined))}>
          Use this in a job
        </Button>
      )}
      {asking && (
        <Cluster alignItems="flex-end">
          <Box flex="1" minW="220px">
            <ChoiceField
              label="Job"
              value={jobId}
              options={[
                ['', 'choose'],
                ...(jobs ?? []).map(({ id, number, title }): Option => [id, `${number} ${title}`]),
              ]}
              onChange={setJobId}
            />
          </Box>
          <Button disabled={jobId === ''} onClick={() => void keep()}>
            Save there
          </Button>
        </Cluster>
      )}
      {said && (
        <Text role="status" mt="8px" color={said.ok ? 'accent' : 'danger'}>
          {said.words}
        </Text>
      )}
    </Box>
  )
}
