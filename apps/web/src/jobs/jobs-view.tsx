import { Button, Stack, Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import { JOB_STATES, WAITED_FOR, type JobPage } from '@plumb-mark/contract'
import { SEVERITIES, STAGES, STAGE_TITLES } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { Page } from '../layout/page.js'
import { useResource } from '../data/resource.js'
import { FilterPanel, type Filter } from '../lists/filter-panel.js'
import { useListAddress } from '../lists/list-address.js'
import { Pager } from '../lists/pager.js'
import { SavedFilters } from '../lists/saved-filters.js'
import { SearchField } from '../lists/search-field.js'
import { thingFilters, useThings } from '../lists/things.js'
import { Note } from '../ui/theme/text.js'
import { RowsComing } from '../ui/rows-coming.js'
import { ChoiceField, optionsOf, type Option } from '../ui/choice-field.js'
import { JobRow } from './job-row.js'
import { Cluster } from '../ui/cluster.js'

const STATE_WORDS = {
  open: 'open',
  sealed: 'signed and sealed',
  current: 'open and sealed',
  archived: 'archived',
} as const
const SORTS: Option[] = [
  ['changed', 'changed last'],
  ['open', 'worst first'],
  ['number', 'number'],
  ['title', 'title'],
  ['site', 'site'],
]

/** Every job with what it is waiting for: searched, narrowed and put in order by the server. */
export function JobsView() {
  const role = useSession(({ person }) => person?.role)
  const address = useListAddress()
  const { value, ask, query, page, turnTo, asked } = address
  const { value: data, problem } = useResource<JobPage>(`/api/jobs?${query}`, { keepsPrevious: true })
  const filters = useFilters(value('maker'))
  return (
    <Page
      title="Jobs"
      width="940px"
      problem={problem}
      actions={
        <>
          {role === 'office' && (
            <Button asChild variant="outline">
              <Link to="/import">Import</Link>
            </Button>
          )}
          {(role === 'inspector' || role === 'office') && (
            <Button asChild>
              <Link to="/jobs/new">New job</Link>
            </Button>
          )}
        </>
      }
    >
      <Cluster mt="14px" alignItems="flex-end">
        <SearchField
          label="Number, site, customer, serial, defect"
          value={value('q')}
          onSearch={(q) => ask({ q })}
        />
        <FilterPanel filters={filters} address={address}>
          <ChoiceField
            label="Order"
            value={value('sort') || 'changed'}
            options={SORTS}
            onChange={(sort) => ask({ sort: sort === 'changed' ? undefined : sort })}
          />
        </FilterPanel>
      </Cluster>
      <SavedFilters view="jobs" asked={asked} />
      {data && data.beingRead > 0 && (
        <Note mt="8px" role="status">
          {data.beingRead} jobs are being read again since the program was renewed: until then they are found
          by their number, title and site only.
        </Note>
      )}
      {!data && !problem && <RowsComing height="92px" />}
      {data?.total === 0 && <NoJobs narrowed={asked.size > 0} role={role} note={data.note} />}
      <Stack gap="0" mt="10px">
        {data?.jobs.map((job) => (
          <JobRow key={job.id} job={job} to={`/jobs/${job.id}/${role === 'installer' ? 'rework' : 'walk'}`} />
        ))}
      </Stack>
      {data && <Pager page={page} total={data.total} onTurn={turnTo} />}
    </Page>
  )
}

function NoJobs({
  narrowed,
  role,
  note,
}: {
  narrowed: boolean
  role: string | undefined
  /** Why the search found nothing. */
  note: string | undefined
}) {
  const words = note
    ? `Nothing was found: ${note}.`
    : narrowed
      ? 'No job is like that. Take a filter away, or search for less.'
      : role === 'installer'
        ? 'No job is shared with you yet. The inspector shares a job when there is something to rework.'
        : role === 'reviewer'
          ? 'No job waits for you.'
          : 'No jobs yet. Open the first with “New job”.'
  return (
    <>
      <Text mt="16px">{words}</Text>
      {role === 'office' && !narrowed && !note && (
        <Button asChild mt="12px">
          <Link to="/start">Getting started: five things</Link>
        </Button>
      )}
    </>
  )
}

function useFilters(maker: string): Filter[] {
  const things = useThings()
  return [
    {
      name: 'state',
      label: 'State',
      any: STATE_WORDS.current,
      options: optionsOf(
        JOB_STATES.filter((state) => state !== 'current'),
        STATE_WORDS,
      ),
    },
    {
      name: 'waits',
      label: 'Waiting for',
      any: 'anybody',
      options: optionsOf(WAITED_FOR, (who) => `the ${who}`),
    },
    { name: 'stage', label: 'Left to inspect', any: 'any stage', options: optionsOf(STAGES, STAGE_TITLES) },
    {
      name: 'severity',
      label: 'Open defects',
      any: 'any or none',
      options: optionsOf(SEVERITIES, (one) => one),
    },
    ...thingFilters(things, maker),
    { name: 'serial', label: 'Serial number', type: 'text' },
    { name: 'site', label: 'Site', type: 'text' },
    { name: 'from', label: 'Changed from', type: 'date' },
    { name: 'to', label: 'Changed until', type: 'date' },
  ]
}
