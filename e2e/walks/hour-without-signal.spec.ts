import { expect } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

test('an hour without signal, with photos and a colleague at work meanwhile: both find everything, and what no longer fits is handed on', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector', { serviceWorkers: 'allow' })
  await inspector.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  const jobId = await inspector.newJob('PM-CELLAR', 'A cellar without signal')
  const { page } = inspector
  await page.goto(`/jobs/${jobId}/walk/place-and-mount`)
  await expect(page.getByRole('heading', { name: 'Place and mount', level: 2 })).toBeVisible()
  const picture = await page.screenshot()

  await page.context().setOffline(true)
  const first = await inspector.check('iso/in-sight/unit')
  for (const name of ['from-the-door.png', 'close.png'])
    await first
      .getByLabel('Photo', { exact: true })
      .setInputFiles({ name, mimeType: 'image/png', buffer: picture })
  await first.getByRole('button', { name: 'Caption and mark: close.png' }).click()
  const marks = page.getByRole('dialog', { name: 'Caption and mark the photo' })
  await marks.getByLabel('Caption').fill('The label')
  await marks.getByRole('button', { name: 'Use it' }).click()
  await first.getByRole('button', { name: /^Yes/ }).click()
  await inspector.goTo('DC side')
  for (const [terminal, torque] of [
    ['t1', '1.9 N·m'],
    ['t3', '17 in·lb'],
  ])
    await inspector.read(`iso/torque/${terminal}`, torque!, 'Torque driver D1')
  await expect(page.locator('[data-sync="waiting"]')).toBeVisible()
  await page.getByRole('link', { name: /^On this device: 3 to send/ }).click()
  const waits = page.getByRole('region', { name: 'Waits to be sent' })
  await expect(waits).toContainText('A cellar without signal')
  await expect(waits).toContainText('3 entries, 2 photos')

  // A colleague works on the same job, and takes the second isolator away.
  const colleague = await Crew.signedIn(browser, 'inspector')
  // It was hung before the readings were taken: one that came after them would have to be measured again.
  const at = new Date(Date.now() - 3_600_000).toISOString()
  const entry = (kind: string, body: object) => ({ id: uuid(), kind, at, body })
  const answer = await colleague.page.request.post(`/api/jobs/${jobId}/entries`, {
    headers: { 'x-plumb-mark': '1' },
    data: {
      entries: [
        entry('unit-removed', { unitId: 'iso' }),
        entry('unit-fitted', { id: 'iso-2', label: 'New isolator', sheetId: 'aldervane-dx-4-a' }),
      ],
    },
  })
  expect(answer.status()).toBe(200)

  await page.context().setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect(page.getByRole('region', { name: 'Nothing waits to be sent' })).toBeVisible({
    timeout: 20_000,
  })
  const aside = page.getByRole('region', { name: 'Set aside' })
  await expect(aside).toContainText('1.9 N·m')
  await aside.getByRole('link', { name: 'Mend in PM-CELLAR' }).first().click()
  const asideInJob = page.getByRole('region', { name: 'Set aside' })
  await expect(asideInJob).toContainText('was removed or replaced meanwhile')
  const sure = asideInJob.getByRole('button', { name: 'Mend' })
  const before = await sure.count()
  expect(before).toBe(3)

  // The reading belongs to the isolator that hangs there now; the photos came with their entry.
  for (const [said, check] of [
    ['1.9 N·m', /^Tightening torque.*New isolator, terminal .*1/],
    ['observation', /New isolator/],
  ] as const) {
    const row = asideInJob.locator('[data-aside]').filter({ hasText: said }).first()
    await row.getByRole('button', { name: 'Mend' }).click()
    const choice = row.getByLabel('Check that it belongs to')
    const options = await choice.locator('option').allTextContents()
    const wanted = options.find((option) => check.test(option) || option.includes('New isolator'))!
    await choice.selectOption({ label: wanted })
    await row.getByRole('button', { name: 'Save and send' }).click()
    await expect(row.getByRole('button', { name: 'Save and send' })).toHaveCount(0)
  }
  await expect(sure).toHaveCount(before - 2)
  await inspector.allSent()

  const { entries } = (await (await colleague.page.request.get(`/api/jobs/${jobId}`)).json()) as {
    entries: { kind: string; body: { typed?: string; photos?: { id: string }[] } }[]
  }
  expect(entries.some(({ body }) => body.typed === '1.9 N·m')).toBe(true)
  const shown = entries.flatMap(({ body }) => body.photos ?? [])
  expect(shown).toHaveLength(2)
  for (const { id } of shown)
    expect((await colleague.page.request.get(`/api/jobs/${jobId}/photos/${id}`)).status()).toBe(200)
  await colleague.page.goto(`/jobs/${jobId}/walk/dc`)
  await expect(colleague.page.getByRole('heading', { name: 'DC side', level: 2 })).toBeVisible()
  await expect.poll(() => colleague.verdictOf('iso-2/torque/t1')).toBe('conforms')
})
