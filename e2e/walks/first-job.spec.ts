import { expect, type Page } from '@playwright/test'
import { Crew } from '../page-objects/crew.js'
import { OwnServer } from '../page-objects/own-server.js'
import { test } from '../page-objects/walk.js'

const PASSWORD = 'three brass bobs'
const WORD = 'h7km-2xqp-9rtd'
const here = new OwnServer(3, ['--empty', '--first-word', WORD])
test.beforeAll(async () => {
  test.setTimeout(120_000)
  await here.start()
})
test.afterAll(() => here.remove())

const tourOf = (page: Page) => page.getByRole('region', { name: 'Tour' })

/** At a stop: what it asks for is done, and seen. */
async function stop(page: Page, title: string, at: RegExp, tries: () => Promise<void>): Promise<void> {
  const tour = tourOf(page)
  await expect(tour).toContainText(title)
  await expect(page).toHaveURL(at)
  await tries()
  await expect(tour.getByRole('status')).toContainText('Tried')
  const onwards = tour.getByRole('button', { name: /^(Next|Done)$/ })
  await onwards.click()
}

/** Types at the open check the figure that the stop names, and says with which instrument. */
async function read(page: Page, instrument: RegExp): Promise<void> {
  const asked = await tourOf(page).getByRole('status').innerText()
  const [, figure] = asked.match(/Save (\S+ \S+) at/)!
  await page.getByLabel(/^Reading, /).fill(figure!)
  for (const [name, field] of [
    [/cells at (\S+) °C/, 'Cell temperature'],
    [/light of (\S+) W/, 'Irradiance'],
  ] as const) {
    const shown = asked.match(name)?.[1]
    if (shown) await page.getByLabel(field).fill(shown)
  }
  const chosen = page.getByLabel('Instrument', { exact: true })
  const named = await chosen.getByRole('option', { name: instrument }).getAttribute('value')
  await chosen.selectOption(named)
  await page.getByRole('button', { name: 'Save', exact: true }).click()
}

test('on an empty installation whoever is new goes from the tape to the signature in ten minutes, and no server hears of it', async ({
  browser,
}) => {
  const context = await browser.newContext({ baseURL: here.address })
  const page = await context.newPage()
  await page.goto('/')
  await page.getByLabel(/^Word/).fill(WORD)
  await page.getByLabel('Name').fill('Ysolde Penhale')
  await page.getByLabel('E-mail').fill('office@weir.example')
  await page.getByLabel(/^Password/).fill(PASSWORD)
  await page.getByLabel('The same again').fill(PASSWORD)
  await page.getByRole('button', { name: 'Make the account' }).click()
  await page.getByRole('button', { name: 'Ten minutes through your first job' }).click()

  await stop(page, 'Before the drive', /preparation/, () =>
    page.getByRole('main').getByRole('listitem').first().click(),
  )
  await stop(page, 'What the tape says', /walk\/roof/, () => read(page, /^Tape/))
  await stop(page, 'What the torque driver says', /walk\/ac/, async () => {
    await read(page, /^Torque driver/)
    // Whoever loads the page anew goes on where the tour stood, and what was entered is still there.
    await page.reload()
  })
  await stop(page, 'A failure becomes a defect', /walk\/ac/, () =>
    page.getByRole('button', { name: 'Raise the defect' }).click(),
  )
  await stop(page, 'Now you are the installer', /rework/, async () => {
    await page.getByRole('button', { name: 'I have put this right' }).click()
    await page.getByLabel('What was done?').fill('Tightened')
    await page.getByRole('button', { name: 'Mark as reworked' }).click()
  })
  await stop(page, 'Nobody closes a defect by saying so', /walk\/ac/, () => read(page, /^Torque driver/))
  await stop(page, 'From defect to closed', /defects/, () =>
    page.getByText(/^Closed by Ysolde Penhale/).click(),
  )
  await stop(page, 'What the meter says', /walk\/dc/, () => read(page, /^Multimeter/))
  await stop(page, 'The signature', /sign-off/, () => new Crew(page, 'reviewer').signAndSeal('L-1'))
  await stop(page, 'What is left a year later', /report/, () => page.getByRole('main').click())
  await stop(page, 'Now without help', /practice$/, () =>
    page.getByRole('main').getByRole('button', { name: 'Begin', exact: true }).click(),
  )
  await expect(tourOf(page)).toBeHidden()
  // Outside of the practice job one is who one was, and nothing of it is kept anywhere but here.
  await page.goto('/jobs')
  await expect(page.getByRole('link', { name: 'Office' })).toBeVisible()
  const { total } = (await (await page.request.get('/api/jobs')).json()) as { total: number }
  expect(total).toBe(0)
})
