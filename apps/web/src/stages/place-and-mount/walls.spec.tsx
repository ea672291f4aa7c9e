/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { fireEvent, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../../testing/job-on-screen.testing.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { JobStatus } from '../../job/job-status.js'
import { CheckList } from '../../checks/check-list.js'
import { Walls } from './walls.js'

const user = userEvent.setup()
const SHEETS = ['aldervane-ah-8t-c', 'aldervane-dx-4-a'].map(sampleSheet)
const WALL: Change = {
  kind: 'wall-measured',
  body: {
    id: 'w',
    title: 'North wall',
    width: 4000,
    height: 2600,
    leftCorner: true,
    rightCorner: false,
    uncertainty: 2,
    tape: 'Tape T1',
  },
}
const inverter = (id: string, x: number): Change => ({
  kind: 'unit-fitted',
  body: {
    id,
    label: id,
    sheetId: 'aldervane-ah-8t-c',
    serial: 'S',
    place: { wallId: 'w', x, y: 1000, w: 520, h: 680 },
  },
})
const built = () => useInspection.getState().inspection!.state.asBuilt
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }))
const touch = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }))
const measures = (label: string) => within(screen.getByRole('region', { name: `Measures of ${label}` }))
async function retype(field: HTMLElement, text: string) {
  await user.clear(field)
  await user.type(field, text)
}

it('a wall is measured with its tape, whose uncertainty becomes that of a gap', async () => {
  openJob([], { sheets: SHEETS })
  onScreen(<Walls />)
  expect(screen.getByText('No wall has been measured yet: add the first.')).toBeInTheDocument()
  await press('Wall')
  await user.type(screen.getByLabelText('Name'), 'Cellar')
  await user.type(screen.getByLabelText('Width, corner to corner'), '13 ft')
  await press('Save the wall')
  expect(built().walls).toMatchObject([
    { title: 'Cellar', width: 3962.4, leftCorner: true, tape: 'Tape T1', uncertainty: 1.41 },
  ])
})

