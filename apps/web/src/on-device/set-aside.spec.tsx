/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { v7 as uuid } from 'uuid'
import type { EntryBodies, NewEntry } from '@plumb-mark/core'
import { asked, onScreen, openJob, sampleSheet, serverSays } from '../testing/job-on-screen.testing.js'
import { device } from '../offline/device-database.js'
import { putAside } from '../offline/set-aside.js'
import { useInspection } from '../job/inspection.js'
import { SetAsideList } from './set-aside-list.js'
import { UnreadHere } from './unread-here.js'

const user = userEvent.setup()
const UNIT = {
  kind: 'unit-fitted' as const,
  body: { id: 'inv', label: 'Inverter', sheetId: 'aldervane-ah-8t-c' },
}
const TORQUE = 'inv/dc-torque/pv1-plus'
const reading = (body: Partial<EntryBodies['reading']>): NewEntry =>
  ({
    id: uuid(),
    kind: 'reading',
    at: '2026-06-01T09:00:00Z',
    body: { point: TORQUE, typed: '2.4 N·m', value: 2.4, unit: 'N·m', relation: '=', ...body },
  }) as NewEntry

/** Opens the job with one step that the server did not take. */
async function setAside(code: string, reason: string, ...entries: NewEntry[]) {
  openJob([UNIT], { sheets: [sampleSheet('aldervane-ah-8t-c')] })
  const { entries: kept, sheets } = useInspection.getState()
  serverSays({ 'GET /api/jobs/j': { entries: kept, sheets: [...sheets.values()], instruments: [] } })
  await putAside({ id: 'a', jobId: 'j', by: 'p', at: '2026-06-01T09:00:05Z', entries, reason, code })
  onScreen(<SetAsideList />)
  return within(await screen.findByRole('region', { name: 'Set aside' }))
}
const sentEntries = () =>
  asked
    .filter(({ method, address }) => method === 'POST' && address.endsWith('/entries'))
    .flatMap(({ body }) => (body as { entries: NewEntry[] }).entries)

it('what was not taken stands with its words, the reason, and what is to be done about it', async () => {
  const row = await setAside('sealed', 'this job is signed and sealed', reading({}))
  expect(row.getByText('One entry was not taken by the server and set aside')).toBeVisible()
  expect(row.getByText(/2\.4 N·m/)).toBeVisible()
  expect(row.getByText(/: this job is signed and sealed$/)).toBeVisible()
  expect(row.getByText(/it belongs into a job of its own/)).toBeVisible()
})

it('sent again, it goes as it was, and leaves the list', async () => {
  const entry = reading({})
  const row = await setAside('unknown-photo', 'the photo is not there', entry)
  await user.click(row.getByRole('button', { name: 'Send again' }))
  await waitFor(() => expect(screen.queryByRole('region', { name: 'Set aside' })).toBeNull())
  expect(await device.aside.count()).toBe(0)
  await waitFor(() => expect(sentEntries()).toMatchObject([{ id: entry.id, body: { typed: '2.4 N·m' } }]))
})

it('a reading whose check is gone is handed to another, judged there, under an id of its own and at its time', async () => {
  const entry = reading({ point: 'inv/gone/x' as never })
  const row = await setAside('unknown-point', 'no check of this job is measured there', entry)
  await user.click(row.getByRole('button', { name: 'Mend' }))
  const check = row.getByLabelText('Check that it belongs to')
  expect(within(check).getByRole('option', { name: 'its check is gone: choose another' })).toBeVisible()
  await user.selectOptions(check, TORQUE)
  await user.clear(row.getByLabelText('Reading'))
  await user.type(row.getByLabelText('Reading'), '2.6 N·m')
  await user.click(row.getByRole('button', { name: 'Save and send' }))
  await waitFor(() => expect(sentEntries()).toHaveLength(1))
  const [sent] = sentEntries()
  expect(sent).toMatchObject({ at: entry.at, body: { point: TORQUE, typed: '2.6 N·m', value: 2.6 } })
  expect(sent!.id).not.toBe(entry.id)
  expect(await device.aside.count()).toBe(0)
})

it('what cannot be read as a reading is not sent: it stays set aside, and the reason is said', async () => {
  const row = await setAside('unreadable', 'it is no torque', reading({ typed: 'tight' as never }))
  await user.click(row.getByRole('button', { name: 'Mend' }))
  await user.click(row.getByRole('button', { name: 'Save and send' }))
  expect(row.getByRole('alert')).toHaveTextContent(/^Not taken: /)
  expect(sentEntries()).toEqual([])
  expect(await device.aside.count()).toBe(1)
})

it('a step of several entries is not mended one by one, and is discarded only when that is said twice', async () => {
  const row = await setAside(
    'not-open',
    'the first entry opens a job',
    reading({}),
    reading({ typed: '2.5 N·m' }),
  )
  expect(row.queryByRole('button', { name: 'Mend' })).toBeNull()
  await user.click(row.getByRole('button', { name: 'Discard' }))
  expect(await device.aside.count()).toBe(1)
  await user.click(row.getByRole('button', { name: 'Discard for good' }))
  await waitFor(() => expect(screen.queryByRole('region', { name: 'Set aside' })).toBeNull())
  expect(await device.aside.count()).toBe(0)
})

it('what another person was refused on this tablet is not shown to this one', async () => {
  openJob([UNIT], { sheets: [sampleSheet('aldervane-ah-8t-c')] })
  await putAside({
    id: 'b',
    jobId: 'j',
    by: 'another',
    at: '2026-06-01T09:00:05Z',
    entries: [reading({})],
    reason: 'sealed',
  })
  onScreen(<SetAsideList />)
  expect(screen.queryByRole('region', { name: 'Set aside' })).toBeNull()
})

it('what an earlier version kept and nobody can read is shown by its beginning, and stays until it is let go', async () => {
  openJob([])
  await device.unread.put({ key: 'outbox j', text: `{"entries":[${'x'.repeat(200)}` })
  onScreen(<UnreadHere />)
  expect(await screen.findByText(/^\{"entries":\[x+ …$/)).toBeVisible()
  expect(screen.getByText('212 characters')).toBeVisible()
  await user.click(screen.getByRole('button', { name: 'Discard' }))
  await waitFor(() => expect(screen.queryByText('Cannot be read')).toBeNull())
})
