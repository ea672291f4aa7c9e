import { expect } from '@playwright/test'
import { OwnServer } from '../page-objects/own-server.js'
import { test } from '../page-objects/walk.js'

const server = new OwnServer(2)
test.beforeAll(async () => {
  test.setTimeout(120_000)
  await server.start()
})
test.afterAll(() => server.remove())

/** How many jobs this browser keeps by now. */
const jobsOnDevice = () =>
  new Promise<number>((answer, fail) => {
    const asked = indexedDB.open('plumb-mark')
    asked.onerror = () => fail(asked.error)
    asked.onsuccess = () => {
      const counted = asked.result.transaction('jobs').objectStore('jobs').count()
      counted.onsuccess = () => {
        asked.result.close()
        answer(counted.result)
      }
    }
  })

test('with the server gone the application opens, the last job can be worked on, and all of it arrives later', async ({
  browser,
}) => {
  test.setTimeout(120_000)
  const context = await browser.newContext({ baseURL: server.address, serviceWorkers: 'allow' })
  const page = await context.newPage()
  await page.goto('/')
  await page.getByLabel('E-mail').fill('inspector@plumb.example')
  await page.getByLabel('Password').fill('plumb-demo')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: /Fallowmere/ }).click()
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  // The first visit installs; from the second on the device keeps what is opened.
  await page.reload()
  await page.getByRole('navigation', { name: 'Stages of the walk' }).getByText('Close up').click()
  await expect(page.getByRole('heading', { name: 'Close up', level: 2 })).toBeVisible()
  await expect.poll(() => page.evaluate(jobsOnDevice)).toBe(1)

  await server.kill()
  const began = Date.now()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Close up', level: 2 })).toBeVisible()
  test.info().annotations.push({ type: 'opened without server', description: `${Date.now() - began} ms` })
  const gaskets = page.locator('[data-group*="gasket"]')
  await gaskets.click()
  await page.getByRole('button', { name: 'Yes, all 2' }).click()
  await expect(page.locator('[data-sync="waiting"]')).toBeVisible()
  await page.reload()
  await expect(gaskets.locator('[data-verdict="conforms"]')).toBeVisible()

  await server.start()
  await expect(page.locator('[data-sync="kept"]')).toBeVisible()
  const { jobs } = (await (await page.request.get('/api/jobs')).json()) as {
    jobs: { id: string; number: string }[]
  }
  const { id } = jobs.find(({ number }) => number === 'PM-2611')!
  const { entries } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as {
    entries: { body: { points?: string[] } }[]
  }
  expect(entries.filter(({ body }) => body.points?.includes('inv-1/gasket/unit'))).toHaveLength(1)

  // Who signs out leaves nothing readable behind.
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByLabel('E-mail')).toBeVisible()
  expect(
    await page.evaluate(async () => (await caches.keys()).filter((name) => name.startsWith('plumb-mark-'))),
  ).toEqual([])
})
