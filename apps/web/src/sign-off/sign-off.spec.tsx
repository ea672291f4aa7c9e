/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { fingerprint, readSheet, type Role } from '@plumb-mark/core'
import { fromLink } from '../data/calculators/link.js'
import { useInspection } from '../job/inspection.js'
import { useRemarkDrafts } from '../job/remark-drafts.js'
import { appended, onScreen, openJob, serverSays, type Change } from '../testing/job-on-screen.testing.js'
import { PNG, canvasThatDraws } from '../testing/canvas.testing.js'
import { SignOffView } from './sign-off-view.js'

const observation = (id: string, stage: string, severity: string) => ({
  id,
  kind: 'observation',
  stage,
  clause: '1',
  severity,
  title: id,
  question: 'Is it?',
  remedy: 'Make it so.',
})
const POINTS = Array.from({ length: 8 }, (_, i) => observation(`point ${i + 1}`, 'dc', 'major'))
const sheetOf = (...requirements: object[]) =>
  readSheet({
    format: 'plumb-mark-sheet',
    version: 1,
    maker: 'Nobody',
    model: 'U',
    kind: 'string-inverter',
    title: 'U',
    revision: '1',
    date: '2026-01-01',
    source: 'none',
    requirements,
  })
const SHEET = sheetOf(observation('earth', 'earthing', 'stop'), observation('label', 'ac', 'minor'))
const UNIT: Change = { kind: 'unit-fitted', body: { id: 'u', label: 'Unit', sheetId: 'nobody-u-1' } }
const seen = (id: string, yes: boolean): Change => ({
  kind: 'observation',
  body: { point: `u/${id}/unit`, seen: yes },
})
const LABEL_MISSING: Change[] = [
  seen('label', false),
  {
    kind: 'defect-raised',
    body: {
      defectId: '01890000-0000-7000-8000-000000000002',
      checkId: 'u/label/unit',
      severity: 'minor',
      title: 'label',
      place: 'Unit',
      finding: 'not so',
      remedy: 'Put it right.',
    } as never,
  },
]
const SIGNED: Change = {
  kind: 'signed',
  body: {
    licence: 'L-77',
    statement: 'I have read this record.',
    drawing: 'data:image/png;base64,AAAA',
    sealedHead: 'h3',
  },
}

const SERVER = {
  'GET /api/sheets': [],
  'GET /api/session': { person: { id: 'p', name: 'Somebody', role: 'reviewer' }, licence: 'L-77' },
  'GET /api/people': [
    { id: 'p', name: 'Somebody', role: 'reviewer' },
    { id: 'q', name: 'Ines Fell', role: 'inspector' },
    { id: 'r', name: 'Roof Crew', role: 'installer' },
  ],
}

beforeAll(canvasThatDraws)

const open = (
  role: Role,
  changes: Change[],
  { sheet = SHEET, sync = 'kept' }: { sheet?: ReturnType<typeof sheetOf>; sync?: 'kept' | 'waiting' } = {},
) => {
  openJob([UNIT, ...changes], { sheets: [sheet], role })
  serverSays(SERVER)
  useInspection.setState({ sync })
  onScreen(<SignOffView />, { path: '/jobs/:jobId/sign-off', at: '/jobs/j/sign-off' })
}

describe('before the signature', () => {
  it('everything in the way is named, with the way to it', () => {
    open('reviewer', [seen('earth', false)])
    expect(
      screen.getByRole('heading', { name: '2 things stand in the way of a signature' }),
    ).toBeInTheDocument()
    expect(screen.getByRole('heading', { name: 'Failures that nobody raised (1)' })).toBeInTheDocument()
    expect(screen.getByRole('link', { name: /label/ }).getAttribute('href')).toBe(
      '/jobs/j/walk/ac?check=u%2Flabel%2Funit',
    )
  })
  it('with a minor one open it may go ahead, and says that the record will list it; only the reviewer signs', () => {
    open('inspector', [seen('earth', true), ...LABEL_MISSING])
    expect(screen.getByText('The record will list 1 open minor defects and notes.')).toBeInTheDocument()
    expect(screen.getByText('The reviewer can now read the record and sign it.')).toBeInTheDocument()
  })
  it('waits until this device has nothing unsent', () => {
    open('reviewer', [seen('earth', true), seen('label', true)], { sync: 'waiting' })
    expect(
      screen.getByText('Signing waits until everything on this device has been kept.'),
    ).toBeInTheDocument()
  })
  it('a long list is folded after the first six, and none is left out', () => {
    open('reviewer', [], { sheet: sheetOf(...POINTS) })
    const group = within(screen.getByRole('heading', { name: 'Checks without an answer (8)' }).parentElement!)
    const folded = within(group.getByText('2 more').parentElement!)
    expect(folded.getAllByRole('link').map((link) => link.textContent)).toEqual([
      'point 7, Unit: not inspected',
      'point 8, Unit: not inspected',
    ])
    expect(group.getAllByRole('link').map((link) => link.textContent)).toEqual(
      POINTS.map(({ title }) => `${title}, Unit: not inspected`),
    )
  })
  it('what a download would lack is said beside it', () => {
    open('office', [], { sync: 'waiting' })
    expect(screen.getByRole('button', { name: 'PDF report' })).toBeInTheDocument()
    expect(screen.getByText(/what is downloaded now lacks it/)).toBeInTheDocument()
  })
})

