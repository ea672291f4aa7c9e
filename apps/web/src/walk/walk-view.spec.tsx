/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { fireEvent, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { readSheet } from '@plumb-mark/core'
import { appended, onScreen, openJob, type Change } from '../testing/job-on-screen.testing.js'
import { LeastRework, movesOf } from '../stages/place-and-mount/least-rework.js'
import { useFocus } from '../job/focus.js'
import { WalkView } from './walk-view.js'

const user = userEvent.setup()
const common = { clause: '1', severity: 'minor', remedy: 'R', question: 'Q?' }
const SHEET = readSheet({
  format: 'plumb-mark-sheet',
  version: 1,
  maker: 'Nobody',
  model: 'U',
  kind: 'meter',
  title: 'U',
  revision: '1',
  date: '2026-01-01',
  source: 'none',
  requirements: [
    { id: 'a', kind: 'observation', stage: 'identify', title: 'Whole', ...common },
    { id: 'b', kind: 'observation', stage: 'meter', title: 'Closed', ...common },
  ],
})
const UNIT: Change = { kind: 'unit-fitted', body: { id: 'u', label: 'Unit', sheetId: 'nobody-u-1' } }
const open = (at: string, ...more: Change[]) => {
  openJob([UNIT, ...more], { sheets: [SHEET] })
  onScreen(<WalkView />, { path: '/jobs/:jobId/walk/:stage?', at: `/jobs/j/walk/${at}` })
}
const line = () => within(screen.getByRole('navigation', { name: 'Stages of the walk' }))

it('the line shows the stages that have checks, and those where things are entered; each says what is left', () => {
  open('identify', { kind: 'observation', body: { point: 'u/a/unit', seen: false } })
  expect(
    line()
      .getAllByRole('link')
      .map(({ textContent }) => textContent),
  ).toEqual([
    'Identify1 wrong',
    'Place and mountnothing to check',
    'Earthingnothing to check',
    'DC sidenothing to check',
    'AC sidenothing to check',
    'Meter1 to do',
    'Judge and sign2 in the way',
  ])
})

it('from a stage that is none the walk goes to what is left first', () => {
  open('nowhere', { kind: 'observation', body: { point: 'u/a/unit', seen: true } })
  expect(screen.getByRole('heading', { name: 'Meter' })).toBeInTheDocument()
})

it('a link that names a check and no stage leads to the check', () => {
  open(`?check=${encodeURIComponent('u/b/unit')}`)
  expect(screen.getByRole('heading', { name: 'Meter' })).toBeInTheDocument()
  expect(useFocus.getState().checkId).toBe('u/b/unit')
})

it('another stage closes the check that was open', async () => {
  open('identify')
  await user.click(screen.getByRole('button', { name: /Whole/ }))
  expect(useFocus.getState().checkId).toBe('u/a/unit')
  await user.click(line().getByText('Meter'))
  expect(useFocus.getState().checkId).toBeUndefined()
  expect(screen.getByRole('heading', { name: 'Meter' })).toBeInTheDocument()
})

it('the shortcuts are listed under the question mark, not while somebody types one', async () => {
  open('identify')
  await user.click(screen.getByRole('button', { name: /Whole/ }))
  await user.type(screen.getByLabelText('Note'), 'why?')
  expect(screen.queryByRole('dialog', { name: 'Keyboard' })).toBeNull()
  fireEvent.keyDown(document.body, { key: '?' })
  expect(screen.getByRole('dialog', { name: 'Keyboard' })).toBeInTheDocument()
  await user.click(screen.getByRole('button', { name: 'Close' }))
  expect(screen.queryByRole('dialog', { name: 'Keyboard' })).toBeNull()
  expect(appended()).toEqual([])
})

describe('the least rework in words', () => {
  const labelOf = (id: string) => ({ a: 'Inverter 1' })[id] ?? id
  const said = (result: object) => {
    const { container, unmount } = onScreen(
      <LeastRework
        answer={{ state: 'done', result: result as never }}
        labelOf={labelOf}
        onCancel={() => undefined}
        onClose={() => undefined}
      />,
    )
    const words = container.textContent!
    unmount()
    return words
  }
  it('names what moves, how far and which way, rounded so that the gap is kept', () =>
    expect(said({ status: 'found', exact: true, moves: [{ id: 'a', dx: -50.01, dy: 0 }] })).toContain(
      'move Inverter 1 50.1 mm to the left. Isolate',
    ))
  it('says when a smaller one may exist', () =>
    expect(said({ status: 'found', exact: false, moves: [{ id: 'a', dx: 0, dy: 20 }] })).toContain(
      '20 mm up. A smaller one may exist.',
    ))
  it('says when nothing has to move, and when nothing can', () => {
    expect(said({ status: 'not-needed', moves: [], exact: true })).toContain('nothing has to move')
    expect(said({ status: 'not-found', moves: [], exact: true })).toContain('something else has to give way')
  })
  it('has no ghosts before it is found', () => expect(movesOf({ state: 'searching', part: 0.5 })).toEqual([]))
})
