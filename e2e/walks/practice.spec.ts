import { expect } from '@playwright/test'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

test('a made-up installation is inspected: who looks finds what is hidden, who does not is shown what was missed', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  await page.getByRole('link', { name: 'Practice' }).click()
  await page.getByRole('button', { name: 'Write or import a scenario of your own' }).click()
  const faults = ['modules/clamps/south', 'bond-made:b-inv-1']
  const scenario = {
    format: 'plumb-mark-practice',
    version: 1,
    title: 'Loft',
    level: 'roof',
    seed: 3,
    faults,
  }
  const buffer = Buffer.from(JSON.stringify(scenario))
  await page
    .getByLabel('Scenario file')
    .setInputFiles({ name: 'loft.json', mimeType: 'application/json', buffer })
  await page.getByRole('button', { name: 'Begin it' }).click()
  const rows = page.getByRole('listitem').getByRole('button', { expanded: false })
  await expect(rows.first()).toBeVisible()
  const count = await rows.count()
  expect(count).toBeGreaterThan(10)
  for (const step of ['Put on what the sheets list', 'Isolate, and lock it', 'Wait out the capacitors'])
    await page.getByRole('button', { name: step }).click()
  await expect(page.getByRole('button', { name: 'Wait out the capacitors', pressed: true })).toBeVisible()
  await page.getByRole('button', { name: 'Prove dead' }).click()
  // What has a picture is answered by whoever looks; a bond says its size; the measuring is left as it will be.
  const look = page.getByRole('button', { name: /^(Look|Read it)$/ })
  const seen = page.getByRole('group', { name: /^(What do you see|Which)/ }).getByRole('button')
  for (let i = 0; i < count; i++) {
    const clamps = (await rows.nth(i).innerText()).startsWith('Clamps')
    await rows.nth(i).click()
    if (!(await look.isVisible())) await page.getByRole('button', { name: 'Skip this check' }).click()
    else {
      await look.click()
      const write = page.getByRole('button', { name: 'Write it down' })
      await seen.first().or(write).first().waitFor()
      if (await write.isVisible()) await write.click()
      else await (clamps ? seen.nth(1) : seen.first()).click()
    }
  }
  await page.getByRole('button', { name: 'Finish' }).click()
  await expect(page.getByText(/of 100$/)).toBeVisible()
  const found = page.getByRole('region', { name: 'Found' })
  await expect(found.getByRole('listitem')).toHaveCount(2)
  await expect(found).toContainText(/A bond of another kind. There it says or measures washer/)
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

test('loads are switched under a live meter, and what changed shows whose transformer sits where', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  await page.goto('/practice')
  await page.getByLabel('Subject').selectOption('Meter')
  await page.getByLabel('Number of the installation').fill('4')
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  const title = /^Electrical proof/
  const row = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: title }) })
  await row.first().getByRole('button').first().click()
  const proof = row.first()
  await proof.getByRole('button', { name: 'Look', exact: true }).click()
  const meter = proof.getByRole('region', { name: 'Meter, live' })
  await meter.getByRole('button', { name: /^Remember this moment/ }).click()
  await meter.getByRole('button', { name: '2000 W on L1' }).click()
  await meter.getByRole('button', { name: '3000 W on L2' }).click()
  await meter.getByLabel('Switched on L1, W').fill('2 kW')
  await meter.getByLabel('Switched on L2, W').fill('3000')
  await meter.getByRole('button', { name: 'Write down what changed' }).click()
  // In number 4 two transformers sit on each other's phase.
  await expect(proof).toContainText('does not conform')
})
