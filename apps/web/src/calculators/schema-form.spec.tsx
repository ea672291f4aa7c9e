/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { CALCULATORS, readDraft, type CalculatorName } from '@plumb-mark/core'
import { prefer, usePreferences } from '../data/preferences.js'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { CATALOGUE } from '../data/calculators/catalogue.js'
import { Result } from './result.js'
import { SchemaForm } from './schema-form.js'
import { UseInJob } from './use-in-job.js'
import { FormWordsContext, wordsOfCalculator } from './words/context.js'

const user = userEvent.setup()
let draft: unknown

/** The form of a calculator, with its own faults beside its fields as they are typed. */
function Form({
  name,
  begin,
  onDraft,
}: {
  name: CalculatorName
  begin: object
  onDraft: (draft: unknown) => void
}) {
  const [value, setValue] = useState<Record<string, unknown>>(begin as never)
  const change = (next: unknown) => (setValue(next as never), onDraft(next))
  return (
    <FormWordsContext value={wordsOfCalculator(name)}>
      <SchemaForm
        schema={CALCULATORS[name].input}
        value={value}
        path=""
        label=""
        problems={
          readDraft(CALCULATORS[name].input, value, { decimal: usePreferences.getState().decimal }).problems
        }
        onChange={change}
      />
    </FormWordsContext>
  )
}
function fill(name: CalculatorName, begin: object = CATALOGUE[name].example) {
  draft = begin
  onScreen(<Form name={name} begin={begin} onDraft={(next) => (draft = next)} />)
}
beforeEach(() => prefer({ decimal: 'point' }))

describe('a form made from what a calculator reads', () => {
  it('takes any unit of a figure, and says in place what does not read', async () => {
    fill('fixings')
    await user.clear(screen.getByLabelText('Mass, kg'))
    await user.type(screen.getByLabelText('Mass, kg'), '70 lb')
    expect(readDraft(CALCULATORS.fixings.input, draft).input).toMatchObject({
      mass: expect.closeTo(31.75, 2),
    })
    await user.type(screen.getByLabelText('Mass, kg'), ' apples')
    expect(screen.getByRole('alert').textContent).not.toBe('')
  })
  it('changes its fields with the school that is chosen', async () => {
    fill('conductor')
    expect(screen.queryByLabelText(/^Insulation rated/)).toBeNull()
    await user.selectOptions(screen.getByLabelText('Rules'), 'nec')
    expect(screen.getByLabelText(/^Insulation rated/)).toBeInTheDocument()
  })
  it('grows a list from its last row, and takes rows out', async () => {
    fill('power-balance')
    const before = (draft as { samples: object[] }).samples
    await user.click(screen.getAllByRole('button', { name: 'Add' })[0]!)
    expect((draft as { samples: object[] }).samples).toEqual([...before, before.at(-1)])
    await user.click(screen.getByRole('button', { name: 'Remove Moments 1' }))
    expect((draft as { samples: object[] }).samples).toHaveLength(before.length)
  })
  it.each([
    [
      'point',
      '0\t100\n1\t200\n2\t300',
      [
        { t: '0', power: '100' },
        { t: '1', power: '200' },
        { t: '2', power: '300' },
      ],
    ],
    [
      'comma',
      '0,5;100\n1;200,25',
      [
        { t: '0,5', power: '100' },
        { t: '1', power: '200,25' },
      ],
    ],
  ] as const)(
    'takes a block that is pasted into its table, with a decimal %s',
    async (decimal, text, rows) => {
      prefer({ decimal })
      fill('limit-response')
      expect(screen.queryByLabelText(/^Trace: one line each/)).toBeNull()
      await user.click(screen.getAllByRole('textbox', { name: /^Time, row 1/ })[0]!)
      await user.paste(text)
      expect((draft as { samples: object[] }).samples.slice(0, rows.length)).toMatchObject(rows)
    },
  )
  it('names the rows of a dictionary, none twice', async () => {
    fill('settings', { expected: {}, recorded: {} })
    const name = screen.getAllByLabelText('Name of a new row')[1]!
    await user.type(name, 'floor{Enter}')
    await user.type(screen.getAllByLabelText('Name of a new row')[1]!, 'floor{Enter}')
    expect(draft).toMatchObject({ recorded: { floor: '' } })
    await user.click(screen.getByRole('button', { name: 'Remove floor' }))
    expect(draft).toMatchObject({ recorded: {} })
  })
})

