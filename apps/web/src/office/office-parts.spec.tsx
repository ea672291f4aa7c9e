/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { PART_TITLES, USUAL_PARTS } from '@plumb-mark/report'
import { queryClient } from '../data/query-client.js'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { OfficeView } from './office-view.js'

const user = userEvent.setup()
const open = (part: string, answers: Record<string, unknown>) => {
  openJob([], { role: 'office' })
  queryClient().clear()
  serverSays(answers)
  onScreen(<OfficeView />, { path: '/office/:part', at: `/office/${part}` })
}
const sent = () =>
  asked
    .filter(({ method }) => method !== 'GET')
    .map(({ method, address, body }) => [`${method} ${address}`, body])

describe('backups', () => {
  const LAST = {
    name: 'plumb-mark-1',
    at: new Date(Date.now() - 3_600_000).toISOString(),
    files: 12,
    bytes: 5_000_000,
  }
  const STATE = {
    last: LAST,
    late: false,
    at: '02:30',
    folder: '/backups',
    kept: [LAST],
    failed: undefined,
    withKey: false,
  }
  it('say how old the last good one is, where they lie, and what is not in them', async () => {
    open('backups', { 'GET /api/office/backups': STATE })
    expect(await screen.findByRole('status')).toHaveTextContent(/^The last good backup was taken .*hour/)
    expect(screen.getByText(/Into \/backups\./)).toBeVisible()
    expect(screen.getByText(/The key of the seals is not in them/)).toBeVisible()
    expect(screen.getByText('plumb-mark-1')).toBeVisible()
  })
  it('that were never taken, or failed, are said first', async () => {
    open('backups', {
      'GET /api/office/backups': {
        ...STATE,
        last: undefined,
        late: true,
        kept: [],
        failed: 'the disk is full',
      },
    })
    expect(await screen.findByRole('status')).toHaveTextContent('No backup has been taken.')
    expect(screen.getByText('The last try failed: the disk is full')).toBeVisible()
  })
  it('are taken now when asked, and at another hour from then on', async () => {
    open('backups', {
      'GET /api/office/backups': STATE,
      'POST /api/office/backups': {},
      'PUT /api/office/backups': {},
    })
    await user.click(await screen.findByRole('button', { name: 'Back up now' }))
    await waitFor(() => expect(sent()).toEqual([['POST /api/office/backups', {}]]))
    const hour = screen.getByLabelText(/^Taken at/)
    const save = screen.getByRole('button', { name: 'Save' })
    expect(save).toBeDisabled()
    fireEvent.change(hour, { target: { value: '' } })
    expect(save).toBeDisabled()
    // Each figure on the way is an hour of its own: nothing is sent until somebody says so.
    fireEvent.change(hour, { target: { value: '03:30' } })
    fireEvent.change(hour, { target: { value: '03:15' } })
    expect(sent()).toHaveLength(1)
    await user.click(save)
    await waitFor(() => expect(sent().at(-1)).toEqual(['PUT /api/office/backups', { at: '03:15' }]))
  })
  it('that could not be taken say why', async () => {
    open('backups', {
      'GET /api/office/backups': STATE,
      'POST /api/office/backups': refusal(507, 'disk-full', 'there is no room in /backups'),
    })
    await user.click(await screen.findByRole('button', { name: 'Back up now' }))
    expect(await screen.findByText('there is no room in /backups')).toBeVisible()
    expect(screen.getByRole('button', { name: 'Back up now' })).toBeEnabled()
  })
})

