/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { PART_TITLES, USUAL_PARTS } from '@plumb-mark/report'
import { useInspection } from '../job/inspection.js'
import { PRACTICE_JOB } from '../offline/practice-job.js'
import {
  onScreen,
  openJob,
  refusal,
  sampleSheet,
  serverSays,
  type Change,
} from '../testing/job-on-screen.testing.js'
import { Shown } from './blocks.js'
import { ReportView } from './report-view.js'

const user = userEvent.setup()
const SHEET = 'aldervane-ah-8t-c'
const UNIT: Change = { kind: 'unit-fitted', body: { id: 'a', label: 'Inverter 1', sheetId: SHEET } }
const PLAIN = { letterhead: { name: '', lines: [] }, paper: 'a4', parts: USUAL_PARTS }
const shown = (answers: Record<string, unknown> = {}, at = '/jobs/j/report') => {
  openJob([UNIT], { sheets: [sampleSheet(SHEET)] })
  serverSays({ 'GET /api/office/report': PLAIN, ...answers })
  onScreen(<ReportView />, { path: '/jobs/:jobId/report', at })
}
const contents = () =>
  within(screen.getByRole('navigation', { name: 'Contents' }))
    .getAllByRole('link')
    .map(({ textContent }) => textContent)
const LOOK = {
  letterhead: { name: 'Weir & Line', lines: ['Lock Lane 2', 'call 555'] },
  paper: 'letter',
  parts: { record: ['front', 'limits'], customer: ['summary', 'limits'] },
}

it('without a word of the office it has the usual parts, on A4, for the record', () => {
  shown({ 'GET /api/office/report': refusal(503, 'down', 'no answer') })
  expect(screen.getByLabelText('Report for')).toHaveValue('record')
  expect(screen.getByLabelText('Paper')).toHaveValue('a4')
  const usual = USUAL_PARTS.record.map((id) => PART_TITLES[id])
  expect(usual).toEqual(expect.arrayContaining(contents()))
  expect(contents()).toEqual(expect.arrayContaining(['Inspection report', 'Checks by stage', 'Signature']))
})

it('has the parts, the paper and the letterhead that the office chose', async () => {
  shown({ 'GET /api/office/report': LOOK })
  expect(await screen.findByText('Weir & Line')).toBeVisible()
  expect(screen.getByText('Lock Lane 2')).toBeVisible()
  expect(screen.getByLabelText('Paper')).toHaveValue('letter')
  expect(contents()).toEqual([PART_TITLES.front, PART_TITLES.limits])
  await user.selectOptions(screen.getByLabelText('Report for'), 'the customer')
  expect(contents()).toEqual([PART_TITLES.summary, PART_TITLES.limits])
})

it('for whom and on which paper stands in the address; a word that is none is the record', async () => {
  shown({ 'GET /api/office/report': LOOK }, '/jobs/j/report?for=customer&paper=a4')
  await screen.findByText('Weir & Line')
  expect(screen.getByLabelText('Report for')).toHaveValue('customer')
  expect(screen.getByLabelText('Paper')).toHaveValue('a4')
})

it('a word that is none in the address is the record', () => {
  shown({}, '/jobs/j/report?for=everybody&paper=foolscap')
  expect(screen.getByLabelText('Report for')).toHaveValue('record')
  expect(screen.getByLabelText('Paper')).toHaveValue('a4')
})

it('each part is a section under its title, and the contents lead to it', () => {
  shown()
  for (const link of within(screen.getByRole('navigation', { name: 'Contents' })).getAllByRole('link')) {
    const id = link.getAttribute('href')!.slice(1)
    expect(document.getElementById(id)).toHaveAccessibleName(link.textContent!)
  }
})

it('says of an open record that it is a working copy, and of a broken one that it is broken', () => {
  shown()
  expect(screen.getByText(/not signed: this is a working copy/)).toBeVisible()
})

it('a record that is broken says so on its first page', () => {
  openJob([UNIT], { sheets: [sampleSheet(SHEET)] })
  useInspection.setState({ broken: ['entry 3 was changed'] })
  serverSays({ 'GET /api/office/report': PLAIN })
  onScreen(<ReportView />, { path: '/jobs/:jobId/report', at: '/jobs/j/report' })
  expect(screen.getAllByText(/BROKEN/)[0]).toBeVisible()
  useInspection.setState({ broken: [] })
})

it('is printed as it stands', async () => {
  const print = jest.fn()
  Object.assign(window, { print })
  shown()
  expect(screen.getByRole('button', { name: 'PDF report' })).toBeVisible()
  await user.click(screen.getByRole('button', { name: 'Print this page' }))
  expect(print).toHaveBeenCalledTimes(1)
})

it('of the practice job no server makes a file', () => {
  shown({}, `/jobs/${PRACTICE_JOB}/report`)
  expect(screen.queryByRole('button', { name: 'PDF report' })).toBeNull()
  expect(screen.getByRole('button', { name: 'Print this page' })).toBeVisible()
})

describe('what a block looks like', () => {
  it('a table names each column, and a verdict in it has its mark', () => {
    onScreen(
      <Shown
        block={{
          kind: 'table',
          columns: [{ head: 'check' }, { head: 'verdict' }, { head: '' }],
          rows: [['Gap', { verdict: 'does-not-conform' }, { text: 'x', as: 'danger' }]],
        }}
      />,
    )
    expect(screen.getAllByRole('columnheader').map(({ textContent }) => textContent)).toEqual([
      'check',
      'verdict',
    ])
    expect(screen.getByRole('cell', { name: /does not conform/ })).toBeVisible()
    // Wider than the page it is scrolled, by keys as well.
    expect(screen.getByRole('group', { name: 'Table: check' })).toHaveAttribute('tabindex', '0')
  })
  it('a drawing is a picture with words, which runs nothing', () => {
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>'
    onScreen(<Shown block={{ kind: 'drawing', svg, alt: 'Wall', caption: 'To scale', height: 10 }} />)
    expect(screen.getByRole('img', { name: 'Wall' })).toHaveAttribute(
      'src',
      expect.stringMatching(/^data:image\/svg\+xml,/),
    )
    expect(document.querySelector('svg[onload]')).toBeNull()
  })
  it('a verdict without words is left out', () => {
    onScreen(<Shown block={{ kind: 'verdict', verdict: 'conforms', text: '' }} />)
    expect(document.querySelector('svg')).toBeNull()
  })
  it('a code says its address in letters too', () => {
    onScreen(<Shown block={{ kind: 'code', address: 'https://x.example/1', caption: 'Opens the rework' }} />)
    expect(screen.getByText('https://x.example/1')).toBeVisible()
    expect(screen.getByText('Opens the rework')).toBeVisible()
  })
})