describe('a thing on the wall', () => {
  it('is followed while its offset is typed, and kept with Enter with what was typed', async () => {
    openJob([WALL, inverter('inv', 300)], { sheets: SHEETS })
    onScreen(<Walls />)
    touch('inv')
    const field = measures('inv').getByLabelText('From the datum to its left edge')
    await retype(field, '19 1/2 in')
    expect(useInspection.getState().draft!.units[0]!.place!.x).toBeCloseTo(495.3, 6)
    expect(appended()).toEqual([])
    await user.keyboard('{Enter}')
    expect(built().units[0]!.place).toMatchObject({ x: expect.closeTo(495.3, 6), typed: { x: '19 1/2 in' } })
    expect(useInspection.getState().draft).toBeUndefined()
  })
  it('cannot be given what is no measure, and stays where it is', async () => {
    openJob([WALL, inverter('inv', 300)], { sheets: SHEETS })
    onScreen(<Walls />)
    touch('inv')
    await retype(measures('inv').getByLabelText('Width'), '0')
    await user.keyboard('{Enter}')
    expect(screen.getByRole('alert').textContent).toBe('must be greater than zero')
    expect(appended()).toEqual([])
  })
  it('is placed by a gap from a neighbour, copied without its serial, and taken away again', async () => {
    openJob([WALL, inverter('one', 300), inverter('two', 3000)], { sheets: SHEETS })
    onScreen(
      <>
        <JobStatus />
        <Walls />
      </>,
    )
    touch('two')
    await user.type(measures('two').getByLabelText('Or by a gap of'), '400')
    await user.selectOptions(measures('two').getByLabelText('what'), 'one')
    await press('Place it')
    expect(built().units[1]!.place!.x).toBe(300 + 520 + 400)
    await press('Copy')
    expect(built().units[2]).toMatchObject({ label: 'two copy', place: { x: 1220 + 520 + 300, typed: {} } })
    expect(built().units[2]!.serial).toBeUndefined()
    await press('Remove')
    expect(built().units).toHaveLength(2)
    await press('Undo')
    expect(built().units).toHaveLength(3)
  })
  it('touched opens the check that is wrong with it', () => {
    openJob([WALL, inverter('one', 300), inverter('two', 900)], { sheets: SHEETS })
    onScreen(<Walls />)
    touch('two')
    expect(useFocus.getState().checkId).toMatch(/^two\/clear\//)
  })
  it('a defect is raised on what is kept, not on a measure that is being typed', async () => {
    openJob([WALL, inverter('one', 300), inverter('two', 900)], { sheets: SHEETS })
    onScreen(
      <>
        <Walls />
        <CheckList stage="place-and-mount" />
      </>,
    )
    touch('two')
    expect(await screen.findByRole('button', { name: 'Raise the defect' })).toBeInTheDocument()
    const field = measures('two').getByLabelText('From the datum to its left edge')
    await retype(field, '910 mm')
    expect(screen.queryByRole('button', { name: 'Raise the defect' })).not.toBeInTheDocument()
    await user.keyboard('{Enter}')
    expect(await screen.findByRole('button', { name: 'Raise the defect' })).toBeInTheDocument()
  })
})

describe('adding to a wall', () => {
  it('a unit comes with the size of its sheet, to the right of all that hangs there', async () => {
    openJob([WALL, inverter('one', 300)], { sheets: SHEETS })
    onScreen(<Walls />)
    await press('Unit')
    await user.selectOptions(await screen.findByLabelText('Sheet'), 'Aldervane DX-4, revision A')
    await user.type(screen.getByLabelText('Name on site'), 'Isolator')
    await press('Add')
    expect(built().units[1]).toMatchObject({
      label: 'Isolator',
      sheetId: 'aldervane-dx-4-a',
      place: { x: 300 + 520 + 300, w: SHEETS[1]!.size!.width },
    })
    expect(measures('Isolator').getByLabelText('Width')).toHaveValue('180 mm')
  })
  it('a unit that hangs nowhere yet is offered first', async () => {
    openJob(
      [WALL, { kind: 'unit-fitted', body: { id: 'loose', label: 'Loose', sheetId: 'aldervane-dx-4-a' } }],
      { sheets: SHEETS },
    )
    onScreen(<Walls />)
    await press('Unit')
    expect(screen.getByLabelText('Unit')).toHaveProperty('value', 'loose')
    await press('Add')
    expect(built().units).toMatchObject([{ id: 'loose', place: { wallId: 'w' } }])
  })
  it('an obstruction is of a class', async () => {
    openJob([WALL], { sheets: SHEETS })
    onScreen(<Walls />)
    await press('Obstruction')
    await user.selectOptions(await screen.findByLabelText('What is it?'), 'window')
    await press('Add')
    expect(built().walls[0]!.obstructions).toMatchObject([{ class: 'window', label: 'window' }])
  })
})

it('a gap measured by itself disagrees with the offsets: the misclosure says by how much, and to read again', async () => {
  openJob([WALL, inverter('one', 300), inverter('two', 1200)], { sheets: SHEETS })
  onScreen(<Walls />)
  await press('Gaps')
  await user.selectOptions(await screen.findByLabelText('From'), 'one')
  await user.selectOptions(screen.getByLabelText('To'), 'two')
  await user.type(screen.getByLabelText('Gap as read'), '390')
  await press('Add')
  expect(screen.getByText('+10 mm: read again')).toBeInTheDocument()
  await press('Remove the gap one to two')
  expect(built().walls[0]!.gaps).toEqual([])
})

it('a sealed or foreign wall is looked at only', () => {
  openJob([WALL, inverter('one', 300)], { sheets: SHEETS, role: 'reviewer' })
  onScreen(<Walls />)
  touch('one')
  expect(screen.queryByRole('button', { name: 'Copy' })).toBeNull()
  expect(measures('one').getByLabelText('Width')).toHaveProperty('readOnly', true)
})
