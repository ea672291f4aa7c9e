import { expect } from '@playwright/test'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

const LABORATORY = 'Skerry Point Kelp Laboratory'

test('an installation comes round again: it is due, begins as it stood, and what drifts since last time is told', async ({
  browser,
}) => {
  const office = await Crew.signedIn(browser, 'office')
  await office.page.goto('/office/intervals')
  await office.page.getByRole('button', { name: 'Interval', exact: true }).click()
  await office.page.getByLabel('Months').fill('36')
  await office.page.getByRole('button', { name: 'Save' }).click()
  await expect(office.page.getByRole('button', { name: 'Save' })).toBeDisabled()

  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await page.goto('/visits')
  const due = page.getByRole('region', { name: 'Due again' })
  await expect(due).toContainText(LABORATORY)
  // Other walks may have signed jobs of theirs.
  await due
    .getByRole('article', { name: LABORATORY })
    .getByRole('link', { name: 'Open the next one' })
    .click()
  await expect(page.getByLabel('It is the same installation, inspected again')).toBeChecked()
  await expect(page.getByLabel('Customer')).not.toHaveValue('')
  await page.getByLabel('Number').fill('PM-AGAIN-1')
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await expect(page.getByRole('heading', { name: 'In which order' })).toBeVisible()
  await expect(page.getByText(/from place to place/)).toBeVisible()

  // The same joint, and it reads three times as much.
  await inspector.view(/Walk/)
  await inspector.goTo('Earthing')
  const open = await inspector.check('modules/earth-continuity/b-frames')
  await open.getByLabel('Instrument').selectOption('continuity-1')
  await open.getByLabel(/^Reading,/).fill('60 mΩ')
  await open.getByRole('button', { name: 'Save' }).click()
  await inspector.allKept()
  await inspector.view(/Last time/)
  const drifting = page.getByRole('region', { name: 'Drifting' })
  await expect(drifting).toContainText(/a year, ±/)
  await expect(drifting).toContainText(/reaches its limit of 0\.1467 Ω about/)
  await expect(page.getByRole('region', { name: 'Built otherwise' })).toContainText('stands as it did')
  await page.goto('/visits')
  await expect(page.getByRole('heading', { name: 'Visits' })).toBeVisible()
  await expect(due.getByRole('article', { name: LABORATORY })).toBeHidden()
})
