/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../testing/job-on-screen.testing.js'
import { useInspection } from '../job/inspection.js'
import { useFocus } from '../job/focus.js'
import { Battery } from './battery/battery.js'
import { Meter } from './meter/meter.js'
import { StringByCount } from './dc/string-by-count.js'
import { Terminals } from './terminals.js'
import { TesterImport } from './dc/tester-import.js'
import { usePreferences } from '../data/preferences.js'
import { Units } from './identify/units.js'

const user = userEvent.setup()
const unit = (id: string, sheetId: string, more: object = {}): Change => ({
  kind: 'unit-fitted',
  body: { id, label: id, sheetId, ...more },
})
const record = (point: string, answer: object): Change => ({
  kind: 'record',
  body: { point, answer } as never,
})

describe('the nameplates', () => {
  const plate = (serial: string) => {
    openJob(
      [
        unit('inv', 'aldervane-ah-8t-c', { serial: 'AH8T-1' }),
        record('inv/nameplate/unit', { values: { model: { typed: 'AH-8T' }, serial: { typed: serial } } }),
      ],
      { sheets: [sampleSheet('aldervane-ah-8t-c')] },
    )
    const { unmount } = onScreen(<Units />)
    const drawn = screen.getByText(serial).outerHTML.replace(serial, '')
    expect(screen.getByText('AH8T-1')).toBeInTheDocument()
    unmount()
    return drawn
  }
  it('show ordered beside found: what is only written otherwise is the same, another serial stands out', () => {
    expect(plate('ah8t 1')).toBe(plate('AH-8T1'))
    expect(plate('AH8T-2')).not.toBe(plate('ah8t 1'))
  })
  it('lead to what is still to be identified', async () => {
    openJob([unit('inv', 'aldervane-ah-8t-c')], { sheets: [sampleSheet('aldervane-ah-8t-c')] })
    onScreen(<Units />)
    await user.click(screen.getByRole('button', { name: /5 of 5 left/ }))
    expect(useFocus.getState().checkId).toBe('inv/nameplate/unit')
  })
})

it('a terminal opens the first of its checks that wants something', async () => {
  openJob([unit('inv', 'aldervane-ah-8t-c')], { sheets: [sampleSheet('aldervane-ah-8t-c')] })
  onScreen(<Terminals side="ac" />)
  await user.click(screen.getByRole('button', { name: /^Terminal L1/ }))
  expect(useFocus.getState().checkId).toBe('inv/ac-strip/l1')
})

it('the terminals of a unit are typed as one table', async () => {
  openJob([unit('inv', 'aldervane-ah-8t-c')], { sheets: [sampleSheet('aldervane-ah-8t-c')] })
  onScreen(<Terminals side="dc" />)
  await user.click(screen.getByRole('button', { name: 'As a table' }))
  expect(useFocus.getState().groupKey).toBe('aldervane-ah-8t-c readings terminal')
  expect(usePreferences.getState().listOrder).toBe('requirement')
})

it('the data chain of a battery is drawn once for the units of one sheet, and opens its check', () => {
  openJob(
    [unit('inv', 'aldervane-ah-8t-c'), unit('b1', 'thrumcap-tb-10-b'), unit('b2', 'thrumcap-tb-10-b')],
    { sheets: ['aldervane-ah-8t-c', 'thrumcap-tb-10-b'].map(sampleSheet) },
  )
  onScreen(<Battery />)
  expect(screen.getAllByRole('button', { name: /^Data chain/ })).toHaveLength(1)
})

it('transformers say how they were found, each a way to its check', () => {
  openJob([unit('m', 'cobblewick-cm-3-d'), record('m/arrow/l1', { chosen: 'grid' })], {
    sheets: [sampleSheet('cobblewick-cm-3-d')],
  })
  onScreen(<Meter />)
  expect(
    screen.getByRole('button', { name: 'm, transformer L1: found towards the grid' }),
  ).toBeInTheDocument()
  expect(screen.getByRole('button', { name: 'm, transformer L2: not looked at' })).toBeInTheDocument()
})

