/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
import { onScreen } from '../testing/job-on-screen.testing.js'
import { RowsComing } from './rows-coming.js'

it('shows where rows will stand once the wait is felt, and not before', async () => {
  onScreen(<RowsComing rows={3} height="60px" />)
  expect(screen.queryByRole('status')).toBeNull()
  const coming = await screen.findByRole('status', { name: 'The list is coming' })
  expect(coming.children).toHaveLength(3)
})
