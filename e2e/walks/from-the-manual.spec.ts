import { expect } from '@playwright/test'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

test('a maker’s manual becomes a sheet: every figure beside its place, accepted by a person, saved to the library', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'office')
  await page.goto('/sheets')
  await page.getByRole('button', { name: 'New from a manual' }).click()
  await page.getByRole('button', { name: 'Try it with a sample manual' }).click()
  await expect(page.getByText(/\d+ to look at, 0 accepted/)).toBeVisible()
  const found = page.getByRole('region', { name: 'What was found' })
  // A table is accepted as a table; the place of what is chosen is marked on its page.
  await found
    .getByRole('button', { name: /^Accept all/ })
    .first()
    .click()
  const above = found.getByRole('group', { name: /^above at least 480 mm/ })
  await above.click()
  await expect(page.getByRole('button', { name: 'Found here: above', pressed: true })).toBeVisible()
  // What was printed stays beside another figure; by keys it goes on.
  await above.getByRole('button', { name: 'Change' }).click()
  await above.getByLabel('least, mm').fill('500')
  await above.getByRole('button', { name: 'Save' }).click()
  await expect(above).toContainText('printed: at least 480 mm')
  for (const name of [/^left at least 200/, /^right at least 200/, /^below at least 500/]) {
    await found.getByRole('group', { name }).click()
    await page.keyboard.press('a')
  }
  await page.keyboard.press('r')
  await page.keyboard.press('u')
  // What was not found is marked on the page by hand.
  const picture = page.getByRole('img', { name: /^Page \d+$/ })
  const edge = (await picture.boundingBox())!
  await page.mouse.move(edge.x + 60, edge.y + 40)
  await page.mouse.down()
  await page.mouse.move(edge.x + 260, edge.y + 70, { steps: 4 })
  await page.mouse.up()
  const marked = page.getByRole('region', { name: 'Marked on the page' })
  await marked.getByLabel('Kind').selectOption({ label: 'Lengths of cables' })
  await marked.getByLabel('What it is about').fill('grid cable')
  await marked.getByLabel('most, m').fill('35')
  await marked.getByRole('button', { name: 'Save' }).click()
  await expect(found.getByRole('group', { name: 'grid cable at most 35 m' })).toBeVisible()
  await page.getByLabel('Model').fill('AH-8T sample')
  await page.getByRole('button', { name: 'Make the sheet' }).click()
  await expect(page.getByText('The sheet reads without a fault.')).toBeVisible()
  await page.getByRole('button', { name: 'Save to the library' }).click()
  await expect(page.getByRole('heading', { name: /AH-8T sample, revision A/ })).toBeVisible()
  await expect(page.getByText('Free space')).toBeVisible()
  const { sheet } = (await (await page.request.get('/api/sheets/aldervane-ah-8t-sample-a')).json()) as {
    sheet: {
      manual: { digest: string }
      requirements: { kind: string; title: string; clear?: { top: number }; printed?: { page: number } }[]
    }
  }
  const free = sheet.requirements.find(({ kind }) => kind === 'clearance')!
  expect(sheet.requirements).toContainEqual(
    expect.objectContaining({ kind: 'limits', title: 'Length: Grid cable' }),
  )
  expect(free).toMatchObject({ clear: { top: 500, left: 200 }, printed: { page: 3 } })
  expect((await page.request.get(`/api/manuals/${sheet.manual.digest}`)).headers()['content-type']).toBe(
    'application/pdf',
  )
})

test('a new edition is laid beside the sheet, figure by figure; released by another person, jobs are judged by it', async ({
  browser,
}) => {
  const office = await Crew.signedIn(browser, 'office')
  await office.page.goto('/office/sheets')
  await office.page.getByLabel('A sheet is released by another person than its writer').check()
  const { page } = await Crew.signedIn(browser, 'inspector')
  await page.goto('/sheets/aldervane-ah-8t-c')
  await page.getByRole('link', { name: 'New edition of the manual' }).click()
  await page.getByRole('button', { name: 'Try it with a sample manual' }).click()
  const found = page.getByRole('region', { name: 'What was found' })
  const pe = found.getByRole('group', { name: /^PE.* 4.5 to 5.5 N·m/ })
  await expect(pe).toContainText('Before: 4 to 5 N·m')
  await found.getByRole('button', { name: 'Accept all 3' }).click()
  await page.getByRole('button', { name: 'Make the revision' }).click()
  await page.getByRole('button', { name: /^Changes \(\d+\)/ }).click()
  await expect(page.getByRole('list', { name: /^Differences from revision C to E/ })).toContainText('480 mm')
  await page.getByRole('button', { name: 'Save to the library' }).click()
  await expect(page.getByRole('heading', { name: 'Aldervane AH-8T, revision E' })).toBeVisible()
  await expect(page.getByText('Another person releases it.')).toBeVisible()
  await office.page.goto('/sheets/aldervane-ah-8t-e')
  await office.page.getByRole('button', { name: 'Release' }).click()
  await expect(office.page.getByText(/^Written by Ottilie Marsh, released by Corin Wakely/)).toBeVisible()
  await page.getByRole('link', { name: 'What would change in PM-2611' }).click()
  await expect(page.getByRole('list', { name: 'Checks that would be different' })).toContainText('480 mm')
  await office.page.goto('/office/sheets')
  await office.page.getByLabel('A sheet is released by another person than its writer').uncheck()
  // A job that is judged by it asks for the new figures, and shows where they stand.
  const inspector = new Crew(page, 'inspector')
  await inspector.newJob('PM-EDITION', 'A job by the new edition', ['aldervane-ah-8t-e'])
  await inspector.openJob('A job by the new edition')
  await inspector.goTo('Place and mount')
  await page.getByText('Tilt from plumb').first().click()
  await page.getByRole('button', { name: /Aldervane AH-8T, revision E, clause 4.5/ }).click()
  await expect(page.getByRole('img', { name: /^Page \d of the manual: Tilt from plumb/ })).toBeVisible()
  await expect(page.getByText('at most 3 °').first()).toBeVisible()
})

test('in a check the clause shows its cut-out, and the page behind it', async ({ browser }) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await page.goto('/jobs')
  await page
    .getByRole('link', { name: /PM-2611/ })
    .first()
    .click()
  await page.getByRole('link', { name: /Place and mount/ }).click()
  await page.getByRole('button', { name: /^(?:Left|Unsettled) / }).click()
  await page.getByText('Tilt from plumb').first().click()
  await page.getByRole('button', { name: /Thrumcap TB-10, revision B, clause 3.3/ }).click()
  await expect(page.getByRole('img', { name: /^Page 3 of the manual: Tilt from plumb/ })).toBeVisible()
  await page.getByRole('button', { name: 'Open page 3' }).click()
  await expect(page.getByRole('dialog', { name: /^In the manual: Tilt from plumb/ })).toBeVisible()
})

test('a file that is no manual says what is wrong with it', async ({ browser }) => {
  const { page } = await Crew.signedIn(browser, 'office')
  await page.goto('/sheets/from-manual')
  const choose = (name: string, text: string) =>
    page.setInputFiles('input[aria-label="Manual"]', {
      name,
      mimeType: 'application/pdf',
      buffer: Buffer.from(text),
    })
  await choose('notes.pdf', 'no page of anything')
  await expect(page.getByText('notes.pdf: this is not a PDF file')).toBeVisible()
  await choose('cut.pdf', '%PDF-1.7\n1 0 obj\n<< /Type /Catalog')
  await expect(page.getByText(/cut\.pdf: the file is cut short or broken/)).toBeVisible()
})
