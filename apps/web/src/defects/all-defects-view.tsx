import { Text } from '@chakra-ui/react'
import { DEFECT_STATES, type DefectPage } from '@plumb-mark/contract'
import { SEVERITIES } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { Page } from '../layout/page.js'
import { RowsComing } from '../ui/rows-coming.js'
import { useResource } from '../data/resource.js'
import { FilterPanel, type Filter } from '../lists/filter-panel.js'
import { useListAddress } from '../lists/list-address.js'
import { Pager } from '../lists/pager.js'
import { SavedFilters } from '../lists/saved-filters.js'
import { SearchField } from '../lists/search-field.js'
import { thingFilters, useThings } from '../lists/things.js'
import { optionsOf } from '../ui/choice-field.js'
import { DefectTable } from './defect-table.js'
import { Cluster } from '../ui/cluster.js'
import { lazyPart } from '../ui/lazy-part.js'

const ComesBack = lazyPart(async () => (await import('./comes-back.js')).ComesBack)
const Patterns = lazyPart(async () => (await import('./patterns.js')).Patterns)
const STATE_WORDS = { open: 'open', closed: 'closed', all: 'open and closed' } as const

/** The defects of all jobs: what is owed, and what comes back. */
export function AllDefectsView() {
  const role = useSession(({ person }) => person?.role)
  const address = useListAddress()
  const { value, ask, query, page, turnTo, asked } = address
  const { value: data, problem } = useResource<DefectPage>(`/api/defects?${withoutBy(query)}`, {
    keepsPrevious: true,
  })
  const filters = useFilters(value('maker'))
  return (
    <Page title="Defects across jobs" width="1100px" problem={problem}>
      <Cluster mt="14px" alignItems="flex-end">
        <SearchField label="Defect, place, job, serial" value={value('q')} onSearch={(q) => ask({ q })} />
        <FilterPanel filters={filters} address={address} />
      </Cluster>
      <SavedFilters view="defects" asked={asked} />
      {role !== 'installer' && <ComesBack address={address} />}
      {!data && !problem && <RowsComing height="72px" />}
      {data?.total === 0 && <Text mt="16px">{whyNone(asked.size > 0, data.note)}</Text>}
      {data && data.total > 0 && <DefectTable defects={data.defects} total={data.total} />}
      {data && <Pager page={page} total={data.total} onTurn={turnTo} />}
      {role === 'installer' && <Patterns />}
    </Page>
  )
}

function whyNone(narrowed: boolean, note: string | undefined): string {
  if (note !== undefined) return `Nothing was found: ${note}.`
  return narrowed
    ? 'No defect is like that. Take a filter away, or search for less.'
    : 'No defect is open in any job.'
}

/** By what the chart counts is no question to the list. */
export function withoutBy(query: string): string {
  const kept = new URLSearchParams(query)
  kept.delete('by')
  return kept.toString()
}

function useFilters(maker: string): Filter[] {
  const things = useThings()
  return [
    {
      name: 'state',
      label: 'State',
      any: STATE_WORDS.open,
      options: optionsOf(
        DEFECT_STATES.filter((state) => state !== 'open'),
        STATE_WORDS,
      ),
    },
    { name: 'severity', label: 'Severity', any: 'any', options: optionsOf(SEVERITIES, (one) => one) },
    ...thingFilters(things, maker),
    { name: 'revision', label: 'Revision of the sheet', type: 'text' },
    { name: 'clause', label: 'Clause', type: 'text' },
    { name: 'installer', label: 'Installer', type: 'text' },
    { name: 'month', label: 'Month, as 2026-06', type: 'text' },
  ]
}