it('what somebody else made void stays in sight, with why', () => {
  open('inspector', [{ kind: 'unit-removed', body: { unitId: 'u' } }, seen('earth', true)])
  const list = screen.getByRole('heading', { name: 'Entered, and without effect since' }).parentElement!
  expect(list).toHaveTextContent(/unit removed .*observation: earth, Unit/)
})

it('a calculation kept with the job opens again with its figures', () => {
  open('inspector', [
    {
      kind: 'calculation-kept',
      body: { calculator: 'decision', title: 'Decision by limits', input: { value: 2.5, min: 1 } },
    },
  ])
  const address = screen.getByRole('link', { name: /^Decision by limits/ }).getAttribute('href')!
  expect(address).toMatch(/^\/calculators\/decision\?in=/)
  expect(fromLink(address.split('in=')[1]!)).toEqual({ value: 2.5, min: 1 })
})

it('after it, who signed under which licence, and the fingerprint of the whole record', () => {
  open('reviewer', [seen('earth', true), seen('label', true), SIGNED])
  expect(screen.getByRole('heading', { name: 'Signed and sealed' })).toBeInTheDocument()
  expect(screen.getByText('By Somebody, licence L-77, on 1 Jun 2026.')).toBeInTheDocument()
  expect(screen.getByRole('img', { name: 'Signature of Somebody' })).toBeInTheDocument()
  expect(screen.getByTestId('fingerprint').textContent).toBe(
    fingerprint(useInspection.getState().inspection!.state.head!.hash),
  )
  expect(screen.queryByRole('button', { name: 'Sign and seal' })).toBeNull()
})

const R1 = '01890000-0000-7000-8000-00000000000a'
const RETURNED: Change = {
  kind: 'returned',
  body: { remarks: [{ id: R1, text: 'Which label?', checkId: 'u/label/unit' }] },
}

describe('a job that goes back', () => {
  const user = userEvent.setup()
  const remarks = () => within(screen.getByRole('region', { name: 'Remarks' }))
  beforeEach(() => useRemarkDrafts.getState().clear('j'))
  it('takes what the reviewer noted with it, all of it at once', async () => {
    useRemarkDrafts
      .getState()
      .add('j', { id: R1, text: 'Which label?', about: 'label, Unit', checkId: 'u/label/unit' })
    open('reviewer', [seen('earth', true), seen('label', true)])
    await user.click(remarks().getByRole('button', { name: 'Remark' }))
    await user.type(screen.getByLabelText('What is to be done or explained?'), 'Show the cover')
    await user.click(screen.getByRole('button', { name: 'Add the remark' }))
    await user.click(screen.getByRole('button', { name: 'Return the job with 2 remarks' }))
    expect(appended()).toMatchObject([
      {
        kind: 'returned',
        body: { remarks: [{ id: R1, checkId: 'u/label/unit' }, { text: 'Show the cover' }] },
      },
    ])
    expect(JSON.stringify(appended())).not.toContain('about')
    expect(useRemarkDrafts.getState().byJob['j']).toEqual([])
  })
  it('stands in the way until the inspector has answered, beside the check that it is about', async () => {
    open('inspector', [seen('earth', true), seen('label', true), RETURNED])
    expect(screen.getByRole('heading', { name: 'Remarks without an answer (1)' })).toBeInTheDocument()
    expect(remarks().getByRole('link', { name: 'label, Unit' })).toHaveAttribute(
      'href',
      '/jobs/j/walk/ac?check=u%2Flabel%2Funit',
    )
    await user.type(remarks().getByLabelText('Answer'), 'The one on the cover')
    await user.click(remarks().getByRole('button', { name: 'Answer' }))
    expect(appended()).toMatchObject([
      { kind: 'remark-answered', body: { remarkId: R1, answer: 'The one on the cover' } },
    ])
    expect(await screen.findByRole('heading', { name: 'Nothing stands in the way' })).toBeInTheDocument()
  })
  it('is not returned by whoever does not sign', () => {
    open('office', [seen('earth', true), seen('label', true)])
    expect(screen.queryByRole('region', { name: 'Remarks' })).toBeNull()
  })
})

