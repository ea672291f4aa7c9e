/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
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

it('of one with a bad row nothing is sent, and the row is named', async () => {
  await choose(file(GOOD, 'PM-2,Shed,Mill Lane,Nobody,,Eve,'))
  await user.click(await screen.findByRole('button', { name: /^Take/ }))
  expect(await screen.findByText(/row 3.*nobody here is called “Eve”/i)).toBeInTheDocument()
  expect(sent()).toEqual([])
})

it('what the server refuses is said, and nothing counts as opened', async () => {
  await choose(file(GOOD), {
    'POST /api/jobs/import': refusal(409, 'number-taken', 'another job has the number PM-1 already'),
  })
  await user.click(await screen.findByRole('button', { name: /^Take/ }))
  expect(await screen.findByText(/another job has the number PM-1 already/)).toBeInTheDocument()
  expect(screen.queryByText(/opened\./)).toBeNull()
})
