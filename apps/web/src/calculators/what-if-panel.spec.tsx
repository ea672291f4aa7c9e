/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'
import { fireEvent, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { compute, type CalculatorName } from '@plumb-mark/core'
import { onScreen } from '../testing/job-on-screen.testing.js'
import { WhatIf } from './what-if-panel.js'

const user = userEvent.setup()
const CABLE = {
  school: 'iec',
  phases: 3,
  voltage: 400,
  sources: [{ name: 'inverter', amps: 21.7 }],
  protectiveDevice: 25,
  size: 6,
  length: 16,
  material: 'copper',
  insulation: 'xlpe',
  method: 'B1',
  ambient: 30,
  groupedCircuits: 10,
}
function whatIf(name: CalculatorName, input: unknown) {
  const onMove = jest.fn<(path: readonly (string | number)[], typed: string) => void>()
  onScreen(<WhatIf name={name} input={input} onMove={onMove} />)
  return onMove
}

it('a calculator without figures that can be moved has none of it', () => {
  whatIf('fixings', {})
  expect(screen.queryByRole('region', { name: 'What if' })).toBeNull()
})

it('a figure is moved along the values that there are, and is typed with its unit', () => {
  const onMove = whatIf('conductor', CABLE)
  const sliders = screen.getAllByRole<HTMLInputElement>('slider')
  expect(sliders.length).toBeGreaterThan(0)
  for (const slider of sliders) {
    onMove.mockClear()
    fireEvent.change(slider, { target: { value: slider.value === '0' ? '1' : '0' } })
    const [path, typed] = onMove.mock.calls[0]!
    expect([path.length > 0, typed]).toEqual([true, expect.stringMatching(/^[\d./]+( \S+)?$/)])
    expect(slider).toHaveAttribute('aria-valuetext', expect.stringMatching(/^[\d.]+ /))
  }
})

it('what would just do is a touch away, and does', async () => {
  expect((compute('conductor', CABLE) as { verdict: string }).verdict).toBe('does-not-conform')
  const onMove = whatIf('conductor', CABLE)
  const offers = screen.getAllByRole('button', { name: /would just do$/ })
  for (const offer of offers) {
    onMove.mockClear()
    await user.click(offer)
    const [path, typed] = onMove.mock.calls[0]!
    const moved = { ...CABLE, [path.join('.')]: Number.parseFloat(typed) }
    expect([path, (compute('conductor', moved) as { verdict: string }).verdict]).toEqual([path, 'conforms'])
  }
})
