import { expect } from '@playwright/test'
import { photoOfBars } from '../page-objects/bar-code.js'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

test('the office opens a job, sees what to bring, and books nobody twice', async ({ browser }) => {
  const { page } = await Crew.signedIn(browser, 'office')
  await page.getByRole('link', { name: 'New job' }).click()
  await page.getByLabel('Number', { exact: true }).fill('PM-2701')
  await page.getByLabel('Title').fill('Millrace Cottage')
  await page.getByLabel('Customer').fill('The miller')
  await page.getByLabel('Site', { exact: true }).fill('Millrace Cottage, by the weir')
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name: 'Unit', exact: true }).click()
  await page.getByLabel('Sheet', { exact: true }).selectOption('aldervane-as-5-b')
  await page.getByRole('button', { name: 'Unit', exact: true }).click()
  await page.getByLabel('Sheet', { exact: true }).nth(1).selectOption('thrumcap-tb-10-b')
  await page.getByLabel('Where', { exact: true }).nth(1).selectOption('indoors')
  await page.getByRole('button', { name: 'Open the job' }).click()

  const kit = page.getByRole('region', { name: 'Kit list' })
  await expect(kit).toContainText('torque driver for torque, 1.2 N·m to 8 N·m')
  await expect(kit).toContainText('by machine')
  await expect(kit).toContainText('mains available')
  await page.getByRole('button', { name: 'Visit' }).click()
  const visit = page.getByRole('form', { name: 'Visit' })
  await visit.getByLabel('From', { exact: true }).fill('2026-12-03T09:00')
  await visit.getByLabel('To', { exact: true }).fill('2026-12-03T11:00')
  await visit.getByLabel(/inspector/).check()
  await visit.getByRole('button', { name: 'Book the visit' }).click()
  await expect(visit.getByRole('alert')).toContainText('Ottilie Marsh is booked')
  await visit.getByLabel('From', { exact: true }).fill('2026-12-04T09:00')
  await visit.getByLabel('To', { exact: true }).fill('2026-12-04T11:00')
  await visit.getByRole('button', { name: 'Book the visit' }).click()
  await expect(kit.getByRole('heading', { name: /^Instruments, for Fri,? 4 Dec 2026/ })).toBeVisible()
  const calendar = await page.request.get(`/api/jobs/${page.url().split('/')[4]}/visits.ics`)
  expect(await calendar.text()).toContain('SUMMARY:PM-2701 inspection')
})

test('a roof is drawn, its string walked, its devices named; then the earth is tied together', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-ROOF', 'A roof of its own', [
    'aldervane-as-5-b',
    'wendlemere-wm-430-b',
    'sorrelight-me-1-b',
  ])
  await inspector.openJob('A roof of its own')
  await inspector.goTo('Roof')
  await page.getByRole('button', { name: 'Add the plane' }).click()
  const map = page.getByRole('group', { name: 'Array map', exact: true })
  await expect(map.getByRole('button')).toHaveCount(12)

  await page.getByRole('button', { name: 'Strings', exact: true }).click()
  const task = page.getByRole('region', { name: 'Strings' })
  for (const column of [1, 2, 3])
    await map.getByRole('button', { name: `row 1, place ${column}`, exact: true }).press('Enter')
  await expect(task).toContainText('3 modules, 1290 W')
  await expect(task).toContainText('3 modules, at least 4')
  for (const column of [4, 5, 6])
    await map.getByRole('button', { name: `row 1, place ${column}`, exact: true }).press('Enter')
  await expect(task.locator('[data-verdict="conforms"]').first()).toBeVisible()
  await task.getByRole('button', { name: 'Save the string' }).click()
  await expect(page.locator('[data-check*="/strings/string-"]').first()).toContainText('6 modules, 2580 W')

  await page.getByRole('button', { name: 'Module electronics and serials' }).click()
  await page.getByRole('button', { name: /A device on each of the 12/ }).click()
  const serial = page.getByLabel(/^Serial at row 1, place 1/)
  await serial.fill('ME1-0001')
  await serial.press('Enter')
  await page.getByLabel(/^Serial at row 1, place 2/).fill('me1 0001')
  await expect(page.getByText('the same serial stands at row 1, place 1')).toBeVisible()
  await page.getByRole('button', { name: 'Scan this serial' }).click()
  const scanner = page.getByRole('dialog', { name: 'Scan row 1, place 2' })
  await expect(scanner.getByRole('status')).toContainText('No camera can be used here')
  await page.setInputFiles('input[aria-label="Photo of the label"]', {
    name: 'wall.png',
    mimeType: 'image/png',
    buffer: await photoOfBars(page, ''),
  })
  await expect(scanner.getByRole('status')).toContainText('No code was found in that photo')
  await page.setInputFiles('input[aria-label="Photo of the label"]', {
    name: 'label.png',
    mimeType: 'image/png',
    buffer: await photoOfBars(page, '4711002'),
  })
  await expect(page.getByText('2 of 12 devices carry a serial')).toBeVisible()
  await page.setInputFiles('input[aria-label="Serial list"]', {
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('place,serial\r\nnowhere.r1c1,X\r\n'),
  })
  await expect(
    page.getByRole('status').filter({ hasText: 'row 2: no device on the map at nowhere.r1c1' }),
  ).toBeVisible()
  await expect(page.getByText('2 of 12 devices carry a serial')).toBeVisible()

  await inspector.goTo('Earthing')
  await page.getByRole('button', { name: /Main earth terminal and the 2 parts/ }).click()
  await page.getByRole('button', { name: 'Add a bond' }).click()
  const bond = page.getByRole('region', { name: 'A new bond' })
  await bond.getByLabel('From').selectOption({ label: 'AS-5' })
  await bond.getByLabel('By').selectOption('supply-cable')
  await bond.getByLabel('Size').fill('2.5')
  await bond.getByLabel('Line conductor beside it').fill('4')
  await bond.getByRole('button', { name: 'Save the bond' }).click()
  await expect(page.locator('[data-check$="/bonding/unit"]').first()).toContainText(
    'bonded through to the main earth terminal',
  )
  await expect(page.locator('[data-check*="/earth-size/"]')).toContainText(
    '2.5 mm² fitted, 4 mm² asked for by the method',
  )
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-check*="/earth-size/"]')).toHaveCount(0)
  await inspector.allKept()
})

