/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { useKeptFocus } from './kept-focus.js'

const user = userEvent.setup()

/** Two rows with a field each; the first can be taken away, and what it held can be locked. */
function Rows({ instead }: { instead?: string }) {
  const [gone, setGone] = useState(false)
  const [locked, setLocked] = useState(false)
  useKeptFocus()
  return (
    <main>
      <section aria-label="first">
        {gone ? (
          instead && <button autoFocus>{instead}</button>
        ) : (
          <button onClick={() => setGone(true)}>Take away</button>
        )}
        <button disabled={locked} onClick={() => setLocked(true)}>
          Lock
        </button>
        <input aria-label="beside" />
      </section>
      <p>nothing to touch</p>
    </main>
  )
}
const button = (name: string) => screen.getByRole('button', { name })

it('goes on beside what was taken away', async () => {
  render(<Rows />)
  await user.click(button('Take away'))
  await waitFor(() => expect(button('Lock')).toHaveFocus())
})

it('is left where what came instead took it', async () => {
  render(<Rows instead="Next" />)
  await user.click(button('Take away'))
  await new Promise((resolve) => setTimeout(resolve, 60))
  expect(button('Next')).toHaveFocus()
})

it('goes on beside a button that cannot be used any more', async () => {
  render(<Rows />)
  await user.click(button('Lock'))
  await waitFor(() => expect(button('Take away')).toHaveFocus())
})

it('is let go by a touch beside everything', async () => {
  render(<Rows />)
  await user.click(screen.getByLabelText('beside'))
  await user.click(screen.getByText('nothing to touch'))
  await new Promise((resolve) => setTimeout(resolve, 60))
  expect(document.body).toHaveFocus()
})
