import { Button } from '@chakra-ui/react'
import type { JobPage } from '@plumb-mark/contract'
import { put } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { Section } from '../ui/section.js'

/** The office puts a job away from the lists, or back; the record stays as it is. */
export function ArchivePart({ jobId, number }: { jobId: string; number: string }) {
  const { value, problem, reload } = useResource<JobPage>(
    `/api/jobs?state=archived&q=${encodeURIComponent(number)}`,
  )
  const archived = value?.jobs.some(({ id }) => id === jobId)
  const turn = () => void put(`/api/jobs/${jobId}/archived`, { archived: !archived }).then(reload)
  return (
    <Section
      title="Archive"
      actions={
        <Button variant="outline" onClick={turn} disabled={archived === undefined}>
          {archived ? 'Put back' : 'Archive this job'}
        </Button>
      }
    >
      <Note mt="8px">
        {archived
          ? 'This job is archived: it is listed under the state “archived” only.'
          : 'An archived job leaves the lists; its record stays as it is, and can be found, opened and exported.'}
      </Note>
      <Problem mt="8px">{problem}</Problem>
    </Section>
  )
}
