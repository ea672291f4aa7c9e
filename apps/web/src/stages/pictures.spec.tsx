/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { fireEvent, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { AsBuilt } from '@plumb-mark/core'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../testing/job-on-screen.testing.js'
import { useInspection } from '../job/inspection.js'
import { useFocus } from '../job/focus.js'
import type { ReactNode } from 'react'
import { JobStatus } from '../job/job-status.js'
import { BondingTree } from './earthing/bonding-tree.js'
import { OneLine } from './ac/one-line.js'
import { Roof } from './roof/roof.js'

const user = userEvent.setup()
const SHEETS = ['aldervane-ah-8t-c', 'wendlemere-wm-430-b', 'sorrelight-me-1-b', 'house-ac-rules-a'].map(
  sampleSheet,
)
const fitted = (id: string, label: string, sheetId: string): Change => ({
  kind: 'unit-fitted',
  body: { id, label, sheetId },
})
const UNITS = [
  fitted('inv', 'Inverter', 'aldervane-ah-8t-c'),
  fitted('mod', 'Modules', 'wendlemere-wm-430-b'),
  fitted('box', 'Devices', 'sorrelight-me-1-b'),
  fitted('rules', 'Rules', 'house-ac-rules-a'),
]
const PLANE: Change = {
  kind: 'plane-built',
  body: {
    id: 'p',
    label: 'South',
    unitId: 'mod',
    rows: 1,
    columns: 3,
    orientation: 'portrait',
    gap: 20,
    empty: [],
  },
}
const built = (): AsBuilt => useInspection.getState().inspection!.state.asBuilt
/** A picture under the bar of its job, where undo and redo are. */
const inTheJob = (picture: ReactNode) => (
  <>
    <JobStatus />
    {picture}
  </>
)
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }))
/** Touches a thing in a drawing; the gestures of the frame around it need a real pointer. */
const touch = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }))
const choose = (label: string, option: string) => user.selectOptions(screen.getByLabelText(label), option)

describe('the bonding tree', () => {
  it('begins with the main earth terminal and what has to be bonded; a bond ties the two', async () => {
    openJob(UNITS, { sheets: SHEETS })
    onScreen(<BondingTree />)
    await press(/^Main earth terminal and the/)
    expect(built().earth.parts.map(({ label }) => label)).toEqual(
      expect.arrayContaining(['Main earth terminal', 'Inverter']),
    )
    touch(/^Inverter, /)
    await press('Bond it')
    await choose('By', 'lug on copper')
    await user.type(screen.getByLabelText('Size'), '6')
    await press('Save the bond')
    expect(built().earth.bonds).toMatchObject([{ means: 'lug', size: 6 }])
    expect(screen.getByRole('button', { name: 'Bond, lug on copper' })).toBeInTheDocument()
  })
  it('a part taken away takes its bonds with it, and undo brings both back', async () => {
    openJob(
      [
        ...UNITS,
        { kind: 'earth-part-found', body: { id: 'a', label: 'Frame', kind: 'frame' } },
        { kind: 'earth-part-found', body: { id: 'b', label: 'Bar', kind: 'bar' } },
        { kind: 'bond-made', body: { id: 'c', from: 'a', to: 'b', means: 'lug' } },
      ],
      { sheets: SHEETS },
    )
    onScreen(inTheJob(<BondingTree />))
    touch(/^Frame, /)
    await press('Remove, with its bonds')
    expect([built().earth.parts.length, built().earth.bonds.length]).toEqual([1, 0])
    await user.keyboard('{Control>}z{/Control}')
    expect([built().earth.parts.length, built().earth.bonds.length]).toEqual([2, 1])
    await press('Redo')
    expect(built().earth.parts).toHaveLength(1)
  })
  it('a bond from a part to itself cannot be kept', async () => {
    openJob(
      [
        ...UNITS,
        { kind: 'earth-part-found', body: { id: 'a', label: 'Frame', kind: 'frame' } },
        { kind: 'earth-part-found', body: { id: 'b', label: 'Bar', kind: 'bar' } },
      ],
      { sheets: SHEETS },
    )
    onScreen(<BondingTree />)
    await press('Add a bond')
    await choose('From', 'Bar')
    expect(screen.getByRole('button', { name: 'Save the bond' })).toHaveProperty('disabled', true)
  })
})

