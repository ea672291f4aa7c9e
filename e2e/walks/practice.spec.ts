import { expect, test } from '@playwright/test'
import { Crew } from '../crew/crew.js'

test('a made-up installation is inspected: who looks finds what is hidden, who does not is shown what was missed', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  await page.getByRole('link', { name: 'Practice' }).click()
  await page.getByLabel('Subject').selectOption('Roof and earthing')
  await page.getByLabel('Number of the installation').fill('12')
  await page.getByRole('button', { name: 'Begin' }).click()
  const rows = page.getByRole('listitem').getByRole('button', { expanded: false })
  await expect(rows.first()).toBeVisible()
  const count = await rows.count()
  expect(count).toBeGreaterThan(10)
  // Everything is looked at but the measuring, which is left as it will be.
  for (let i = 0; i < count; i++) {
    await rows.nth(i).click()
    const look = page.getByRole('button', { name: 'Look', exact: true })
    if (await look.isVisible()) {
      await look.click()
      await page.getByRole('button', { name: 'Write it down' }).click()
    } else await page.getByRole('button', { name: 'It will be fine' }).click()
  }
  await page.getByRole('button', { name: 'Finish' }).click()
  await expect(page.getByText(/of 100$/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Found' })).toBeVisible()
  await page.getByRole('button', { name: 'The same again' }).click()
  await page.getByRole('button', { name: 'Finish' }).click()
  await expect(page.getByText(/^Not passed: 0 of 2 faults found/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Missed' }).getByRole('listitem')).toHaveCount(2)
  await page.getByRole('button', { name: 'Another subject' }).click()
  await expect(page.getByRole('region', { name: 'Practised so far' }).getByRole('listitem')).toHaveCount(2)
  // No job heard of it.
  const { total } = (await (await page.request.get('/api/jobs?q=practice')).json()) as { total: number }
  expect(total).toBe(0)
})
