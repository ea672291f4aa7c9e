/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import { fingerprint, readSheet, type Role } from '@plumb-mark/core'
import { fromLink } from '../data/calculators/link.js'
import { useInspection } from '../job/inspection.js'
import { onScreen, openJob, type Change } from '../testing/job-on-screen.testing.js'
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

const open = (
  role: Role,
  changes: Change[],
  { sheet = SHEET, sync = 'kept' }: { sheet?: ReturnType<typeof sheetOf>; sync?: 'kept' | 'waiting' } = {},
) => {
  openJob([UNIT, ...changes], { sheets: [sheet], role })
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
