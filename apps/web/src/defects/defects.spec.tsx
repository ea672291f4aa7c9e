/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { readSheet, type Role } from '@plumb-mark/core'
import { JobFrame } from '../walk/job-frame.js'
import { ReworkView } from '../rework/rework-view.js'
import { useInspection } from '../job/inspection.js'
import { appended, onScreen, openJob, serverSays, type Change } from '../testing/job-on-screen.testing.js'
import { DefectsView } from './defects-view.js'

const user = userEvent.setup()
const SHEET = readSheet({
  format: 'plumb-mark-sheet',
  version: 1,
  maker: 'Nobody',
  model: 'U',
  kind: 'string-inverter',
  title: 'U',
  revision: '1',
  date: '2026-01-01',
  source: 'none',
  requirements: [
    {
      id: 'earth',
      kind: 'observation',
      stage: 'earthing',
      clause: '1',
      severity: 'stop',
      title: 'Earth landed',
      question: 'Is it?',
      remedy: 'Land it.',
    },
    {
      id: 'label',
      kind: 'observation',
      stage: 'ac',
      clause: '2',
      severity: 'minor',
      title: 'Label',
      question: 'Is it there?',
      remedy: 'Stick it on.',
    },
  ],
})
const UNIT: Change = { kind: 'unit-fitted', body: { id: 'u', label: 'Unit', sheetId: 'nobody-u-1' } }
/** By the check that each is about. */
const ID: Record<string, string> = {
  earth: '01890000-0000-7000-8000-000000000001',
  label: '01890000-0000-7000-8000-000000000002',
}
const seen = (id: string, yes: boolean): Change => ({
  kind: 'observation',
  body: { point: `u/${id}/unit`, seen: yes },
})
const raised = (id: string, severity: 'stop' | 'minor'): Change => ({
  kind: 'defect-raised',
  body: {
    defectId: ID[id],
    checkId: `u/${id}/unit`,
    severity,
    title: id,
    place: 'Unit',
    finding: 'not so',
    remedy: 'Put it right.',
  } as never,
})
const reworked = (id: string): Change => ({
  kind: 'defect-step',
  body: { defectId: ID[id]!, step: 'reworked', note: 'landed' },
})
const open = (role: Role, ...changes: Change[]) => openJob([UNIT, ...changes], { sheets: [SHEET], role })
const card = (title: string) => within(screen.getByRole('article', { name: new RegExp(title) }))

describe('the way of a defect', () => {
  it('goes from the installer’s hands, with a note, to be read again', async () => {
    open('installer', seen('earth', false), raised('earth', 'stop'))
    onScreen(<ReworkView />)
    await user.click(screen.getByRole('button', { name: 'I have put this right' }))
    await user.click(screen.getByRole('button', { name: 'Mark as reworked' }))
    expect(appended()).toEqual([])
    await user.type(screen.getByLabelText('What was done?'), 'Landed and pulled')
    await user.click(screen.getByRole('button', { name: 'Mark as reworked' }))
    expect(
      await screen.findByText('Nothing is owed. What you reworked waits for the inspector.'),
    ).toBeInTheDocument()
    expect(appended()).toMatchObject([
      { kind: 'defect-step', body: { defectId: ID['earth'], step: 'reworked', note: 'Landed and pulled' } },
    ])
  })
  it('waits after the rework to be read again, and closes by itself once it reads well', () => {
    open('inspector', seen('earth', false), raised('earth', 'stop'), reworked('earth'))
    const { unmount } = onScreen(<DefectsView />)
    expect(card('earth').queryByRole('button', { name: 'Close' })).toBeNull()
    expect(card('earth').getByRole('link', { name: 'Read it again' })).toBeInTheDocument()
    expect(card('earth').getByRole('button', { name: 'Send back' })).toBeInTheDocument()
    unmount()
    open('inspector', seen('earth', false), raised('earth', 'stop'), reworked('earth'), seen('earth', true))
    onScreen(<DefectsView />)
    expect(card('earth').getByText('closed by a conforming reading')).toBeInTheDocument()
  })
  it('that fails again after the rework is open again, and says so', () => {
    open('inspector', seen('earth', false), raised('earth', 'stop'), reworked('earth'), seen('earth', false))
    onScreen(<DefectsView />)
    expect(card('earth').getByText('Read again after the rework, and it failed again.')).toBeInTheDocument()
  })
  it('stands by severity, what is owed first', () => {
    open(
      'inspector',
      seen('label', false),
      seen('earth', false),
      raised('label', 'minor'),
      raised('earth', 'stop'),
    )
    onScreen(<DefectsView />)
    expect(screen.getAllByRole('article').map((one) => one.getAttribute('aria-label'))).toEqual([
      'earth, Unit',
      'label, Unit',
    ])
  })
})

