/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'
import { act, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Answer, Verdict } from '@plumb-mark/core'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../../testing/job-on-screen.testing.js'
import { useInspection } from '../../job/inspection.js'
import { RecordField } from './record-field.js'

const user = userEvent.setup()
let said: Verdict | undefined

/** Opens the form of one check of a unit of a sheet; what it would be judged as while it is filled in is kept in `said`. */
function fill(sheetName: string, requirement: string, subject = 'unit', changes: readonly Change[] = []) {
  const sheet = sampleSheet(sheetName)
  openJob(
    [
      { kind: 'unit-fitted', body: { id: 'u', label: 'Unit', sheetId: sheetName, serial: 'AB12' } },
      ...changes,
    ],
    { sheets: [sheet] },
  )
  const judged = useInspection
    .getState()
    .inspection!.checks.find(({ check }) => check.id === `u/${requirement}/${subject}`)!
  const done = jest.fn()
  onScreen(
    <RecordField judged={judged} onTrial={(outcome) => void (said = outcome?.verdict)} onDone={done} />,
  )
  return done
}
const answer = () => (appended().at(-1)?.body as { answer: Answer } | undefined)?.answer
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }))
const keep = () => press('Save')

beforeEach(() => void (said = undefined))

it('several things read together: what is expected stands beside each, and the verdict follows what is typed', async () => {
  const done = fill('aldervane-ah-8t-c', 'nameplate')
  await user.type(screen.getByLabelText('model'), 'AH-8T')
  await user.type(screen.getByLabelText('serial'), 'ab12')
  await user.type(screen.getByLabelText('grid'), '3/N/PE 400/230 V')
  await user.type(screen.getByLabelText('greatest DC voltage'), '900 V')
  expect(said).toBe('does-not-conform')
  await user.clear(screen.getByLabelText('greatest DC voltage'))
  await user.type(screen.getByLabelText('greatest DC voltage'), '1000 V')
  expect(said).toBe('conforms')
  await keep()
  expect(answer()).toMatchObject({ values: { model: { typed: 'AH-8T' }, serial: { typed: 'ab12' } } })
  expect(done).toHaveBeenCalled()
})

it('one of a list is kept at the touch', async () => {
  fill('cobblewick-cm-3-d', 'ratio')
  await press(/^100 A/)
  expect(answer()).toEqual({ chosen: '100 A / 40 mA' })
})

it('a statement is made under one’s own name, or not made', async () => {
  const done = fill('aldervane-ah-8t-c', 'code')
  await press('I cannot')
  expect([answer(), done.mock.calls.length]).toEqual([{ agreed: false }, 0])
  await press('I state this')
  expect([answer(), done.mock.calls.length]).toEqual([{ agreed: true }, 1])
})

it('bolts are touched in their order; a wrong one is seen at once, and taken back', async () => {
  fill('aldervane-ah-8t-c', 'cover')
  await press(/^Bolt 1,/)
  await press(/^Bolt 2,/)
  expect(said).toBe('does-not-conform')
  await press('Last one back')
  for (const bolt of ['4', '2', '3', '1', '4', '2', '3']) await press(new RegExp(`^Bolt ${bolt},`))
  expect(screen.getByText(/Complete, 8 of 8/)).toBeInTheDocument()
  expect(said).toBe('conforms')
  await keep()
  expect(answer()).toEqual({ done: ['b1', 'b4', 'b2', 'b3', 'b1', 'b4', 'b2', 'b3'] })
})

it('little switches are turned until they stand as they must', async () => {
  fill('cobblewick-cm-3-d', 'bank')
  await press(/^Switch 1/)
  await press(/^Switch 2/)
  expect(said).toBe('does-not-conform')
  await press(/^Switch 2/)
  for (const one of ['3', '3', '4']) await press(new RegExp(`^Switch ${one}`))
  expect(said).toBe('conforms')
})

it('steps are stamped as they are done, and a wait that is cut short is seen', async () => {
  jest.useFakeTimers({ advanceTimers: true, now: new Date('2026-06-01T09:00:00Z') })
  fill('thrumcap-ts-5-a', 'power-up')
  const stamp = async () =>
    userEvent
      .setup({ advanceTimers: jest.advanceTimersByTime })
      .click(screen.getAllByRole('button', { name: 'Done now' })[0]!)
  await stamp()
  expect(screen.getByText(/60 s to go/)).toBeInTheDocument()
  act(() => jest.advanceTimersByTime(20_000))
  expect(screen.getByText(/40 s to go/)).toBeInTheDocument()
  await stamp()
  expect(said).toBe('does-not-conform')
  jest.useRealTimers()
})

it('a bus is entered device after device; two with one address do not conform', async () => {
  fill('cobblewick-cm-3-d', 'bus')
  for (const [i, address] of ['1', '1'].entries()) {
    await press('Device')
    await user.type(screen.getAllByLabelText('address')[i]!, address)
    await user.click(screen.getAllByLabelText('terminator')[i]!)
  }
  expect(said).toBe('does-not-conform')
  await user.clear(screen.getAllByLabelText('address')[1]!)
  await user.type(screen.getAllByLabelText('address')[1]!, '2')
  expect(said).toBe('conforms')
  await user.selectOptions(screen.getByLabelText('shield'), 'not earthed')
  expect(said).toBe('does-not-conform')
})

