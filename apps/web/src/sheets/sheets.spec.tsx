/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useInspection } from '../job/inspection.js'
import {
  appended,
  asked,
  onScreen,
  openJob,
  sampleSheet,
  sampleText,
  serverSays,
} from '../testing/job-on-screen.testing.js'
import { AdoptionView } from './adoption-view.js'
import { SheetForm } from './editor/sheet-form.js'
import { SheetView } from './sheet-view.js'
import { SheetsView } from './sheets-view.js'

const user = userEvent.setup()
const summary = (id: string, usedBy = 0) => {
  const { maker, model, revision, kind, title, date, requirements } = sampleSheet(id)
  return {
    id,
    maker,
    model,
    revision,
    kind,
    title,
    date,
    fingerprint: 'f',
    requirements: requirements.length,
    usedBy,
  }
}
const inLibrary = (id: string, usedBy: object[] = []) => ({
  sheet: sampleSheet(id),
  fingerprint: 'f',
  source: sampleText(id),
  usedBy,
})
const LIBRARY = [
  summary('aldervane-ah-8t-c', 1),
  summary('aldervane-ah-8t-d'),
  summary('thrumcap-tb-10-b'),
  summary('cobblewick-cm-3-d'),
]

describe('the library', () => {
  const open = async (role: 'office' | 'reviewer' = 'office') => {
    openJob([], { role })
    serverSays({ 'GET /api/sheets': LIBRARY, 'GET /api/samples/sheets': [] })
    onScreen(<SheetsView />)
    await screen.findAllByText(/revision D/)
  }
  const shown = () =>
    screen
      .queryAllByRole('link')
      .map((link) => link.getAttribute('href'))
      .filter((href) => href?.startsWith('/sheets/'))
  it('is found by word, kind and maker together', async () => {
    await open()
    await user.type(screen.getByLabelText('Search'), 'ah8t')
    expect(shown()).toEqual(['/sheets/aldervane-ah-8t-c', '/sheets/aldervane-ah-8t-d'])
    await user.clear(screen.getByLabelText('Search'))
    await user.selectOptions(screen.getByLabelText('Maker'), 'Thrumcap')
    expect(shown()).toEqual(['/sheets/thrumcap-tb-10-b'])
    await user.selectOptions(screen.getByLabelText('Kind'), 'meter')
    expect(screen.getByText('No sheet fits these words.')).toBeInTheDocument()
  })
  it('takes files in, names the one with a fault, and is read again', async () => {
    await open()
    const file = (name: string, text: string) =>
      Object.assign(new File([text], name), { text: async () => text })
    await user.upload(screen.getByLabelText('Sheet files'), [file('good.yaml', 'maker: A')])
    expect(asked.filter(({ method }) => method === 'POST')).toMatchObject([
      { address: '/api/sheets', body: { source: 'maker: A' } },
    ])
    expect(asked.filter(({ method, address }) => method === 'GET' && address === '/api/sheets').length).toBe(
      2,
    )
  })
  it('is only read by who keeps no sheets', async () => {
    await open('reviewer')
    expect(screen.queryByRole('button', { name: 'New sheet' })).toBeNull()
  })
})

describe('one revision', () => {
  it('is read by stage, beside what changed since another, with the jobs that could adopt it', async () => {
    openJob([], { role: 'office' })
    serverSays({
      'GET /api/samples/sheets': [],
      'GET /api/sheets': LIBRARY,
      'GET /api/sheets/aldervane-ah-8t-d': inLibrary('aldervane-ah-8t-d'),
      'GET /api/sheets/aldervane-ah-8t-c': inLibrary('aldervane-ah-8t-c', [
        { id: 'j1', number: 'PM-1', title: 'Barn', sealed: false },
        { id: 'j2', number: 'PM-2', title: 'Shed', sealed: true },
      ]),
    })
    onScreen(<SheetView />, { path: '/sheets/:id', at: '/sheets/aldervane-ah-8t-d' })
    expect(await screen.findByRole('heading', { name: 'Aldervane AH-8T, revision D' })).toBeInTheDocument()
    expect(screen.getByRole('heading', { name: 'Place and mount' })).toBeInTheDocument()
    const differences = within(await screen.findByRole('list', { name: 'Differences from revision C to D' }))
    expect(differences.getByText(/420|480/)).toBeInTheDocument()
    expect(
      (await screen.findByRole('link', { name: 'What would change in PM-1' })).getAttribute('href'),
    ).toBe('/jobs/j1/adopt/aldervane-ah-8t-c/aldervane-ah-8t-d')
    expect(screen.queryByText(/PM-2/)).toBeNull()
  })
})

describe('adopting it', () => {
  const open = async (role: 'inspector' | 'reviewer' = 'inspector') => {
    openJob([{ kind: 'unit-fitted', body: { id: 'inv', label: 'Inverter', sheetId: 'aldervane-ah-8t-c' } }], {
      sheets: [sampleSheet('aldervane-ah-8t-c')],
      role,
    })
    serverSays({ 'GET /api/sheets/aldervane-ah-8t-d': inLibrary('aldervane-ah-8t-d') })
    onScreen(<AdoptionView />, {
      path: '/jobs/:jobId/adopt/:fromId/:toId',
      at: '/jobs/j/adopt/aldervane-ah-8t-c/aldervane-ah-8t-d',
    })
    await screen.findByRole('heading', { name: /→ revision D/ })
  }
  it('is told check by check before anything is done, and then turns the job over', async () => {
    await open()
    expect(
      screen.getByRole('list', { name: 'Checks that would be different' }).children.length,
    ).toBeGreaterThan(0)
    expect(appended()).toEqual([])
    await user.click(screen.getByRole('button', { name: 'Adopt revision D' }))
    expect(appended()).toMatchObject([
      { kind: 'sheet-adopted', body: { sheet: { id: 'aldervane-ah-8t-d' }, replaces: 'aldervane-ah-8t-c' } },
    ])
    expect(useInspection.getState().inspection!.state.asBuilt.units[0]!.sheetId).toBe('aldervane-ah-8t-d')
  })
  it('is not for who only reads', async () => {
    await open('reviewer')
    expect(screen.queryByRole('button', { name: 'Adopt revision D' })).toBeNull()
  })
})

describe('the form beside the text', () => {
  it('shows the faults at their fields, adds a requirement with a free id, and drops what another kind has no place for', async () => {
    const data = {
      maker: 'A',
      requirements: [{ id: 'r1', kind: 'observation', stage: 'dc', title: 'Tight', question: 'Is it?' }],
    }
    let next: Record<string, unknown> = data
    onScreen(
      <SheetForm
        data={data}
        problems={{ 'requirements[0].question': 'is too short' }}
        open={0}
        onOpen={() => undefined}
        onChange={(made) => (next = made)}
      />,
    )
    expect(screen.getByText('is too short')).toBeInTheDocument()
    await user.selectOptions(
      screen.getByLabelText('Kind', { selector: 'select:has(option[value=ordered-steps])' }),
      'limits',
    )
    expect((next['requirements'] as object[])[0]).toEqual({
      id: 'r1',
      kind: 'limits',
      stage: 'dc',
      title: 'Tight',
    })
    await user.click(screen.getByRole('button', { name: 'Requirement' }))
    expect((next['requirements'] as { id: string }[])[1]!.id).toBe('r2')
  })
})