describe('a result', () => {
  const show = (name: CalculatorName, input: object) =>
    onScreen(
      <Result
        name={name}
        input={input}
        answer={{ state: 'done', result: CALCULATORS[name].compute(input as never) as never }}
        onCancel={() => undefined}
      />,
    )
  it('shows verdict, figures, arithmetic and cautions', () => {
    show('insulation', { systemVoltage: 400, testVoltage: 250, measured: { value: 900 } })
    expect(screen.getByText('not proven')).toBeInTheDocument()
    expect(screen.getByText('Test voltage asked for').nextSibling!.textContent).toBe('500 V')
    expect(screen.getByLabelText('Working').children.length).toBeGreaterThan(0)
  })
  it('that cannot be worked out says what is wrong', () => {
    onScreen(
      <Result
        name="insulation"
        input={{}}
        answer={{
          state: 'refused',
          error: { code: 'missing', message: 'systemVoltage is required', path: 'systemVoltage' },
        }}
        onCancel={() => undefined}
      />,
    )
    expect(screen.getByRole('alert').textContent).toContain('systemVoltage is required')
  })
  it('that is still searched for shows how far it is, and can be called off', async () => {
    let called = false
    onScreen(
      <Result
        name="clearance-rework"
        input={{}}
        answer={{ state: 'searching', part: 0.4 }}
        onCancel={() => (called = true)}
      />,
    )
    expect(screen.getByRole('status').textContent).toContain('40 %')
    await user.click(screen.getByRole('button', { name: 'Cancel' }))
    expect(called).toBe(true)
  })
})

describe('a calculation kept in a job', () => {
  const OPEN = { id: 'a', number: 'PM-1', title: 'Barn', sealed: false }
  /** The server is asked for those that are open, and has a sealed one as well. */
  const JOBS = {
    'GET /api/jobs?state=open&limit=200': { jobs: [OPEN], total: 1, beingRead: 0 },
    'GET /api/jobs': {
      jobs: [OPEN, { ...OPEN, id: 'b', title: 'Shed', sealed: true }],
      total: 2,
      beingRead: 0,
    },
  }
  it('goes to a job that is still open, with its inputs', async () => {
    openJob([], { role: 'inspector' })
    serverSays({ ...JOBS })
    onScreen(<UseInJob name="reserve" input={{ capacityKwh: 10 }} />)
    await user.click(screen.getByRole('button', { name: 'Use this in a job' }))
    expect(await screen.findByRole('option', { name: 'PM-1 Barn' })).toBeInTheDocument()
    expect(screen.queryByRole('option', { name: /Shed/ })).toBeNull()
    await user.selectOptions(screen.getByLabelText('Job'), 'a')
    await user.click(screen.getByRole('button', { name: 'Save there' }))
    expect(await screen.findByText(/^Kept in the job/)).toBeInTheDocument()
    expect(asked.at(-1)).toMatchObject({
      address: '/api/jobs/a/entries',
      body: {
        entries: [{ kind: 'calculation-kept', body: { calculator: 'reserve', input: { capacityKwh: 10 } } }],
      },
    })
  })
  it('that is refused says so; who may not write is not asked', async () => {
    openJob([], { role: 'inspector' })
    serverSays({
      ...JOBS,
      'POST /api/jobs/a/entries': refusal(409, 'sealed', 'sealed meanwhile'),
    })
    const { unmount } = onScreen(<UseInJob name="reserve" input={{}} />)
    await user.click(screen.getByRole('button', { name: 'Use this in a job' }))
    await screen.findByRole('option', { name: 'PM-1 Barn' })
    await user.selectOptions(screen.getByLabelText('Job'), 'a')
    await user.click(screen.getByRole('button', { name: 'Save there' }))
    expect(await screen.findByText('Not kept: sealed meanwhile')).toBeInTheDocument()
    unmount()
    openJob([], { role: 'reviewer' })
    onScreen(<UseInJob name="reserve" input={{}} />)
    expect(screen.queryByRole('button')).toBeNull()
  })
})
