/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import type { TerminalDraft } from '@plumb-mark/core'
import { onScreen } from '../../testing/job-on-screen.testing.js'
import { TerminalTable } from './terminal-table.js'

const user = userEvent.setup()
let written: readonly TerminalDraft[] = []

function show(terminals: readonly TerminalDraft[], problems: Record<string, string> = {}) {
  function Held() {
    const [rows, setRows] = useState(terminals)
    written = rows
    return <TerminalTable terminals={rows} problems={problems} onChange={setRows} />
  }
  onScreen(<Held />)
}
const PV1 = {
  id: 'pv1-plus',
  label: 'PV1 +',
  side: 'dc',
  clamp: 'torque',
  torque: { min: '2.2 N·m', max: '2.8 N·m' },
}
const cell = (name: string) => screen.getByRole('textbox', { name })
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }))

it('says windows as the manual does, and writes them as the file does', async () => {
  show([PV1])
  expect(cell('Torque, PV1 +')).toHaveValue('2.2–2.8 N·m')
  await user.type(cell('Strip length, PV1 +'), '11–13 mm')
  expect(written[0]).toMatchObject({ strip: { min: '11 mm', max: '13 mm' } })
  await user.clear(cell('Torque, PV1 +'))
  expect(written[0]).not.toHaveProperty('torque')
})

it('writes a terminal once more, three phases at once, and fills a figure down', async () => {
  show([PV1])
  await press('Duplicate PV1 +')
  await waitFor(() => expect(cell('As marked, PV2 +')).toHaveFocus())
  await press('L1 to L3')
  expect(written.map(({ label }) => label)).toEqual(['PV1 +', 'PV2 +', 'L1', 'L2', 'L3'])
  await user.click(cell('Torque, PV1 +'))
  await user.clear(cell('Torque, PV1 +'))
  await user.type(cell('Torque, PV1 +'), '3–3.5 N·m')
  await press('Fill torque down')
  expect(written.map(({ torque }) => torque)).toEqual(written.map(() => ({ min: '3 N·m', max: '3.5 N·m' })))
})

it('goes down with Enter, beneath the last into a new one', async () => {
  show([PV1])
  await user.type(cell('Torque, PV1 +'), '{Enter}')
  await waitFor(() => expect(cell('As marked, terminal 2')).toHaveFocus())
  await user.keyboard('PE')
  expect(written[1]).toMatchObject({ label: 'PE' })
  await press('Remove PE')
  expect(written).toHaveLength(1)
})

it('takes a block from a manual’s table, whole or not at all', async () => {
  show([PV1])
  await user.click(cell('As marked, PV1 +'))
  await user.paste('L1\tac\tspring clamp\t\t17–19 mm\nN\tac\tspring clamp\t\t17–19 mm')
  await waitFor(() => expect(written).toHaveLength(2))
  expect(written[1]).toEqual({
    id: 'terminal-2',
    label: 'N',
    side: 'ac',
    clamp: 'spring',
    strip: { min: '17 mm', max: '19 mm' },
  })
  expect(written[0]).not.toHaveProperty('torque')
  await user.click(cell('Conductor size, N'))
  await user.paste('1\t2')
  await waitFor(() => expect(screen.getByRole('alert')).toHaveTextContent('2 columns were pasted'))
  expect(written).toHaveLength(2)
})

it('a spring clamp has no torque to type, and a fault is said at its terminal', () => {
  show(
    [
      { ...PV1, clamp: 'spring', torque: undefined },
      { id: 'pe', label: 'PE' },
    ],
    {
      'terminals[1].clamp': 'is required',
    },
  )
  expect(screen.queryByRole('textbox', { name: 'Torque, PV1 +' })).toBeNull()
  expect(screen.getByText('PE, how it holds: is required')).toBeInTheDocument()
  expect(screen.getByLabelText('How it holds, PE')).toHaveAttribute('aria-invalid', 'true')
})
