/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { onScreen } from '../testing/job-on-screen.testing.js'
import { FileButton } from './file-button.js'

const file = (name: string) => new File(['a'], name, { type: 'text/csv' })

it('what was chosen together comes together, and the same file may be chosen again once it was mended', async () => {
  const onFiles = jest.fn<(files: File[]) => void>()
  onScreen(
    <FileButton label="Serial list" accept=".csv,text/csv" multiple onFiles={onFiles}>
      CSV in
    </FileButton>,
  )
  const user = userEvent.setup()
  const input = screen.getByLabelText<HTMLInputElement>('Serial list')
  await user.upload(input, [file('a.csv'), file('b.csv')])
  await user.upload(input, file('a.csv'))
  expect(onFiles.mock.calls.map(([files]) => files.map(({ name }) => name))).toEqual([
    ['a.csv', 'b.csv'],
    ['a.csv'],
  ])
  expect(input.value).toBe('')
})

it('the button opens the choice, and nothing is said of a choice that was left', async () => {
  const onFiles = jest.fn()
  onScreen(
    <FileButton label="Photo" accept="image/*" camera onFiles={onFiles}>
      Take a photo
    </FileButton>,
  )
  const input = screen.getByLabelText<HTMLInputElement>('Photo')
  const opened = jest.spyOn(input, 'click')
  await userEvent.setup().click(screen.getByRole('button', { name: 'Take a photo' }))
  expect(opened).toHaveBeenCalledTimes(1)
  expect(input).toHaveAttribute('capture', 'environment')
  input.dispatchEvent(new Event('change', { bubbles: true }))
  expect(onFiles).not.toHaveBeenCalled()
})
