import { expect, type Page } from '@playwright/test'
import { Crew, HATCHERY } from '../page-objects/crew.js'
import { follow, test } from '../page-objects/walk.js'

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true }
const entriesOf = async (page: Page, jobId: string) =>
  (
    (await (await page.request.get(`/api/jobs/${jobId}`)).json()) as {
      entries: { kind: string; body: { typed?: string } }[]
    }
  ).entries

test('without signal a reading is judged and kept on the device, and sent when there is signal again', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  const jobId = await inspector.newJob('PM-NOSIGNAL', 'A job without signal')
  await inspector.openJob('A job without signal')
  await inspector.goTo('DC side')
  const before = (await entriesOf(page, jobId)).length
  await page.context().setOffline(true)
  await inspector.read('iso/torque/t1', '17 in·lb', 'Torque driver D1')
  await expect(page.locator('[data-sync="waiting"]')).toBeVisible()
  await inspector.read('iso/conductor/t1', '10 AWG', 'Caliper C1')
  await expect(page.locator('[data-check="iso/torque/t1"] [data-verdict="conforms"]')).toBeVisible()
  await page.context().setOffline(false)
  await expect(page.locator('[data-sync="kept"]')).toBeVisible()
  const after = await entriesOf(page, jobId)
  expect(after.slice(before).map(({ body }) => body.typed)).toEqual(['17 in·lb', '10 AWG'])
})

test('from the first check to the last with the keyboard alone', async ({ browser }) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-KEYS', 'A job for the keyboard')
  await inspector.openJob('A job for the keyboard')
  await inspector.goTo('DC side')
  await page.locator('h2').first().click()
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('[data-open-check="iso/torque/t1"]')).toBeVisible()
  await page.keyboard.press('Tab')
  await page.keyboard.press('Tab')
  await page.locator('[data-open-check] select').first().focus()
  await page.keyboard.type('Torque driver D1')
  await page.getByRole('textbox', { name: /^Reading/ }).focus()
  await page.keyboard.type('17 in·lb')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-open-check="iso/conductor/t1"]')).toBeVisible()
  await page.keyboard.type('10 AWG')
  await page.keyboard.press('Enter')
  // From terminal to terminal, and the same again with one key.
  await expect(page.locator('[data-open-check="iso/torque/t3"]')).toBeVisible()
  await page.keyboard.press('=')
  await expect(page.locator('[data-open-check="iso/conductor/t3"]')).toBeVisible()
  await page.keyboard.press('=')
  await expect(page.locator('[data-open-check="iso/cover/unit"]')).toBeVisible()
  await page.keyboard.press('y')
  await page.keyboard.press('Escape')
  await expect(page.locator('[data-check][data-check*="iso"] [data-verdict="conforms"]')).toHaveCount(5)
  await page.locator('h2').first().click()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible()
})

test('on a phone nothing runs out of the screen, and every button is large enough for a glove', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'inspector', PHONE)
  const { jobs } = (await (await page.request.get('/api/jobs')).json()) as {
    jobs: { id: string; title: string }[]
  }
  const job = jobs.find(({ title }) => title === HATCHERY)!.id
  const faults: string[] = []
  for (const path of [
    '/sheets',
    '/jobs',
    `/jobs/${job}/walk/place-and-mount`,
    `/jobs/${job}/walk/dc`,
    `/jobs/${job}/walk/ac`,
    `/jobs/${job}/walk/identify`,
    `/jobs/${job}/walk/roof`,
    `/jobs/${job}/walk/earthing`,
    `/jobs/${job}/walk/battery`,
    `/jobs/${job}/walk/meter`,
    `/jobs/${job}/preparation`,
    '/sheets/thrumcap-tb-10-b',
    '/instruments',
    '/visits',
    '/jobs/new',
    `/jobs/${job}/defects`,
    `/jobs/${job}/sign-off`,
    '/calculators/string-voltage',
    '/calculators/conductor',
  ]) {
    await follow(page, path)
    faults.push(
      ...(await page.evaluate((where) => {
        const found: string[] = []
        if (document.documentElement.scrollWidth > window.innerWidth + 1)
          found.push(`${where} is ${document.documentElement.scrollWidth} px wide`)
        for (const button of document.querySelectorAll('button')) {
          const { height, width } = button.getBoundingClientRect()
          if (height > 0 && (height < 43.5 || width < 43.5))
            found.push(
              `${where}: “${button.textContent || button.getAttribute('aria-label')}” is ${Math.round(width)} × ${Math.round(height)} px`,
            )
        }
        return found
      }, path)),
    )
  }
  expect(faults).toEqual([])
})

