import { expect, type Browser, type Page } from '@playwright/test'
import { Crew } from '../page-objects/crew.js'
import { OwnServer } from '../page-objects/own-server.js'
import { test } from '../page-objects/walk.js'

const PASSWORD = 'three brass bobs'
const WORD = 'h7km-2xqp-9rtd'
const server = new OwnServer(1, ['--empty', '--first-word', WORD])
test.beforeAll(async () => {
  test.setTimeout(120_000)
  await server.start()
})
test.afterAll(() => server.remove())

const newPage = async (browser: Browser): Promise<Page> =>
  (await browser.newContext({ baseURL: server.address })).newPage()

test('a first start makes the first account; somebody is invited, comes in, is reset, and leaves', async ({
  browser,
}) => {
  const office = await newPage(browser)
  await office.goto('/')
  await office.getByLabel(/^Word/).fill(WORD)
  await office.getByLabel('Name').fill('Odile Kerrow')
  await office.getByLabel('E-mail').fill('odile@plumb.example')
  await office.getByLabel(/^Password/).fill('123456789012')
  await office.getByLabel('The same again').fill('123456789012')
  await office.getByRole('button', { name: 'Make the account' }).click()
  await expect(office.getByText('is one that everybody tries first')).toBeVisible()
  await office.getByLabel(/^Password/).fill(PASSWORD)
  await office.getByLabel('The same again').fill(PASSWORD)
  await office.getByRole('button', { name: 'Make the account' }).click()
  await office.getByRole('link', { name: 'Office' }).click()

  const people = office.getByRole('region', { name: 'People' })
  await people.getByLabel('Name').fill('Wim Tarrant')
  await people.getByLabel('E-mail').fill('wim@plumb.example')
  await people.getByRole('button', { name: 'Invite' }).click()
  const link = await people.getByRole('status').getByText(server.address).textContent()
  await expect(people.getByRole('group', { name: 'Wim Tarrant' })).toContainText('invited, no password yet')

  const wim = await newPage(browser)
  await wim.goto(link!)
  await expect(wim.getByText('Wim Tarrant, wim@plumb.example')).toBeVisible()
  await wim.getByLabel(/^Password/).fill(PASSWORD)
  await expect(wim.getByRole('button', { name: 'Set the password' })).toBeDisabled()
  await wim.getByLabel('The same again').fill(PASSWORD)
  await wim.getByRole('button', { name: 'Set the password' }).click()
  await expect(wim.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await expect(wim.getByRole('link', { name: 'Office' })).toHaveCount(0)

  // The link is spent: a second use is told so, before anything is typed.
  const other = await newPage(browser)
  await other.goto(link!)
  await expect(other.getByText('this link was used or has run out')).toBeVisible()

  await people.getByRole('group', { name: 'Wim Tarrant' }).getByRole('button', { name: 'Disable' }).click()
  await expect(people.getByRole('group', { name: 'Wim Tarrant' })).toContainText('disabled')
  await wim.goto('/jobs')
  await expect(wim.getByLabel('E-mail')).toBeVisible()
})

test('what the server does not take is set aside with its reason, sent again or discarded on purpose', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  const jobId = await inspector.newJob('PM-ASIDE', 'Shed for setting aside')
  await page.goto(`/jobs/${jobId}/walk/place-and-mount`)
  await expect(page.getByRole('heading', { name: 'Place and mount', level: 2 })).toBeVisible()
  // The server refuses once; what it says is the server's own word.
  const refusing = '**/api/jobs/*/entries'
  await page.route(refusing, (route) =>
    route.fulfill({
      status: 409,
      contentType: 'application/json',
      body: JSON.stringify({ error: { code: 'busy', message: 'refused for the walk' } }),
    }),
  )
  const open = await inspector.check('iso/in-sight/unit')
  await open.getByRole('button', { name: /^Yes/ }).click()
  const aside = page.getByRole('region', { name: 'Set aside' })
  await expect(aside).toContainText('refused for the walk')
  await expect(aside).toContainText('Where a person would look for it')
  await page.reload()
  await expect(aside).toContainText('refused for the walk')
  await page.unroute(refusing)
  await aside.getByRole('button', { name: 'Send again' }).click()
  await expect(aside).toHaveCount(0)
  await inspector.allKept()
  await expect.poll(() => inspector.verdictOf('iso/in-sight/unit')).toBe('conforms')
})

test('signing out with something waiting says so, and the next person neither sends nor sees it', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  const jobId = await inspector.newJob('PM-LEFT', 'Shed that is left')
  await page.goto(`/jobs/${jobId}/walk/place-and-mount`)
  await expect(page.getByRole('heading', { name: 'Place and mount', level: 2 })).toBeVisible()
  await page.route('**/api/jobs/*/entries', (route) => route.abort())
  const open = await inspector.check('iso/in-sight/unit')
  await open.getByRole('button', { name: /^Yes/ }).click()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByRole('alertdialog')).toContainText('One entry waits')
  await page.getByRole('button', { name: 'Sign out all the same' }).click()
  await page.unroute('**/api/jobs/*/entries')
  const answer = (await (
    await page.request.post('/api/session', {
      data: { email: 'office@plumb.example', password: 'plumb-demo' },
      headers: { 'x-plumb-mark': '1' },
    })
  ).json()) as object
  expect(answer).toMatchObject({ person: { role: 'office' } })
  await page.goto(`/jobs/${jobId}/walk/place-and-mount`)
  await expect(page.getByRole('heading', { name: 'Place and mount', level: 2 })).toBeVisible()
  await inspector.allKept()
  const { entries } = (await (await page.request.get(`/api/jobs/${jobId}`)).json()) as {
    entries: { kind: string }[]
  }
  expect(entries.some(({ kind }) => kind === 'observation')).toBe(false)
})

test('what a colleague enters on the same job appears within seconds, and what is being typed stays', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const jobId = await inspector.newJob('PM-BOTH', 'Shed of two')
  const reviewer = await Crew.signedIn(browser, 'reviewer')
  const other = await Crew.signedIn(browser, 'inspector')
  for (const { page } of [inspector, reviewer, other]) {
    await page.goto(`/jobs/${jobId}/walk/place-and-mount`)
    await expect(page.getByRole('heading', { name: 'Place and mount', level: 2 })).toBeVisible()
  }
  await other.page.getByRole('navigation', { name: 'Stages of the walk' }).getByText('DC side').click()
  const typing = await other.check('iso/torque/t1')
  await typing.getByRole('textbox', { name: /^Reading/ }).fill('2.1')
  const open = await inspector.check('iso/in-sight/unit')
  await open.getByRole('button', { name: /^Yes/ }).click()
  await expect.poll(() => reviewer.verdictOf('iso/in-sight/unit'), { timeout: 5000 }).toBe('conforms')
  await expect(typing.getByRole('textbox', { name: /^Reading/ })).toHaveValue('2.1')
  await other.page
    .getByRole('navigation', { name: 'Stages of the walk' })
    .getByText('Place and mount')
    .click()
  await expect.poll(() => other.verdictOf('iso/in-sight/unit')).toBe('conforms')
})
