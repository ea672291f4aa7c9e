/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useLocation } from 'react-router'
import { queryClient } from '../data/query-client.js'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { FilterPanel, type Filter } from './filter-panel.js'
import { useListAddress } from './list-address.js'
import { Pager } from './pager.js'
import { SavedFilters } from './saved-filters.js'
import { thingFilters } from './things.js'

const user = userEvent.setup()
const FILTERS: Filter[] = [
  { name: 'severity', label: 'Severity', any: 'any', options: [['stop', 'stop']] },
  { name: 'from', label: 'From', type: 'date' },
]

function List() {
  const address = useListAddress()
  const { search } = useLocation()
  return (
    <>
      <output>{search}</output>
      <FilterPanel filters={FILTERS} address={address} />
      <SavedFilters view="defects" asked={address.asked} />
      <Pager page={address.page} total={120} onTurn={address.turnTo} />
    </>
  )
}
const list = (search: string, answers: Record<string, unknown> = {}) => {
  openJob([])
  queryClient().clear()
  serverSays({ 'GET /api/filters': [], ...answers })
  onScreen(<List />, { path: '/list', at: `/list${search}` })
}
const search = () => new URLSearchParams(screen.getByRole('status').textContent!)

it('what is asked stands in the address; whoever asks something else begins at the first page', async () => {
  list('?page=2')
  expect(screen.getByText('51 to 100 of 120')).toBeVisible()
  await user.click(screen.getByRole('button', { name: 'Filter' }))
  await user.selectOptions(screen.getByLabelText('Severity'), 'stop')
  expect(Object.fromEntries(search())).toEqual({ severity: 'stop' })
  expect(screen.getByRole('button', { name: 'Filter (1)' })).toBeVisible()
  await user.click(screen.getByRole('button', { name: 'Clear' }))
  expect([...search()]).toEqual([])
})

it('is turned page by page, and not beyond its ends', async () => {
  list('')
  expect(screen.getByRole('button', { name: 'Previous' })).toBeDisabled()
  await user.click(screen.getByRole('button', { name: 'Next' }))
  await user.click(screen.getByRole('button', { name: 'Next' }))
  expect(screen.getByText('101 to 120 of 120')).toBeVisible()
  expect(screen.getByRole('button', { name: 'Next' })).toBeDisabled()
})

it('a page that is none is the first', () => {
  list('?page=-3')
  expect(screen.getByText('1 to 50 of 120')).toBeVisible()
})

describe('a question that has a name', () => {
  const MINE = { id: 'f1', view: 'defects', name: 'Stops', query: 'severity=stop' }

  it('is kept without the page on which one stood', async () => {
    list('?page=2&severity=stop')
    await user.click(screen.getByRole('button', { name: 'Save this filter' }))
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled()
    await user.type(screen.getByLabelText('Name of the filter'), ' Stops ')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    await waitFor(() => expect(screen.queryByLabelText('Name of the filter')).toBeNull())
    const kept = asked.find(({ method }) => method === 'PUT')!
    expect(kept.address).toMatch(/^\/api\/filters\/[0-9a-f-]{36}$/)
    expect(kept.body).toEqual({ view: 'defects', name: 'Stops', query: 'severity=stop' })
  })

  it('that is asked already is not offered once more, and is gone when it is removed', async () => {
    list('?severity=stop', {
      'GET /api/filters': [MINE, { ...MINE, id: 'f2', view: 'jobs', name: 'Elsewhere' }],
    })
    expect(await screen.findByRole('link', { name: 'Stops' })).toHaveAttribute('aria-current', 'true')
    expect(screen.queryByRole('link', { name: 'Elsewhere' })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Save this filter' })).toBeNull()
    serverSays({ 'GET /api/filters': [], 'DELETE /api/filters/f1': {} })
    await user.click(screen.getByRole('button', { name: 'Remove the filter Stops' }))
    await waitFor(() => expect(screen.queryByRole('link', { name: 'Stops' })).toBeNull())
    expect(asked.map(({ method, address }) => `${method} ${address}`)).toContain('DELETE /api/filters/f1')
  })

  it('that could not be kept says why, and keeps the name that was typed', async () => {
    list('?severity=stop')
    await user.click(screen.getByRole('button', { name: 'Save this filter' }))
    await user.type(screen.getByLabelText('Name of the filter'), 'Stops')
    const answers = { 'GET /api/filters': [] }
    serverSays(answers)
    globalThis.fetch = (async () => refusal(409, 'too-many', 'a person keeps 50 filters')) as typeof fetch
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(await screen.findByText('a person keeps 50 filters')).toBeVisible()
    expect(screen.getByLabelText('Name of the filter')).toHaveValue('Stops')
  })
})

it('models are those of the maker that was chosen, each once', () => {
  const things = [
    { maker: 'Aldervane', model: 'AH-8T' },
    { maker: 'Aldervane', model: 'AH-8T' },
    { maker: 'Thrumcap', model: 'TB-10' },
  ]
  const models = (maker: string) => (thingFilters(things, maker)[1] as { options: unknown }).options
  expect((thingFilters(things, '')[0] as { options: unknown }).options).toEqual([
    ['Aldervane', 'Aldervane'],
    ['Thrumcap', 'Thrumcap'],
  ])
  expect(models('')).toEqual([
    ['AH-8T', 'AH-8T'],
    ['TB-10', 'TB-10'],
  ])
  expect(models('Thrumcap')).toEqual([['TB-10', 'TB-10']])
})