test('an instrument chosen once is offered again, and a struck-out reading stays to be seen', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-STRIKE', 'A job with a slip')
  await inspector.openJob('A job with a slip')
  await inspector.goTo('DC side')
  await inspector.read('iso/torque/t1', '71 in·lb', 'Torque driver D1')
  const open = await inspector.check('iso/torque/t1')
  await expect(open.getByText('does not conform')).toBeVisible()
  await open.getByRole('button', { name: 'Strike out' }).click()
  await open.getByRole('button', { name: 'mistyped' }).click()
  await expect(open.getByText('not inspected')).toBeVisible()
  await expect(open.getByRole('list', { name: 'Readings so far' })).toContainText(
    'struck out by Ottilie Marsh',
  )
  const next = await inspector.check('iso/torque/t3')
  await expect(next.getByLabel('Instrument')).toHaveValue('driver-1')
  await next.getByRole('textbox', { name: /^Reading/ }).fill('17')
  await expect(next.getByText('conforms', { exact: true })).toBeVisible()
  await page.getByLabel('Settings').click()
  await page.getByLabel('Decimal mark').selectOption('comma')
  await page.keyboard.press('Escape')
  await next.getByRole('textbox', { name: /^Reading/ }).fill('17,5')
  await expect(next.getByText('conforms', { exact: true })).toBeVisible()
  await next.getByRole('textbox', { name: /^Reading/ }).fill('17.5')
  await expect(next.getByRole('alert')).toContainText('the decimal mark here is the comma')
})

test('a nameplate is read off its photo; each line is proposed beside its cut-out, and kept by a touch only', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.openJob()
  await inspector.goTo('Identify')
  await page.getByText('Nameplate against the order').first().click()
  const plate = await page.evaluate(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 1100, height: 700 })
    const c = canvas.getContext('2d')!
    c.fillStyle = '#6b6f73'
    c.fillRect(0, 0, 1100, 700)
    c.translate(550, 350)
    c.rotate(0.1)
    c.fillStyle = '#e6e6e2'
    c.fillRect(-430, -220, 860, 440)
    c.fillStyle = '#15181a'
    c.font = '38px sans-serif'
    const lines = ['Aldervane', 'Model: AH-8T', 'Greatest DC voltage 1000 V', 'Serial no. AV-2409-118734']
    lines.forEach((line, i) => c.fillText(line, -400, -130 + 80 * i))
    return canvas.toDataURL('image/png').split(',')[1]!
  })
  await page
    .getByLabel('Photo of the nameplate')
    .first()
    .setInputFiles({ name: 'plate.png', mimeType: 'image/png', buffer: Buffer.from(plate, 'base64') })
  const read = page.getByRole('region', { name: 'Read off the nameplate' })
  await expect(read.getByText('serial: expected AH8T-26-')).toBeVisible({ timeout: 60_000 })
  await expect(read.getByRole('img', { name: 'serial on the plate' })).toBeVisible()
  const serial = page.getByLabel('serial', { exact: true }).first()
  await expect(serial).not.toHaveValue('AV-2409-118734')
  await read.getByRole('button', { name: 'Take serial AV-2409-118734' }).click()
  await expect(serial).toHaveValue('AV-2409-118734')
  await expect(read.getByText(/^Not read with certainty: grid/)).toBeVisible()
})
