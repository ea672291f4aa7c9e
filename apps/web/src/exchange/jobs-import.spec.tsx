/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { JobsImport } from './jobs-import.js'

const user = userEvent.setup()
const SERVER = {
  'GET /api/sheets': [
    { id: 'nobody-n-5-b', maker: 'Nobody', model: 'N-5', revision: 'B' },
    { id: 'nobody-n-5-c', maker: 'Nobody', model: 'N-5', revision: 'C' },
  ],
  'GET /api/people': [{ id: 'p', name: 'Ada', role: 'inspector' }],
}
const file = (...lines: string[]) =>
  new File([['number,title,site,customer,units,people,due', ...lines].join('\n')], 'jobs.csv')
const GOOD = 'PM-1,Barn,Mill Lane,Nobody,2 x Nobody N-5,Ada,2026-12-04'
const choose = async (chosen: File, answers: Record<string, unknown> = {}) => {
  openJob([], { role: 'office' })
  serverSays({ ...SERVER, ...answers })
  onScreen(<JobsImport />)
  await user.upload(screen.getByLabelText('File of jobs'), chosen)
}
const sent = () => asked.filter(({ method }) => method === 'POST')

it('a spreadsheet is looked at first, and its jobs are opened all together, by the newest sheets', async () => {
  await choose(file(GOOD), { 'POST /api/jobs/import': {} })
  expect(sent()).toEqual([])
  await user.click(await screen.findByRole('button', { name: /^Take/ }))
  expect(await screen.findByText('1 job opened.')).toBeInTheDocument()
  expect(sent()).toMatchObject([
    {
      address: '/api/jobs/import',
      body: {
        jobs: [
          {
            number: 'PM-1',
            units: [{ sheetId: 'nobody-n-5-c', count: 2 }],
            people: ['p'],
            due: '2026-12-04',
          },
        ],
      },
    },
  ])
})

it('of one with a bad row nothing can be taken, and the row is named before anybody tries', async () => {
  await choose(file(GOOD, 'PM-2,Shed,Mill Lane,Nobody,,Eve,'))
  expect(await screen.findByText(/row 3.*nobody here is called “Eve”/i)).toBeInTheDocument()
  expect(screen.getByRole('button', { name: /^Take/ })).toBeDisabled()
  // A column that is not wanted is left out, and what stood in it with it.
  await user.selectOptions(screen.getByLabelText('people'), 'not in this file')
  expect(screen.queryByText(/nobody here is called/)).toBeNull()
  expect(screen.getByRole('button', { name: /^Take/ })).toBeEnabled()
  expect(sent()).toEqual([])
})

it('its first rows stand under the names of the fields, so that a wrong column is seen', async () => {
  await choose(file(GOOD, ...[2, 3, 4, 5, 6].map((n) => `PM-${n},Shed ${n},Mill Lane,Nobody,,,`)))
  const [head, first, second] = within(await screen.findByRole('table', { name: 'Preview' })).getAllByRole(
    'row',
  )
  expect(head).toHaveTextContent('numbertitlesitecustomerunitspeopledue')
  expect(first).toHaveTextContent('PM-1BarnMill LaneNobody2 x Nobody N-5Ada2026-12-04')
  expect(second).toHaveTextContent('PM-2Shed 2Mill LaneNobody')
  expect(screen.getByText('and 2 more rows')).toBeVisible()
  await user.selectOptions(screen.getByLabelText('title (needed)'), 'customer')
  expect(first).toHaveTextContent('PM-1NobodyMill LaneNobody')
})

it('what the server refuses is said, and nothing counts as opened', async () => {
  await choose(file(GOOD), {
    'POST /api/jobs/import': refusal(409, 'number-taken', 'another job has the number PM-1 already'),
  })
  await user.click(await screen.findByRole('button', { name: /^Take/ }))
  expect(await screen.findByText(/another job has the number PM-1 already/)).toBeInTheDocument()
  expect(screen.queryByText(/opened\./)).toBeNull()
})
