import { expect } from '@playwright/test'
import { Crew, HATCHERY } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

const CANOPY = 'Juniper Flat Observatory, visitor canopy'

test('twenty-two places are answered in one act, two of them otherwise, and all of it is taken back', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector', {}, 'requirement')
  const { page } = inspector
  await inspector.openJob(CANOPY)
  await inspector.goTo('Roof')
  await page.locator('[data-group*="label"]').click()
  const group = page.getByRole('region', { name: /label readable/ })
  await group.getByRole('button', { name: 'All but these' }).click()
  // One is touched in the list, the other where it lies on the roof.
  await group.getByRole('button', { name: /row 2, place 1:/ }).click()
  await page.getByRole('button', { name: /^row 1, place 4/ }).click()
  await group.getByRole('button', { name: 'Yes for 20, no for 2' }).click()
  const row = page.locator('[data-group*="label"]')
  await expect(row).toContainText('2 do not conform, 20 conform')
  await inspector.allKept()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(row).toContainText('22 conform')
})

test('readings are typed down a column and pasted as a block, and one key reads the same again', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector', {}, 'requirement')
  const { page } = inspector
  await inspector.openJob()
  await inspector.goTo('DC side')
  await page.locator('[data-group*="readings terminal"]').first().click()
  const cell = (name: string) => page.getByRole('textbox', { name })
  await cell('Inverter 1, PV1 +, Tightening torque').fill('2.6')
  await page.keyboard.press('Enter')
  await expect(cell('Inverter 1, PV1 −, Tightening torque')).toBeFocused()
  await page.keyboard.press('=')
  await expect(cell('Inverter 1, PV1 −, Tightening torque')).toHaveValue('2.6')
  await expect(cell('Inverter 1, PV2 +, Tightening torque')).toBeFocused()
  await cell('Inverter 2, PV1 +, Strip length').evaluate((input) => {
    const clipboardData = new DataTransfer()
    clipboardData.setData('text/plain', '11 mm\t6 mm²\n12 mm\t6 mm²')
    input.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }))
  })
  await expect(cell('Inverter 2, PV1 −, Strip length')).toHaveValue('12')
  await expect(cell('Inverter 2, PV1 +, Strip length')).toHaveValue('11')
  await inspector.allKept()
  // Wrong ones first, at a touch.
  await page.getByLabel('Order').selectOption('wrong first')
  await expect(page.locator('[data-check] [data-verdict]').first()).toHaveAttribute(
    'data-verdict',
    'does-not-conform',
  )
})

test('a job like one done before begins with what was built there, and a second unit with what stands at the first', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await page.goto('/jobs/new')
  await page.getByLabel('Number').fill('PM-LIKE')
  await page.getByLabel('Title').fill('The neighbour’s pump house')
  await page.getByLabel('Customer').fill('Weir Lane Trust')
  await page.getByLabel('Site', { exact: true }).fill('Weir Lane 4')
  const like = page.getByLabel('Built like')
  await like.selectOption(await like.locator('option', { hasText: HATCHERY }).getAttribute('value'))
  await expect(page.getByText(/4 strings/)).toBeVisible()
  for (const step of ['Next', 'Next', 'Open the job']) await page.getByRole('button', { name: step }).click()
  await expect(page.getByRole('heading', { name: /PM-LIKE/ })).toBeVisible()
  await page
    .getByRole('navigation', { name: 'Views of this job' })
    .getByRole('link', { name: 'Walk' })
    .click()
  await inspector.goTo('AC side')
  await expect(page.getByRole('button', { name: 'Pump-house board, board' })).toBeVisible()
  await inspector.goTo('DC side')
  await expect(page.getByText('not inspected').first()).toBeVisible()
  // What was read there is not taken over.
  await expect(page.locator('[data-check*="/open-circuit/"] [data-verdict="not-inspected"]')).toHaveCount(4)
})

test('the report is read as a page, with the letterhead that the office gave it', async ({ browser }) => {
  const office = await Crew.signedIn(browser, 'office')
  await office.page.goto('/office/reports')
  await office.page.getByLabel('Office, as it signs its reports').fill('Marsh & Quill Inspections')
  await office.page.getByLabel('Signature for the customer').uncheck()
  await office.page.getByRole('button', { name: 'Save' }).click()
  await expect(office.page.getByRole('button', { name: 'Save' })).toBeDisabled()
  const reviewer = await Crew.signedIn(browser, 'reviewer')
  const { page } = reviewer
  await reviewer.openJob()
  await reviewer.view(/Sign-off/)
  await page.getByRole('link', { name: 'Read the report' }).click()
  await expect(page.getByText('Marsh & Quill Inspections')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Signature' })).toBeVisible()
  await expect(page.getByRole('table').filter({ hasText: 'Voc expected' })).toContainText('Multimeter M1')
  await page.getByLabel('Report for').selectOption('the customer')
  await expect(page.getByRole('heading', { name: 'Summary for the customer' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Signature' })).toHaveCount(0)
  const arriving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'PDF report' }).click()
  expect((await arriving).suggestedFilename()).toMatch(/\.pdf$/)
})

test('the calculators answer a stranger once the office has opened them, and nothing else does', async ({
  browser,
}) => {
  const stranger = await (await browser.newContext()).newPage()
  await stranger.goto('/calculators/string-cold-limit')
  await expect(stranger.getByRole('button', { name: 'Sign in' })).toBeVisible()
  const office = await Crew.signedIn(browser, 'office')
  await office.page.goto('/office/calculators')
  await office.page.getByLabel('The calculators may be used without signing in').check()
  await stranger.reload()
  await expect(stranger.getByRole('heading', { name: 'The coldest morning' })).toBeVisible()
  await stranger
    .getByLabel('Modules in series, ')
    .or(stranger.getByLabel('Modules in series', { exact: true }))
    .first()
    .fill('26')
  await expect(stranger.locator('[data-verdict]').first()).toHaveAttribute('data-verdict', 'does-not-conform')
  await stranger.getByRole('button', { name: '23 would just do' }).click()
  await expect(stranger.locator('[data-verdict]').first()).toHaveAttribute('data-verdict', 'conforms')
  await stranger.goto('/jobs')
  await expect(stranger.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await office.page.getByLabel('The calculators may be used without signing in').uncheck()
})