describe('networks in which devices are asked', () => {
  const networks = (...all: string[]) => ({
    'GET /api/office/networks': { networks: all },
    'PUT /api/office/networks': {},
  })
  it('where none is allowed no device can be asked', async () => {
    open('networks', networks())
    expect(await screen.findByText('No network is allowed: no device can be asked.')).toBeVisible()
  })
  it.each(['8.8.8.0/24', '192.168.1', 'shed', '0.0.0.0/0'])(
    '“%s” is no private network, and is not sent',
    async (text) => {
      open('networks', networks())
      await user.type(await screen.findByLabelText('Another network'), text)
      expect(screen.getByText('a private network, written as 192.168.1.0/24')).toBeVisible()
      expect(screen.getByRole('button', { name: 'Allow' })).toBeDisabled()
    },
  )
  it('another is added to those that are, and one is removed without the others', async () => {
    open('networks', networks('10.0.0.0/24', '192.168.4.0/24'))
    await user.type(await screen.findByLabelText('Another network'), '192.168.1.0/24 ')
    await user.click(screen.getByRole('button', { name: 'Allow' }))
    await user.click(screen.getByRole('button', { name: 'Remove 10.0.0.0/24' }))
    expect(sent().map(([, body]) => body)).toEqual([
      { networks: ['10.0.0.0/24', '192.168.4.0/24', '192.168.1.0/24'] },
      { networks: ['192.168.4.0/24'] },
    ])
  })
  it('one that is there already is not added twice', async () => {
    open('networks', networks('10.0.0.0/24'))
    await user.type(await screen.findByLabelText('Another network'), '10.0.0.0/24')
    expect(screen.getByRole('button', { name: 'Allow' })).toBeDisabled()
  })
})

describe('intervals', () => {
  it('are saved together, with what is not said left out', async () => {
    open('intervals', { 'GET /api/office/intervals': { intervals: [] }, 'PUT /api/office/intervals': {} })
    expect(await screen.findByText(/Nothing comes round by itself yet/)).toBeVisible()
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled()
    await user.click(screen.getByRole('button', { name: 'Interval' }))
    await user.click(screen.getByRole('button', { name: 'Interval' }))
    await user.type(screen.getAllByLabelText('Country, two letters')[1]!, 'de')
    await user.selectOptions(screen.getAllByLabelText('Rules')[1]!, 'IEC-style')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(sent()).toEqual([
      [
        'PUT /api/office/intervals',
        { intervals: [{ months: 48 }, { school: 'iec', country: 'DE', months: 48 }] },
      ],
    ])
  })
  it('that are refused stay as they were typed', async () => {
    open('intervals', {
      'GET /api/office/intervals': { intervals: [{ months: 12 }] },
      'PUT /api/office/intervals': refusal(400, 'malformed', 'intervals[0].country must be two letters'),
    })
    await user.type(await screen.findByLabelText('Country, two letters'), 'deu')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(await screen.findByText('intervals[0].country must be two letters')).toBeVisible()
    expect(screen.getByLabelText('Country, two letters')).toHaveValue('DEU')
  })
})

describe('installations', () => {
  const KNOWN = {
    own: 'abcd 0123',
    former: [{ key: 'ffff 9999', until: '2026-01-01T00:00:00Z' }],
    accepted: [
      {
        id: 'i1',
        key: '1111 2222',
        name: 'Weir office',
        acceptedAt: '2026-02-01T00:00:00Z',
        acceptedBy: 'Corin',
      },
    ],
  }
  it('shows our key as others compare it, the one of before, and whose word is accepted by whom', async () => {
    open('installations', {
      'GET /api/office/installations': KNOWN,
      'DELETE /api/office/installations/i1': {},
    })
    expect(await screen.findByText('abcd 0123')).toBeVisible()
    expect(screen.getByText('ffff 9999')).toBeVisible()
    expect(screen.getByText(/^accepted by Corin/)).toBeVisible()
    await user.click(screen.getByRole('button', { name: 'Remove' }))
    expect(sent()).toEqual([['DELETE /api/office/installations/i1', undefined]])
  })
  it('a key that was changed outside stands first, and is accepted by a person alone', async () => {
    open('installations', {
      'GET /api/office/installations': { ...KNOWN, warning: 'another key stands here than before' },
      'POST /api/office/installations/own-key': {},
    })
    const warning = within(await screen.findByRole('alert'))
    expect(warning.getByText(/another key stands here than before/)).toBeVisible()
    expect(sent()).toEqual([])
    await user.click(warning.getByRole('button', { name: 'This key is right' }))
    expect(sent()).toEqual([['POST /api/office/installations/own-key', {}]])
  })
})

