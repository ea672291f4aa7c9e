import { Box, Button, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { SampleRecords } from '@plumb-mark/contract'
import { plural } from '@plumb-mark/core'
import { post, remove } from '../data/api.js'
import { useReload, useResource } from '../data/resource.js'
import { Problem } from '../ui/problem.js'
import { Note } from '../ui/theme/text.js'

const ADDRESS = '/api/samples/records'

/** Jobs of invented sites, to look round in; they lie beside the firm's own jobs, and leave without a trace. */
export function DemoJobs() {
  const { value } = useResource<SampleRecords>(ADDRESS)
  const reload = useReload()
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState('')
  if (!value || value.count === 0) return null
  const act = async (work: () => Promise<unknown>) => {
    setBusy(true)
    setProblem('')
    try {
      await work()
      await reload(ADDRESS, '/api/records')
    } catch (fault) {
      setProblem((fault as Error).message)
    } finally {
      setBusy(false)
    }
  }
  const { here, count } = value
  return (
    <Box layerStyle="ruleAbove" as="section" aria-label="Demo jobs" pt="10px">
      <Box fontWeight={600}>Demo jobs, for looking round</Box>
      <Note>
        Finished and half-finished inspections of sites that do not exist. They can be read, not worked on,
        are in no list of yours and no count, and can be removed again.
      </Note>
      <ul>
        {here.map(({ id, number, title }) => (
          <chakra.li key={id} py="10px">
            <Link to={`/jobs/${id}`}>
              {number} · {title}
            </Link>
          </chakra.li>
        ))}
      </ul>
      <Problem>{problem}</Problem>
      {here.length < count && (
        <Button variant="outline" mt="8px" loading={busy} onClick={() => void act(() => post(ADDRESS))}>
          Add {plural(count - here.length, 'demo job')}
        </Button>
      )}
      {here.length > 0 && (
        <Button variant="outline" mt="8px" loading={busy} onClick={() => void act(() => remove(ADDRESS))}>
          Remove the demo jobs again
        </Button>
      )}
    </Box>
  )
}