describe('a second reader', () => {
  const user = userEvent.setup()
  const asked = (id: string): Change => ({
    kind: 'second-reader-asked',
    body: { person: { id, name: 'Ines Fell', role: 'inspector' } },
  })
  const CLEAR = [seen('earth', true), seen('label', true)]
  it('is chosen among those who inspect or review, never oneself', async () => {
    open('reviewer', CLEAR)
    const choice = await screen.findByLabelText('Ask somebody to read the record first')
    expect(
      within(choice)
        .getAllByRole('option')
        .map(({ textContent }) => textContent),
    ).toEqual(['choose', 'Ines Fell, inspector'])
    await user.selectOptions(choice, 'q')
    expect(appended()).toMatchObject([{ kind: 'second-reader-asked', body: { person: { id: 'q' } } }])
  })
  it('who was asked reads the very record that stands there', async () => {
    open('inspector', [...CLEAR, asked('p')])
    expect(screen.getByRole('heading', { name: 'To be read by a second person (1)' })).toBeInTheDocument()
    await user.click(screen.getByRole('button', { name: 'I have read this record as it stands' }))
    expect(appended()).toMatchObject([{ kind: 'second-read', body: { readHead: '4'.padStart(64, '0') } }])
  })
  it('is let go again, so that nobody who left keeps a record from being signed', async () => {
    open('reviewer', [...CLEAR, asked('q')])
    await user.selectOptions(await screen.findByLabelText('Ask somebody else'), 'nobody, after all')
    expect(appended()).toEqual([{ kind: 'second-reader-asked', body: {} }])
    expect(await screen.findByRole('heading', { name: 'Nothing stands in the way' })).toBeInTheDocument()
  })
  it('nobody else reads in their place', () => {
    open('reviewer', [...CLEAR, asked('q')])
    expect(screen.getByText(/Ines Fell, to read the record before it is signed/)).toBeInTheDocument()
    expect(screen.queryByRole('button', { name: /I have read/ })).toBeNull()
  })
})

it('what was said not to apply stands with its reason and its name, for whoever signs', () => {
  open('reviewer', [
    seen('earth', true),
    {
      kind: 'not-applicable',
      body: { point: 'u/label/unit', checkId: 'u/label/unit', reason: 'the part is not fitted here' },
    },
  ])
  const said = screen.getByRole('heading', { name: 'Said not to be there, or not to apply' }).parentElement!
  expect(said).toHaveTextContent(/label, Unit: the part is not fitted here Somebody, /)
  expect(screen.getByRole('heading', { name: 'Nothing stands in the way' })).toBeInTheDocument()
})

describe('the signature', () => {
  const user = userEvent.setup()
  const CLEAR = [seen('earth', true), ...LABEL_MISSING]
  const goOn = async () => {
    await user.click(await screen.findByRole('button', { name: 'Type the name instead' }))
    await user.click(screen.getByRole('button', { name: 'Go on to the seal' }))
    return within(await screen.findByRole('region', { name: 'Before the seal' }))
  }
  it('has the licence of the account, by keyboard alone, and says once more what cannot be undone', async () => {
    open('reviewer', CLEAR)
    expect(await screen.findByDisplayValue('L-77')).toHaveAttribute('readonly')
    const last = await goOn()
    expect(appended()).toEqual([])
    expect(last.getByText('2 checks: 1 does not conform, 1 conforms')).toBeInTheDocument()
    expect(last.getByText('1 open defects and notes are listed in the record')).toBeInTheDocument()
    await user.click(last.getByRole('button', { name: 'Sign and seal' }))
    expect(appended()).toMatchObject([
      {
        kind: 'signed',
        body: { licence: 'L-77', drawing: PNG, sealedHead: expect.stringMatching(/^0+\d$/) },
      },
    ])
  })
  it('goes back without a word in the record, and asks for the mark', async () => {
    open('reviewer', CLEAR)
    const last = await goOn()
    await user.click(last.getByRole('button', { name: 'Back' }))
    await user.click(screen.getByRole('button', { name: 'Clear' }))
    expect(screen.getByRole('button', { name: 'Go on to the seal' })).toBeInTheDocument()
    expect(appended()).toEqual([])
  })
})