describe('what reports look like', () => {
  const LOOK = { letterhead: { name: 'Weir', lines: ['Lock Lane 2'] }, paper: 'a4', parts: USUAL_PARTS }
  const shown = (answers: Record<string, unknown> = {}) =>
    open('reports', { 'GET /api/office/report': LOOK, 'PUT /api/office/report': {}, ...answers })
  it('is changed together: letterhead, paper and which parts go to whom', async () => {
    shown()
    await user.type(
      await screen.findByLabelText('Address and telephone, a line each'),
      '{Enter} call 555 {Enter}',
    )
    await user.selectOptions(screen.getByLabelText('Paper'), 'US Letter')
    const strings = screen.getByRole('checkbox', { name: `${PART_TITLES.strings} for the customer` })
    expect(strings).toBeChecked()
    await user.click(strings)
    await user.click(screen.getByRole('button', { name: 'Save' }))
    const [[, body]] = sent() as [[string, typeof LOOK]]
    expect(body).toMatchObject({
      letterhead: { name: 'Weir', lines: ['Lock Lane 2', 'call 555'] },
      paper: 'letter',
    })
    expect(body.parts.customer).toEqual(USUAL_PARTS.customer.filter((id) => id !== 'strings'))
    expect(body.parts.record).toEqual(USUAL_PARTS.record)
  })
  it('a logo is taken from a file, and can be taken off again', async () => {
    shown()
    const logo = new File([new Uint8Array([137, 80, 78, 71])], 'logo.png', { type: 'image/png' })
    await user.upload(await screen.findByLabelText('Picture of the logo'), logo)
    expect(await screen.findByRole('img', { name: 'The logo of the office' })).toHaveAttribute(
      'src',
      expect.stringMatching(/^data:image\/png;base64,/),
    )
    await user.click(screen.getByRole('button', { name: 'Remove' }))
    expect(screen.getByText('None: reports carry the plumb bob.')).toBeVisible()
    // As it stood: nothing is left to be saved.
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled()
  })
  it('that is refused stays as it was chosen', async () => {
    shown({ 'PUT /api/office/report': refusal(413, 'too-large', 'the logo may have 200 kB') })
    await user.type(await screen.findByLabelText(/^Office, as it signs/), ' & Line')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(await screen.findByText('the logo may have 200 kB')).toBeVisible()
    expect(screen.getByLabelText(/^Office, as it signs/)).toHaveValue('Weir & Line')
  })
})

describe('what happened', () => {
  const LINE = {
    id: '1',
    at: '2026-06-01T08:00:00Z',
    action: 'signed in',
    person: '',
    detail: 'wrong password',
    subject: 'ada@plumb.example',
    address: '10.0.0.7',
  }
  it('says who and from where; where nobody was signed in, so', async () => {
    open('audit', { 'GET /api/office/audit': { rows: [LINE], total: 1 } })
    const table = within(await screen.findByRole('table', { name: 'Audit' }))
    expect(await table.findByRole('cell', { name: 'nobody signed in' })).toBeVisible()
    expect(table.getByRole('cell', { name: 'wrong password · ada@plumb.example' })).toBeVisible()
    expect(screen.getByText(/^Nobody can change or remove a line/)).toBeVisible()
  })
  it('is narrowed by what happened, and says so where nothing did', async () => {
    open('audit', { 'GET /api/office/audit': { rows: [], total: 0 } })
    expect(await screen.findByText('Nothing like that has happened.')).toBeVisible()
    await user.selectOptions(screen.getByLabelText('What happened'), 'signed in')
    await waitFor(() => expect(asked.at(-1)!.address).toContain('action=signed+in'))
  })
})