describe('what is said of a defect', () => {
  const edit = async (role: Role = 'inspector') => {
    open(role, seen('label', false), raised('label', 'minor'))
    onScreen(<DefectsView />)
    await user.click(card('label').getByRole('button', { name: 'Edit' }))
    return within(screen.getByRole('form', { name: 'Edit the defect' }))
  }
  it('is edited: a day and whose it is, and nothing that was left as it was', async () => {
    const form = await edit()
    await user.type(form.getByLabelText('Due'), '2026-06-08')
    await user.type(form.getByLabelText('Responsible'), 'Roof crew')
    await user.click(form.getByRole('button', { name: 'Save' }))
    expect(await card('label').findByText(/^Overdue: due 8 Jun 2026, Roof crew$/)).toBeInTheDocument()
    expect(appended()).toMatchObject([
      {
        kind: 'defect-amended',
        body: { defectId: ID['label'], due: '2026-06-08', responsible: 'Roof crew' },
      },
    ])
    expect(Object.keys(appended()[0]!.body).sort()).toEqual(['defectId', 'due', 'responsible'])
  })
  it('another severity asks for its reason', async () => {
    const form = await edit()
    await user.selectOptions(form.getByLabelText('Severity'), 'major')
    await user.type(form.getByLabelText('Why major and not minor?'), 'it hangs over the stair')
    await user.click(form.getByRole('button', { name: 'Save' }))
    expect(await card('label').findByText('major')).toBeInTheDocument()
    expect(appended()).toMatchObject([{ body: { severity: 'major', reason: 'it hangs over the stair' } }])
  })
  it('the office sets the day, and not how severe it is', async () =>
    expect((await edit('office')).getByLabelText('Severity')).toBeDisabled())
  it('an installer edits nothing', () => {
    open('installer', seen('label', false), raised('label', 'minor'))
    onScreen(<DefectsView />)
    expect(card('label').queryByRole('button', { name: 'Edit' })).toBeNull()
  })
})

it('a rework said by mistake is taken back by who said it, with why', async () => {
  open('installer', seen('earth', false), raised('earth', 'stop'), reworked('earth'))
  onScreen(<ReworkView />)
  await user.click(screen.getByRole('button', { name: 'Not put right yet: take it back' }))
  await user.type(screen.getByLabelText('Why is it taken back?'), 'The wrong box')
  await user.click(screen.getByRole('button', { name: 'Take back' }))
  expect(await screen.findByRole('button', { name: 'I have put this right' })).toBeInTheDocument()
  expect(appended()).toMatchObject([{ body: { step: 'taken-back', note: 'The wrong box' } }])
})

it('a closed defect says who closed it and what they found', () => {
  open('inspector', seen('earth', false), raised('earth', 'stop'), reworked('earth'), seen('earth', true))
  onScreen(<DefectsView />)
  expect(card('earth').getByText(/^Closed by Somebody, .*: found yes, which conforms\.$/)).toBeInTheDocument()
})

describe('around every view of a job', () => {
  const frame = (role: Role, at = '/jobs/j/walk', ...changes: Change[]) => {
    open(role, ...changes)
    const { entries, instruments } = useInspection.getState()
    serverSays({ 'GET /api/jobs/j': { entries, sheets: [SHEET], instruments } })
    onScreen(<JobFrame />, { path: '/jobs/:jobId/*', at })
  }
  it('a stop defect puts its caution on top until it is closed', async () => {
    frame('inspector', undefined, seen('earth', false), raised('earth', 'stop'))
    expect((await screen.findByText(/^Danger: do not energise, or isolate/)).textContent).toContain(
      'earth, Unit',
    )
  })
  it('what is owed and what stands in the way is counted on its views', async () => {
    frame('inspector', undefined, seen('earth', false), raised('earth', 'stop'))
    expect(await screen.findByRole('link', { name: 'Defects (1)' })).toBeInTheDocument()
    expect(screen.getByRole('link', { name: 'Sign-off (2)' })).toBeInTheDocument()
  })
  it('an installer comes to the rework, whatever address was opened', async () => {
    frame('installer')
    expect(await screen.findByRole('link', { name: 'Rework (0)' })).toBeInTheDocument()
    expect(screen.queryByRole('link', { name: 'Walk' })).toBeNull()
  })
})
