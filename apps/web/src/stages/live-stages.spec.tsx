/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { fireEvent, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../testing/job-on-screen.testing.js'
import { CloseUp } from './close-up/close-up.js'
import { PowerUp } from './power-up/power-up.js'

const user = userEvent.setup()
const UNIT: Change = {
  kind: 'unit-fitted',
  body: { id: 'inv', label: 'Inverter', sheetId: 'aldervane-ah-8t-c' },
}
const open = (role: 'inspector' | 'reviewer', ...more: Change[]) =>
  openJob([UNIT, ...more], { sheets: [sampleSheet('aldervane-ah-8t-c')], role })
const press = (name: string | RegExp, inside = screen as Pick<typeof screen, 'getByRole'>) =>
  user.click(inside.getByRole('button', { name }))
const part = (name: string) => within(screen.getByRole('region', { name: `${name}, Inverter` }))
const poweringUp = () => part('Order of powering up')
const answers = () => appended().map(({ body }) => (body as { answer: object }).answer)
const steps = (...done: { id: string; at: string }[]): Change => ({
  kind: 'record',
  body: { point: 'inv/power-up/unit', answer: { done } },
})

/** However busy the machine is, no second goes by meanwhile. Whatever waits for something else goes on. */
async function whileTheClockStands(work: () => Promise<void>): Promise<void> {
  const real = globalThis.Date
  const now = Date.parse('2026-06-01T12:00:00Z')
  const Standing = class extends real {
    constructor(...at: [] | [string | number]) {
      super(at[0] ?? now)
    }
    static override now = () => now
  }
  globalThis.Date = Standing as unknown as DateConstructor
  await work().finally(() => (globalThis.Date = real))
}

describe('powering up', () => {
  it('one touch keeps a step, also when the thumb comes down twice, and the wait counts down', async () => {
    open('inspector')
    onScreen(<PowerUp />)
    await whileTheClockStands(async () => {
      await press('Done: switch the mains on', poweringUp())
      expect(screen.getByRole('timer')).toHaveTextContent('0:30')
      await press(/^Done/, poweringUp())
    })
    expect(answers()).toMatchObject([{ done: [{ id: 'mains' }] }])
  })
  it('too soon is said before it is done, and after', async () => {
    open('inspector', steps({ id: 'mains', at: new Date(Date.now() - 5000).toISOString() }))
    onScreen(<PowerUp />)
    await press('Done too soon: turn the DC switch on', poweringUp())
    expect(screen.getByText(/2\d s too soon/)).toBeInTheDocument()
    expect(answers()).toMatchObject([{ done: [{ id: 'mains' }, { id: 'dc' }] }])
  })
  it('while a stop stands it is not done, or somebody allowed it for a reason, and both are kept', async () => {
    const stop = {
      kind: 'defect-raised',
      body: {
        defectId: 'd',
        checkId: 'inv/mains-voltage/unit',
        severity: 'stop',
        title: 'Mains voltage',
        place: 'Inverter',
        finding: '270 V',
        remedy: 'Call the network operator.',
      },
    } as Change
    open('inspector', stop)
    onScreen(<PowerUp />)
    await press('Done: switch the mains on', poweringUp())
    expect(answers()).toEqual([])
    const asked = within(poweringUp().getByRole('group', { name: 'A stop stands' }))
    expect(
      asked.getByText(/Do not: switch the mains on.*Mains voltage, Inverter is open/),
    ).toBeInTheDocument()
    await user.type(asked.getByLabelText('Why it had to be'), 'the pumps were needed')
    expect(asked.getByRole('button', { name: 'It was done' })).toBeDisabled()
    await user.type(asked.getByLabelText('Allowed by'), 'Isaura Penhale')
    await user.click(asked.getByRole('button', { name: 'It was done' }))
    expect(answers()).toMatchObject([
      { done: [{ id: 'mains', allowed: { reason: 'the pumps were needed', by: 'Isaura Penhale' } }] },
    ])
  })
  it('a clock that was set back since the last step does not bar the next', async () => {
    open('inspector', steps({ id: 'mains', at: new Date(Date.now() + 3_600_000).toISOString() }))
    onScreen(<PowerUp />)
    await press(/turn the DC switch on$/, poweringUp())
    expect(answers()).toMatchObject([{ done: [{ id: 'mains' }, { id: 'dc' }] }])
  })
  it('the last step can be taken back; after the last there is nothing more to do', async () => {
    const at = (second: number) => new Date(Date.UTC(2026, 5, 1, 8, 0, second)).toISOString()
    open(
      'inspector',
      steps({ id: 'mains', at: at(0) }, { id: 'dc', at: at(31) }, { id: 'start', at: at(45) }),
    )
    onScreen(<PowerUp />)
    expect(poweringUp().queryByRole('button', { name: /^Done/ })).toBeNull()
    await press('Take the last one back', poweringUp())
    expect(poweringUp().getByRole('button', { name: 'Done: release the unit' })).toBeInTheDocument()
  })
  it('the pattern that is seen answers, and says what it means and what to do', async () => {
    open('inspector')
    onScreen(<PowerUp />)
    await press(/^red, two short/)
    expect(screen.getByRole('status')).toHaveTextContent('insulation fault of the array: isolate and measure')
    expect(answers()).toEqual([{ chosen: 'red' }])
  })
  it('who only reads has no button', () => {
    open('reviewer')
    onScreen(<PowerUp />)
    expect(screen.queryByRole('button', { name: /Done|Take/ })).toBeNull()
    expect(screen.getByRole('button', { name: /^red, two short/ })).toBeDisabled()
  })
})

describe('closing up', () => {
  it('bolts are kept as they are touched', () => {
    open('inspector')
    onScreen(<CloseUp />)
    fireEvent.click(screen.getByRole('button', { name: /^Bolt 1,/ }))
    fireEvent.click(screen.getByRole('button', { name: /^Bolt 4,/ }))
    expect(answers()).toEqual([{ done: ['b1'] }, { done: ['b1', 'b4'] }])
  })
  it('every photo that is asked for has a frame', () => {
    open('inspector')
    onScreen(<CloseUp />)
    for (const name of ['nameplate', 'open terminal space', 'unit closed, with labels'])
      expect(within(screen.getByRole('group', { name })).getByText('not taken yet')).toBeInTheDocument()
  })
})