test('a thing on the wall is dragged, a gap disagrees with the offsets, a copy is hung', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-DRAG', 'A wall to drag on')
  await inspector.openJob('A wall to drag on')
  await inspector.goTo('Place and mount')
  const item = page.locator('[data-item="iso"]')
  await item.click()
  const box = (await item.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2, { steps: 8 })
  await page.mouse.up()
  const offset = page.getByLabel('From the datum to its left edge')
  await expect(offset).not.toHaveValue('500 mm')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(offset).toHaveValue('500 mm')
  await page.getByLabel('Or by a gap of').fill('2 ft')
  await page.getByLabel('it stands').selectOption('right-of')
  await page.getByLabel('what', { exact: true }).selectOption('left-corner')
  await page.getByRole('button', { name: 'Place it' }).click()
  await expect(offset).toHaveValue('609.6 mm')
  await page.getByRole('button', { name: 'Copy' }).click()
  await expect(page.getByRole('region', { name: 'Measures of Isolator copy' })).toBeVisible()

  await page.getByRole('button', { name: 'Gaps' }).click()
  const survey = page.getByRole('region', { name: 'Gaps, one by one' })
  await survey.getByLabel('From').selectOption('left-corner')
  await survey.getByLabel('To').selectOption('iso')
  await survey.getByLabel('Gap as read').fill('600 mm')
  await survey.getByRole('button', { name: 'Add' }).click()
  await expect(survey).toContainText('−9.6 mm: read again')
})

test('a sheet is edited as text and as a form at once; the change becomes a revision, told before it is adopted', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'office')
  await page.getByRole('link', { name: 'Sheets' }).click()
  await page.getByLabel('Search').fill('tb10')
  await page.getByRole('link', { name: /Thrumcap TB-10/ }).click()
  await page.getByRole('button', { name: 'New revision' }).click()
  await page.getByRole('button', { name: 'Source' }).click()
  await page.getByRole('button', { name: /^Tilt from plumb/ }).click()
  await page.getByLabel('Most', { exact: true }).fill('5 °')
  const text = page.getByRole('textbox', { name: 'Sheet as YAML' })
  await expect(text).toContainText('max: 5 °')
  await page.getByLabel('Most', { exact: true }).fill('five')
  await expect(page.getByRole('status')).toContainText(/line \d+: .*five/)
  await expect(page.getByRole('button', { name: 'Save to the library' })).toBeDisabled()
  await page.getByLabel('Most', { exact: true }).fill('5 °')
  await page.getByRole('button', { name: 'Save to the library' }).click()
  await expect(page.getByRole('status')).toContainText('give the change a revision of its own')
  await page.getByText('The unit', { exact: true }).click()
  await page.getByLabel('Revision', { exact: true }).fill('C')
  await page.getByLabel('Date of the edition').fill('2026-11-20')
  await page.getByRole('button', { name: 'Save to the library' }).click()
  await expect(page.getByRole('heading', { name: 'Thrumcap TB-10, revision C' })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Differences from revision B to C' })).toContainText(
    'Tilt from plumb: max 3 → 5 °, clause 3.3',
  )
  await page.getByRole('link', { name: 'What would change in PM-2611' }).click()
  const changes = page.getByRole('list', { name: 'Checks that would be different' })
  await expect(changes).toContainText('at most 3 ° → at most 5 °')
  await expect(
    changes
      .getByRole('listitem')
      .filter({ hasText: 'Battery 2' })
      .locator('[data-verdict="does-not-conform"]'),
  ).toBeVisible()
  await expect(
    changes.getByRole('listitem').filter({ hasText: 'Battery 2' }).locator('[data-verdict="conforms"]'),
  ).toBeVisible()
})

test('a photo is captioned and marked, and the photo as taken stays beside it', async ({ browser }) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-PHOTO', 'A photo to mark')
  await inspector.openJob('A photo to mark')
  await inspector.goTo('Place and mount')
  const open = await inspector.check('iso/in-sight/unit')
  const picture = await page.screenshot()
  await open
    .getByLabel('Photo', { exact: true })
    .setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer: picture })
  await open.getByRole('button', { name: 'Caption and mark: label.png' }).click()
  const marks = page.getByRole('dialog', { name: 'Caption and mark the photo' })
  await marks.getByLabel('Caption').fill('Label of the isolator')
  const canvas = (await marks.locator('canvas').first().boundingBox())!
  await page.mouse.move(canvas.x + 60, canvas.y + 60)
  await page.mouse.down()
  await page.mouse.move(canvas.x + 220, canvas.y + 160, { steps: 6 })
  await page.mouse.up()
  await expect(marks.getByRole('img')).toHaveAccessibleName('Label of the isolator: 1 marks')
  await marks.getByRole('button', { name: 'Use it' }).click()
  await expect(
    open.getByRole('button', { name: 'Caption and mark: Label of the isolator, marked' }),
  ).toBeVisible()
  await open.getByRole('button', { name: 'Yes' }).click()
  await inspector.allKept()
})
