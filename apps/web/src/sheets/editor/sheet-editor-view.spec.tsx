/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { EditorView } from '@codemirror/view'
import { jest } from '@jest/globals'
import { act, cleanup, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import {
  asked,
  onScreen,
  openJob,
  refusal,
  sampleSheet,
  sampleText,
  serverSays,
} from '../../testing/job-on-screen.testing.js'
import { SheetEditorView } from './sheet-editor-view.js'

const user = userEvent.setup()
const ID = 'sorrelight-sl-20-b'
const inLibrary = (usedBy: object[]) => ({
  sheet: sampleSheet(ID),
  fingerprint: 'f',
  source: sampleText(ID),
  usedBy,
})

/** Opens the editor on a sheet of the samples, or on a new one. */
async function open({
  usedBy = [],
  answers = {},
  fresh = false,
}: { usedBy?: object[]; answers?: Record<string, unknown>; fresh?: boolean } = {}) {
  openJob([], { role: 'office' })
  serverSays({ [`GET /api/sheets/${ID}`]: inLibrary(usedBy), ...answers })
  onScreen(
    <SheetEditorView />,
    fresh
      ? { path: '/sheets/new', at: '/sheets/new' }
      : { path: '/sheets/:id/edit', at: `/sheets/${ID}/edit` },
  )
  await user.click(await screen.findByRole('button', { name: 'Source' }))
  await screen.findByLabelText('Sheet as YAML')
}
const editor = () => EditorView.findFromDOM(screen.getByLabelText('Sheet as YAML'))!
const written = () => editor().state.doc.toString()
/** Replaces a stretch of the text as if it were typed. */
const type = (before: string, after: string) => {
  const from = written().indexOf(before)
  expect(from).toBeGreaterThan(-1)
  act(() => editor().dispatch({ changes: { from, to: from + before.length, insert: after } }))
}
const keep = () => screen.getByText<HTMLButtonElement>('Save to the library')
const said = () => document.querySelector('[role=status]')!.textContent
const kept = () => asked.filter(({ method }) => method === 'POST')

it('a sheet that no job uses is kept in place of itself', async () => {
  await open({ answers: { 'POST /api/sheets': { id: ID } } })
  expect(written()).toBe(sampleText(ID))
  expect(said()).toBe('The sheet reads without a fault.')
  await user.click(keep())
  expect(kept()).toMatchObject([{ address: '/api/sheets', body: { source: sampleText(ID), replace: true } }])
  expect(await screen.findByText('elsewhere')).toBeInTheDocument()
})

it('one that a job uses stays as it is, and what the server refuses loses nothing', async () => {
  await open({
    usedBy: [{ id: 'j', number: 'PM-1', title: 'Barn', sealed: false }],
    answers: {
      'POST /api/sheets': refusal(409, 'conflict', 'revision B is used by a job and cannot be changed'),
    },
  })
  expect(said()).toContain('Revision B is used by 1 job and stays as it is')
  type('\nmaker:', '\n# from the maker’s leaflet\nmaker:')
  await user.click(keep())
  expect(kept()).toMatchObject([{ body: { replace: false } }])
  await waitFor(() => expect(said()).toContain('cannot be changed'))
  expect(written()).toContain('# from the maker’s leaflet')
  expect(keep().disabled).toBe(false)
})

it('a fault is named with its line and keeps the sheet out, until it is mended', async () => {
  await open()
  const line =
    sampleText(ID)
      .split('\n')
      .findIndex((one) => one.startsWith('kind:')) + 1
  const kind = sampleText(ID).split('\n')[line - 1]!
  type(kind, 'kind: gatevay')
  expect(said()).toContain(`line ${line}: kind`)
  expect(keep().disabled).toBe(true)
  type('kind: gatevay', kind)
  expect(said()).toBe('The sheet reads without a fault.')
  expect(keep().disabled).toBe(false)
})

it('a field that the format does not know is a fault as well', async () => {
  await open()
  type('\nmaker:', '\ncolour: green\nmaker:')
  expect(said()).toContain('colour')
  expect(keep().disabled).toBe(true)
})

it('text that is no YAML takes the form away, not the text', async () => {
  await open()
  type('\nmaker:', '\nnotes: [\nmaker:')
  expect(screen.getByText('The form comes back when the text reads as YAML again.')).toBeInTheDocument()
  type('\nnotes: [', '')
  expect(screen.queryByText('The form comes back when the text reads as YAML again.')).toBeNull()
})

it('the form writes into the text, leaves the comments, and the differences are told at once', async () => {
  await open()
  type('\nmaker:', '\n# keep me\nmaker:')
  const revision = screen.getByLabelText('Revision')
  await user.clear(revision)
  await user.type(revision, 'C')
  expect(written()).toMatch(/^revision: "?C"?$/m)
  expect(written()).toContain('# keep me')
  type('mass: 1.2 lb', 'mass: 2 kg')
  await user.click(screen.getByText('Changes (1)'))
  expect(
    within(screen.getByLabelText('Differences from revision B to C')).getByText('mass 0.54 → 2 kg'),
  ).toBeInTheDocument()
  await user.click(screen.getByText('Back to the form'))
  expect(screen.getByLabelText<HTMLInputElement>('Revision').value).toBe('C')
})

it('the cursor in a requirement opens it in the form', async () => {
  await open()
  const last = sampleSheet(ID).requirements.at(-1)!
  expect(screen.queryByDisplayValue(last.remedy!)).toBeNull()
  act(() => editor().dispatch({ selection: { anchor: written().lastIndexOf(last.id) } }))
  expect(screen.getByDisplayValue(last.remedy!)).toBeInTheDocument()
})

it('a new sheet begins with what is required, and says what is missing', async () => {
  await open({ fresh: true })
  expect(screen.getByText('A new sheet')).toBeInTheDocument()
  expect(said()).toBe('line 3: maker: must not be blank')
  expect(keep().disabled).toBe(true)
})

describe('what is written in the editor is not lost', () => {
  /** As after a reload: the page is another, the device is the same. */
  const openedAgain = async () => {
    cleanup()
    onScreen(<SheetEditorView />, { path: '/sheets/:id/edit', at: `/sheets/${ID}/edit` })
    await user.click(await screen.findByRole('button', { name: 'Source' }))
    await screen.findByLabelText('Sheet as YAML')
  }
  it('left and opened again, the draft of this device is there, and can be discarded', async () => {
    await open()
    type('\nmaker:', '\n# half written\nmaker:')
    await openedAgain()
    expect(written()).toContain('# half written')
    expect(screen.getByText(/^A draft from this device/)).toBeInTheDocument()
    await user.click(screen.getByRole('button', { name: 'Discard the draft' }))
    expect(written()).toBe(sampleText(ID))
    await openedAgain()
    expect(screen.queryByText(/^A draft from this device/)).toBeNull()
  })
  it('leaving says first that it is not saved', async () => {
    await open()
    type('\nmaker:', '\n# half written\nmaker:')
    await user.click(screen.getByRole('button', { name: 'Leave' }))
    expect(screen.getByRole('button', { name: 'Leave; the draft stays on this device' })).toBeInTheDocument()
    expect(written()).toContain('# half written')
  })
  it.each(['ratings', 'terminals', 'requirements'])(
    'an item without content under %s takes neither the page nor the text away',
    async (list) => {
      await open()
      type('\nrequirements:', `\nx-before: 1\nrequirements:`)
      const before = written().includes(`\n${list}:`) ? `\n${list}:` : '\nmaker:'
      type(before, before === '\nmaker:' ? `\n${list}:\n  -\nmaker:` : `\n${list}:\n  -`)
      expect(written()).toContain(`${list}:\n  -`)
      expect(screen.getByLabelText('Sheet as YAML')).toBeInTheDocument()
      expect(keep().disabled).toBe(true)
    },
  )
  it('a link away asks first while something is unsaved, and stays where one says no', async () => {
    const answers = [false, true]
    const ask = jest.spyOn(window, 'confirm').mockImplementation(() => answers.shift()!)
    await open()
    const away = () => screen.getAllByRole('link', { name: /Plumb Mark/ })[0]!
    type('revision: ', 'revision: X')
    await user.click(away())
    expect(screen.getByLabelText('Sheet as YAML')).toBeInTheDocument()
    expect(written()).toContain('revision: X')
    await user.click(away())
    expect(await screen.findByText('elsewhere')).toBeInTheDocument()
    expect(ask).toHaveBeenCalledTimes(2)
    ask.mockRestore()
  })
  it('where nothing was changed a link leads away without a word', async () => {
    const ask = jest.spyOn(window, 'confirm')
    await open()
    await user.click(screen.getAllByRole('link', { name: /Plumb Mark/ })[0]!)
    expect(await screen.findByText('elsewhere')).toBeInTheDocument()
    expect(ask).not.toHaveBeenCalled()
    ask.mockRestore()
  })
  it('a limit that no instrument of the office can show is named while it is written', async () => {
    const driver = {
      id: 'd',
      name: 'D',
      kind: 'torque-driver',
      serial: '1',
      calibratedUntil: '2027-01-01',
      accuracy: [{ dimension: 'torque', percent: 6, plus: 0 }],
    }
    const narrow =
      'terminals:\n  - { id: t, label: T, side: ac, clamp: torque, torque: { min: 2.19 N·m, max: 2.21 N·m } }\n'
    await open({ answers: { 'GET /api/instruments': [driver] } })
    type('\nrequirements:', `\n${narrow}requirements:`)
    expect(await screen.findByText(/terminals\[0\]\.torque: narrower than 0\.26 N·m/)).toBeInTheDocument()
  })
})

it('nobody needs to see the source: the form calls everything by its name, and the source opens beside it', async () => {
  await open()
  type('kind: gateway', 'kind: dc-isolator')
  await user.click(screen.getByRole('button', { name: 'Source' }))
  expect(screen.queryByLabelText('Sheet as YAML')).toBeNull()
  expect(screen.getByLabelText('Kind')).toHaveDisplayValue('DC isolator')
  expect(document.body).not.toHaveTextContent(/temp coeff|dc-isolator/i)
})