describe('the one-line diagram', () => {
  const TRACED: Change[] = [
    { kind: 'part-placed', body: { id: 'grid', label: 'Grid', kind: 'grid', source: 63 } },
    { kind: 'part-placed', body: { id: 'sw', label: 'Switch', kind: 'isolator', rating: 40 } },
    { kind: 'part-placed', body: { id: 'board', label: 'Board', kind: 'board' } },
    {
      kind: 'conductor-run',
      body: {
        id: 'c1',
        from: 'grid',
        to: 'sw',
        phases: 3,
        voltage: 400,
        size: 16,
        length: 5,
        insulation: 'pvc',
        method: 'C',
        ambient: 30,
        grouped: 1,
      },
    },
    {
      kind: 'conductor-run',
      body: {
        id: 'c2',
        from: 'sw',
        to: 'board',
        phases: 3,
        voltage: 400,
        size: 16,
        length: 5,
        insulation: 'pvc',
        method: 'C',
        ambient: 30,
        grouped: 1,
      },
    },
  ]
  it('begins from the arrangement that comes nearest, with the units of the job in their places', async () => {
    openJob(UNITS, { sheets: SHEETS })
    onScreen(inTheJob(<OneLine />))
    await press(/^one board/)
    expect(built().network.parts.map(({ kind }) => kind)).toEqual([
      'grid',
      'device',
      'board',
      'load',
      'device',
      'inverter',
    ])
    expect(screen.getByRole('button', { name: 'Inverter, inverter' })).toBeInTheDocument()
    await press('Undo')
    expect(built().network.parts).toEqual([])
  })
  it('a part says what it carries at worst, may carry and is protected by; the check opens with it', async () => {
    openJob([...UNITS, ...TRACED], { sheets: SHEETS })
    onScreen(<OneLine />)
    touch('Switch, isolator')
    expect(
      screen.getByText(
        'Carries 63 A at worst, may carry 40 A; no protective device between it and the grid.',
      ),
    ).toBeInTheDocument()
    expect(useFocus.getState().checkId).toBe('rules/ratings/sw')
  })
  it('a device put into a cable cuts it in two, and limits what comes behind it', async () => {
    openJob([...UNITS, ...TRACED], { sheets: SHEETS })
    onScreen(<OneLine />)
    await press('Add a part')
    await user.clear(screen.getByLabelText('Name'))
    await user.type(screen.getByLabelText('Name'), 'Fuse')
    await choose('What it is', 'protective device')
    await user.type(screen.getByLabelText('Rating'), '35')
    await choose('Put into the cable', 'Grid – Switch')
    await press('Save the part')
    expect(built().network.conductors).toHaveLength(3)
    touch('Switch, isolator')
    expect(
      screen.getByText('Carries 35 A at worst, may carry 40 A; protected by Fuse, 35 A.'),
    ).toBeInTheDocument()
  })
  it('a cable says who feeds it', async () => {
    openJob([...UNITS, ...TRACED], { sheets: SHEETS })
    onScreen(<OneLine />)
    touch('Cable Switch to Board')
    expect(screen.getByText(/^Fed by Grid 63 A; carries 63 A/)).toBeInTheDocument()
    await choose('To', 'Switch')
    expect(screen.getByRole('button', { name: 'Save the cable' })).toHaveProperty('disabled', true)
  })
  it('is read, not changed, by who does not inspect', async () => {
    openJob([...UNITS, ...TRACED], { sheets: SHEETS, role: 'reviewer' })
    onScreen(<OneLine />)
    touch('Board, board')
    expect(screen.queryByRole('button', { name: 'Save the part' })).toBeNull()
    expect(screen.getByLabelText('Name').closest('fieldset')).toHaveProperty('disabled', true)
  })
})