describe('a string that nobody drew', () => {
  const sheets = ['aldervane-ah-8t-c', 'wendlemere-wm-430-b'].map(sampleSheet)
  it('is entered by its count, and judged on the coldest morning', async () => {
    openJob([unit('inv', 'aldervane-ah-8t-c'), unit('mod', 'wendlemere-wm-430-b')], {
      sheets,
      header: { coldest: -14 },
    })
    onScreen(<StringByCount />)
    await user.click(screen.getByRole('button', { name: 'String by count' }))
    // Nobody has counted them: no usual number stands there, and nothing is saved without one.
    expect(screen.getByLabelText('How many')).toHaveProperty('value', '')
    expect(screen.getByRole('button', { name: 'Save the string' })).toBeDisabled()
    await user.type(screen.getByLabelText('How many'), '26')
    await user.click(screen.getByRole('button', { name: 'Save the string' }))
    expect(appended()).toMatchObject([
      {
        kind: 'string-built',
        body: { label: 'String 1', unitId: 'inv', count: 26, module: { name: 'Wendlemere WM-430' } },
      },
    ])
    const { checks, state } = useInspection.getState().inspection!
    expect(
      checks.find(({ check }) => check.id === `inv/cold/${state.asBuilt.strings[0]!.id}`)!.outcome.verdict,
    ).toBe('does-not-conform')
    await user.click(screen.getByRole('button', { name: 'Change String 1' }))
    await user.clear(screen.getByLabelText('How many'))
    await user.type(screen.getByLabelText('How many'), '12')
    await user.click(screen.getByRole('button', { name: 'Save the string' }))
    expect(useInspection.getState().inspection!.state.asBuilt.strings).toMatchObject([{ count: 12 }])
  })
  it('cannot be kept without modules to make it of', async () => {
    openJob([unit('inv', 'aldervane-ah-8t-c')], { sheets })
    onScreen(<StringByCount />)
    await user.click(screen.getByRole('button', { name: 'String by count' }))
    expect(screen.getByRole('button', { name: 'Save the string' })).toHaveProperty('disabled', true)
  })
})

describe('a tester’s file', () => {
  const string = (id: string): Change => ({
    kind: 'string-built',
    body: {
      id,
      label: `String ${id}`,
      unitId: 'inv',
      input: 'PV1',
      count: 12,
      module: { name: 'M', voc: 38, vocTempCoeff: -0.27, cellsInSeries: 54, bypassDiodes: 3 },
    },
  })
  const file = (text: string) =>
    Object.assign(new File([text], 'tester.csv', { type: 'text/csv' }), { text: async () => text })
  const open = () => {
    openJob([unit('inv', 'aldervane-ah-8t-c'), string('A'), string('B')], {
      sheets: [sampleSheet('aldervane-ah-8t-c')],
    })
    return onScreen(<TesterImport />)
  }
  const take = () => user.click(screen.getByRole('button', { name: 'Take the readings' }))
  it('is read once its columns are known; one bad row and nothing of it is taken', async () => {
    open()
    await user.upload(screen.getByLabelText('Tester file'), file('Circuit,Voc\r\nA,440\r\nZ,441\r\n'))
    await take()
    expect(screen.getByRole('alert').textContent).toContain('row 3, Circuit: no string is called “Z”')
    expect(appended()).toEqual([])
  })
  it('of the same tester is read without asking again', async () => {
    const { unmount } = open()
    const kept = { ...localStorage }
    await user.upload(screen.getByLabelText('Tester file'), file('Run,Volt\r\nA,440\r\n'))
    await user.selectOptions(screen.getByLabelText('string'), 'Run')
    await user.selectOptions(screen.getByLabelText('open-circuit voltage, V'), 'Volt')
    await take()
    expect(appended()).toMatchObject([
      { kind: 'reading', body: { point: 'inv/string-voltage/A', value: 440 } },
    ])
    await user.upload(screen.getByLabelText('Tester file'), file('Run,Volt\r\nB,441\r\n'))
    expect(screen.getByLabelText('open-circuit voltage, V')).toHaveProperty('value', 'Volt')
    expect(Object.keys(localStorage).length).toBeGreaterThan(Object.keys(kept).length)
    unmount()
  })
})

it('the pictures of an empty job say what to do', () => {
  openJob([])
  const { container } = onScreen(<Units />)
  expect(
    within(container).getByText('No unit is entered yet: add the first with its sheet.'),
  ).toBeInTheDocument()
})