it('a data chain is entered lead by lead, with its terminator', async () => {
  const sheet = 'thrumcap-tb-10-b'
  fill(sheet, sampleSheet(sheet).requirements.find(({ kind }) => kind === 'data-chain')!.id)
  await press('Lead')
  expect(screen.getAllByLabelText('from')).toHaveLength(1)
  await user.selectOptions(
    screen.getByLabelText('Terminator in'),
    screen.getByLabelText('Terminator in').querySelectorAll('option')[1]!,
  )
  await keep()
  expect(answer()).toMatchObject({
    leads: [{ from: expect.any(String), to: expect.any(String) }],
    terminators: [expect.any(String)],
  })
  await press('Take this lead away')
  expect(screen.queryAllByLabelText('from')).toHaveLength(0)
})

it('marks along the rail are typed one after the other', async () => {
  const modules: Change = {
    kind: 'unit-fitted',
    body: { id: 'm', label: 'Modules', sheetId: 'wendlemere-wm-430-b' },
  }
  const rail = sampleSheet('wendlemere-wm-430-b').requirements.find(({ kind }) => kind === 'rail-marks')!
  const sheets = ['sorrelight-sp-380-c', 'wendlemere-wm-430-b'].map(sampleSheet)
  openJob(
    [
      modules,
      { kind: 'unit-fitted', body: { id: 'u', label: 'Inverters', sheetId: 'sorrelight-sp-380-c' } },
      {
        kind: 'plane-built',
        body: {
          id: 'p',
          label: 'P',
          unitId: 'm',
          rows: 1,
          columns: 2,
          orientation: 'portrait',
          gap: 20,
          empty: [],
        },
      },
      {
        kind: 'devices-fitted',
        body: {
          devices: [{ id: 'd', unitId: 'u', at: 'p.r1c1', feeds: ['p.r1c1'], idlePorts: 0, cappedPorts: 0 }],
        },
      },
    ],
    { sheets },
  )
  const judged = useInspection
    .getState()
    .inspection!.checks.find(({ check }) => check.requirement.id === rail.id)!
  onScreen(
    <RecordField
      judged={judged}
      onTrial={(outcome) => void (said = outcome?.verdict)}
      onDone={() => undefined}
    />,
  )
  await user.type(screen.getByLabelText(/^Next:/), '10 m{Enter}')
  await user.type(screen.getByLabelText(/^Next:/), '11 m{Enter}')
  expect(screen.getByLabelText('Read so far').textContent).toContain('11 m')
  expect(said).toBe('does-not-conform')
  await press('Take the last one back')
  expect(screen.getByLabelText('Read so far').textContent).not.toContain('11 m')
})

it('begins from what was kept before, and cannot be kept again unchanged', () => {
  fill('cobblewick-cm-3-d', 'bank', 'unit', [
    { kind: 'record', body: { point: 'u/bank/unit', answer: { positions: { s1: 'on', s2: 'on' } } } },
  ])
  expect(screen.getByRole('button', { name: 'Switch 2, found on' })).toBeInTheDocument()
  expect(screen.getByRole('button', { name: 'Save' })).toHaveProperty('disabled', true)
})

describe('a self-test from the unit’s own file', () => {
  const opens = async (text: string) =>
    user.upload(
      await screen.findByLabelText('Self-test file'),
      new File([text], 'self-test.csv', { type: 'text/csv' }),
    )
  const ROWS = [
    'undervoltage stage 1,184.4,1.48',
    'undervoltage stage 2,103.2,0.21',
    'overvoltage stage 1,252.8,2.9',
    'overvoltage stage 2,264.6,0.19',
    'underfrequency,47.5,120 ms',
  ]
  const LAST = 'overfrequency,51.5,0.11'
  const file = (...rows: string[]) => ['test,threshold,time', ...rows].join('\n')

  const take = async () => user.click(await screen.findByRole('button', { name: 'Take the rows' }))

  it('fills every row, and is kept only when somebody saves', async () => {
    fill('house-grid-rules-a', 'self-test')
    await opens(file(...ROWS, LAST))
    await take()
    expect(await screen.findByText('6 rows taken from self-test.csv')).toBeInTheDocument()
    expect(screen.getByLabelText('overvoltage stage 2, lets go at')).toHaveProperty('value', '264.6 V')
    expect([said, appended()]).toEqual(['conforms', []])
    await keep()
    expect(answer()).toMatchObject({ values: { 'uf-in': { typed: '120 ms', value: 0.12 } } })
  })

  it('a row that the file lacks is not proven, and one outside does not conform', async () => {
    fill('house-grid-rules-a', 'self-test')
    await opens(file(...ROWS))
    await take()
    await screen.findByText('5 rows taken from self-test.csv')
    expect(said).toBe('not-proven')
    await user.type(screen.getByLabelText('overfrequency, lets go at'), '52.9 Hz')
    await user.type(screen.getByLabelText('overfrequency, after'), '0.1 s')
    expect(said).toBe('does-not-conform')
  })

  it('with a row that nobody asks for, nothing of it is taken, and the row is named', async () => {
    fill('house-grid-rules-a', 'self-test')
    await opens(file(...ROWS, 'islanding,1,1'))
    await take()
    expect(
      await screen.findByText(/^row 7, test: no row of this check is called “islanding”/),
    ).toBeInTheDocument()
    expect(screen.getByLabelText('underfrequency, after')).toHaveProperty('value', '')
  })
})
