import { expect } from '@playwright/test'
import { CALCULATOR_NAMES } from '@plumb-mark/core'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

test('a quick answer on site: any units, the ranked causes, a link that carries the figures', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await page.getByRole('link', { name: 'Calculators' }).click()
  await page.getByRole('link', { name: 'What a string reads' }).click()
  await expect(page.getByRole('list', { name: 'Explanations, most probable first' })).toContainText(
    'one module is missing',
  )
  await page.getByLabel('Measured Voc of the string, V').fill('0.4465 kV')
  await expect(page.getByText('conforms', { exact: true })).toBeVisible()
  const again = await page.context().newPage()
  await again.goto(page.url())
  await expect(again.getByLabel('Measured Voc of the string, V')).toHaveValue('0.4465 kV')
  await page.getByLabel('Measured Voc of the string, V').fill('446 A')
  await expect(page.getByRole('alert').first()).toContainText('is not a unit of voltage')
})

test('the least rework of a wall is searched beside the screen and drawn as a ghost', async ({ browser }) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  await page.goto('/calculators/clearance-rework')
  await expect(page.getByText('move inverter 1 53 mm to the left')).toBeVisible()
  await expect(page.getByText('inverter 1 here')).toBeVisible()
})

test('a calculation is kept in a job and opens again from there', async ({ browser }) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-CALC', 'A job for a calculation')
  await page.goto('/calculators/reserve')
  await page.getByRole('button', { name: 'Use this in a job' }).click()
  await page.getByRole('combobox', { name: 'Job' }).selectOption('PM-CALC A job for a calculation')
  await page.getByRole('button', { name: 'Save there' }).click()
  await expect(page.getByRole('status')).toContainText('Kept in the job')
  await inspector.openJob('A job for a calculation')
  await inspector.view(/Sign-off/)
  await page.getByRole('link', { name: /Backup reserve/ }).click()
  await expect(page.getByRole('heading', { name: 'Backup reserve' })).toBeVisible()
})

test('every calculator starts with an example that it can work out', async ({ browser }) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  const faults: string[] = []
  page.on('pageerror', (fault) => faults.push(fault.message))
  await page.goto('/calculators')
  const list = page.getByRole('navigation', { name: 'Calculators' })
  for (const name of CALCULATOR_NAMES) {
    const entry = list.locator(`a[href="/calculators/${name}"]`)
    await entry.click()
    await expect(
      page.getByRole('heading', { level: 1, name: await entry.innerText(), exact: true }),
    ).toBeVisible()
    await expect(page.getByRole('list', { name: 'Working' }), name).toBeVisible()
  }
  expect(faults).toEqual([])
})
