/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { onScreen } from '../testing/job-on-screen.testing.js'
import { AsFound } from './as-found.js'

const user = userEvent.setup()
function begin(before = '', whenLeft = false) {
  const told: string[] = []
  function Setting() {
    const [value, setValue] = useState(before)
    const change = (next: string) => (told.push(next), setValue(next))
    return (
      <AsFound name="Mode" value={value} options={['eco', 'grid']} onChange={change} whenLeft={whenLeft} />
    )
  }
  onScreen(<Setting />)
  return told
}
const another = () => user.selectOptions(screen.getByLabelText('Mode'), 'another, as found …')

it('what is expected is offered first', async () => {
  const told = begin()
  await user.selectOptions(screen.getByLabelText('Mode'), 'eco')
  expect(told).toEqual(['eco'])
})
it('what stands there otherwise can be typed, and stays', async () => {
  const told = begin()
  await another()
  await user.type(screen.getByLabelText('Mode, as found'), 'party')
  expect(told.at(-1)).toBe('party')
  expect(screen.getByLabelText<HTMLInputElement>('Mode, as found').value).toBe('party')
})
it('one that was found before is shown as it was', () => {
  begin('party')
  expect(screen.getByLabelText<HTMLInputElement>('Mode, as found').value).toBe('party')
})
it('where each value is kept at once, only what is left is told', async () => {
  const told = begin('eco', true)
  await another()
  expect(told).toEqual([])
  await user.type(screen.getByLabelText('Mode, as found'), '{Backspace}{Backspace}{Backspace}party{Enter}')
  expect(told).toEqual(['party'])
})