describe('the array map', () => {
  it('a plane is laid, its modules counted while the figures are typed', async () => {
    openJob(UNITS, { sheets: SHEETS })
    onScreen(<Roof />)
    await user.clear(screen.getByLabelText('Rows'))
    await user.type(screen.getByLabelText('Rows'), '3')
    expect(screen.getByText('18 modules')).toBeInTheDocument()
    await press('Add the plane')
    expect(built().array.planes).toMatchObject([{ rows: 3, columns: 6, unitId: 'mod' }])
  })
  it('a string is walked from module to module, judged on the way, kept with its path', async () => {
    openJob([...UNITS, PLANE], { sheets: SHEETS })
    onScreen(<Roof />)
    await press('Strings')
    for (const place of [1, 2, 3]) touch(new RegExp(`^row 1, place ${place}`))
    expect(screen.getByText(/^3 modules, 1290 W/)).toBeInTheDocument()
    expect(screen.getByText('does not conform')).toBeInTheDocument()
    await press('Last module back')
    await press('Save the string')
    expect(built().strings).toMatchObject([
      {
        label: 'String A',
        unitId: 'inv',
        path: ['p.r1c1', 'p.r1c2'],
        count: 2,
        module: { voc: expect.any(Number) },
      },
    ])
  })
  it('a whole row is walked in one touch, with Shift or by the button for fingers', async () => {
    openJob([...UNITS, PLANE], { sheets: SHEETS })
    onScreen(<Roof />)
    await press('Strings')
    touch(/^row 1, place 1/)
    fireEvent.click(screen.getByRole('button', { name: /^row 1, place 3/ }), { shiftKey: true })
    expect(screen.getByText(/^3 modules, 1290 W/)).toBeInTheDocument()
    await press('Last module back')
    await press('Last module back')
    await press('All up to …')
    touch(/^row 1, place 3/)
    expect(screen.getByText(/^3 modules, 1290 W/)).toBeInTheDocument()
    expect(screen.getByRole('button', { name: 'All up to …' })).toHaveAttribute('aria-pressed', 'false')
  })
  it('two strings walked one after the other are two, each by its own school for the coldest morning', async () => {
    openJob([...UNITS, PLANE], { sheets: SHEETS })
    onScreen(<Roof />)
    await press('Strings')
    touch(/^row 1, place 1/)
    await press('Save the string')
    touch(/^row 1, place 2/)
    await user.clear(screen.getByLabelText('Input'))
    await user.type(screen.getByLabelText('Input'), 'PV2')
    await choose('Coldest morning by', 'the table by temperature')
    await press('Save the string')
    expect(built().strings).toMatchObject([
      { label: 'String A', input: 'PV1', coldMethod: 'coefficient' },
      { label: 'String B', input: 'PV2', coldMethod: 'table' },
    ])
    await choose('String', 'String B')
    touch(/^row 1, place 3/)
    await press('Save the string')
    expect(built().strings[1]).toMatchObject({ path: ['p.r1c2', 'p.r1c3'], coldMethod: 'table' })
  })
  it('devices go on every free module and are named as one walks; a serial that stands twice is told', async () => {
    openJob([...UNITS, PLANE], { sheets: SHEETS })
    onScreen(<Roof />)
    await press('Module electronics and serials')
    await user.click(await screen.findByRole('button', { name: /free modules$/ }))
    await user.type(screen.getByLabelText(/^Serial at row 1, place 1/), 'SL-1{Enter}')
    await user.type(screen.getByLabelText(/^Serial at row 1, place 2/), 'sl1')
    expect(screen.getByRole('alert').textContent).toContain('the same serial stands at row 1, place 1')
    expect(built().array.devices.map(({ serial }) => serial)).toEqual(['SL-1', undefined, undefined])
  })
  it('branches are walked from the board outwards; the next has the next name, and belongs to the devices it feeds', async () => {
    openJob(
      [
        fitted('mod', 'Modules', 'wendlemere-wl-395-a'),
        fitted('other', 'Others', 'sorrelight-sp-380-c'),
        fitted('box', 'Devices', 'sorrelight-sp-380-c'),
        PLANE,
        {
          kind: 'devices-fitted',
          body: {
            devices: [1, 2, 3].map((n) => ({
              id: `d${n}`,
              unitId: 'box',
              at: `p.r1c${n}`,
              feeds: [`p.r1c${n}`],
              idlePorts: 0,
              cappedPorts: 0,
            })),
          },
        },
      ],
      { sheets: ['wendlemere-wl-395-a', 'sorrelight-sp-380-c'].map(sampleSheet) },
    )
    onScreen(<Roof />)
    await press('Branches')
    const read = async () => {
      await user.selectOptions(screen.getByLabelText('Phases'), 'one, or split phase')
      await user.type(screen.getByLabelText('Voltage'), '230')
      await user.type(screen.getByLabelText('Breaker'), '16')
    }
    touch(/^row 1, place 1/)
    touch(/^row 1, place 2/)
    // What is usual stands in no breaker: it is asked for, and nothing is saved before.
    expect(
      screen.getByText(/^Still to be entered: its phases, its voltage and its breaker\.$/),
    ).toBeInTheDocument()
    expect(screen.getByRole('button', { name: 'Save the branch' })).toBeDisabled()
    await read()
    for (const [label, text] of [
      ['Cable to the first', '18'],
      ['Its size', '4'],
      ['From one to the next', '2'],
      ['Its size there', '2.5'],
    ] as const)
      await user.type(screen.getByLabelText(label), text)
    await press('Save the branch')
    expect(screen.getByLabelText('Name')).toHaveProperty('value', 'Branch 2')
    touch(/^row 1, place 3/)
    await read()
    await press('Save the branch')
    expect(built().array.branches).toMatchObject([
      {
        label: 'Branch 1',
        unitId: 'box',
        devices: ['d1', 'd2'],
        segments: [
          { length: 18, size: 4 },
          { length: 2, size: 2.5 },
        ],
      },
      { label: 'Branch 2', devices: ['d3'] },
    ])
  })
  it('a serial list comes in whole or not at all', async () => {
    openJob(
      [
        ...UNITS,
        PLANE,
        {
          kind: 'devices-fitted',
          body: {
            devices: [1, 2].map((n) => ({
              id: `d${n}`,
              unitId: 'box',
              at: `p.r1c${n}`,
              feeds: [`p.r1c${n}`],
              idlePorts: 0,
              cappedPorts: 0,
            })),
          },
        },
      ],
      { sheets: SHEETS },
    )
    onScreen(<Roof />)
    await press('Module electronics and serials')
    const file = (text: string) =>
      Object.assign(new File([text], 'list.csv', { type: 'text/csv' }), { text: async () => text })
    await user.upload(
      screen.getByLabelText('Serial list'),
      file('place,serial\r\np.r1c1,A-1\r\np.r9c9,B-2\r\n'),
    )
    expect(screen.getByText(/^list.csv, row 3:/)).toBeInTheDocument()
    expect(appended()).toEqual([])
    await user.upload(
      screen.getByLabelText('Serial list'),
      file('place,serial\r\np.r1c1,A-1\r\np.r1c2,B-2\r\n'),
    )
    expect(built().array.devices.map(({ serial }) => serial)).toEqual(['A-1', 'B-2'])
  })
})
