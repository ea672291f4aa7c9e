/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Answer } from '@plumb-mark/core'
import type { Sits } from '@plumb-mark/practice'
import { onScreen } from '../../testing/job-on-screen.testing.js'
import { LiveHouse } from './live-house.js'
import { MeterBench } from './meter-bench.js'

const user = userEvent.setup({ delay: null })
const RIGHT: Sits[] = [
  { on: 0, turned: false },
  { on: 1, turned: false },
  { on: 2, turned: false },
]
function bench(sits: readonly Sits[]) {
  const onKeep = jest.fn<(answer: Answer) => void>()
  onScreen(<MeterBench sits={sits} onKeep={onKeep} />)
  return onKeep
}
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }))

it('a known load moves the channel on whose phase it is, and no other', () => {
  const house = new LiveHouse(RIGHT)
  const before = house.channels
  house.turn(1)
  const moved = house.channels.map(({ active }, i) => Math.round(active - before[i]!.active))
  expect(moved[1]).toBeGreaterThan(500)
  expect([Math.abs(moved[0]!) < 50, Math.abs(moved[2]!) < 50]).toEqual([true, true])
})

it('on a meter whose transformers are swapped the other channel moves, by half and the other way; one that is turned counts down', () => {
  const swapped = new LiveHouse([
    { on: 1, turned: false },
    { on: 0, turned: false },
    { on: 2, turned: true },
  ])
  const before = swapped.channels
  swapped.turn(0)
  const moved = swapped.channels.map(({ active }, i) => active - before[i]!.active)
  // The current of another phase stands 120° from the voltage of the channel.
  expect(moved[1]).toBeLessThan(-500)
  expect(Math.abs(moved[0]!)).toBeLessThan(50)
  swapped.turn(0)
  const rest = swapped.channels
  swapped.turn(2)
  expect(swapped.channels[2]!.active - rest[2]!.active).toBeLessThan(-500)
})

it('nothing is written down before a moment was remembered and the load is said; then what changed is', async () => {
  const onKeep = bench(RIGHT)
  expect(screen.queryByRole('button', { name: 'Write down what changed' })).toBeNull()
  await press('Remember this moment, then switch loads')
  const loads = screen.getAllByRole('button', { name: /W on L\d$/ })
  expect(loads).toHaveLength(3)
  for (const [i, load] of loads.entries()) {
    const watts = /^(\d+) W/.exec(load.textContent ?? '')![1]!
    await user.click(load)
    await user.type(screen.getByLabelText(`Switched on L${i + 1}, W`), watts)
  }
  expect(loads.map((load) => load.getAttribute('aria-pressed'))).toEqual(['true', 'true', 'true'])
  await press('Write down what changed')
  expect(onKeep).toHaveBeenCalledTimes(1)
})

it('a load that cannot be read is named at its field, and nothing can be kept with it', async () => {
  bench(RIGHT)
  await press('Remember this moment, then switch loads')
  await user.type(screen.getByLabelText('Switched on L1, W'), 'a kettle')
  expect(screen.getByLabelText('Switched on L1, W')).toBeInvalid()
  expect(screen.queryByRole('button', { name: 'Write down what changed' })).toBeNull()
})
