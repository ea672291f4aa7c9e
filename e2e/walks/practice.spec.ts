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

test('a trainer hides faults where the class is to look, and gives the scenario away as a file', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  await page.getByRole('link', { name: 'Practice' }).click()
  await page.getByRole('button', { name: 'Write or import a scenario of your own' }).click()
  await page.getByRole('button', { name: 'Begin it' }).click()
  await expect(page.getByRole('alert')).toContainText('title')
  await page.getByLabel('Title').fill('Joints of the frames')
  await page.getByLabel('Subject').last().selectOption('Roof and earthing')
  const places = page.getByRole('group', { name: /Where something is wrong/ })
  await places
    .getByLabel(/Continuity of the bond/)
    .first()
    .check()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('Joints of the frames.json')
  await page.reload()
  await page.getByRole('button', { name: 'Write or import a scenario of your own' }).click()
  await page.getByLabel('Scenario file').setInputFiles(await file.path())
  await expect(page.getByLabel('Title')).toHaveValue('Joints of the frames')
  await page.getByRole('button', { name: 'Begin it' }).click()
  // The probe is put on before anything was isolated.
  await page
    .getByRole('button', { name: /Continuity of the bond/ })
    .first()
    .click()
  await page.getByLabel('Out of the bag').selectOption({ index: 1 })
  await page.getByRole('button', { name: 'Measure' }).click()
  await page.getByRole('button', { name: 'Finish' }).click()
  await expect(page.getByRole('region', { name: 'Touched before it was safe' })).toContainText(
    'Continuity of the bond',
  )
  await expect(page.getByText(/0 of 1 faults found/)).toBeVisible()
})

test('whoever is new is led once through a job, and left where two faults are hidden', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  await page.getByRole('link', { name: 'Practice' }).click()
  await page.getByRole('button', { name: /Ten minutes/ }).click()
  const tour = page.getByRole('region', { name: 'Tour' })
  const stops = [
    /jobs$/,
    /preparation/,
    /place-and-mount/,
    /walk\/dc/,
    /defects/,
    /sign-off/,
    /calculators/,
    /practice/,
  ]
  for (const [i, address] of stops.entries()) {
    await expect(tour).toContainText(`${i + 1} of ${stops.length}`)
    await expect(page).toHaveURL(address)
    await expect(tour.getByRole('status')).toContainText('Try it')
    // What is tried is seen, in whichever room it is.
    if (i === 0) {
      await page.getByLabel(/Number, site/).fill('Kelp')
      await expect(tour.getByRole('status')).toContainText('Tried')
    }
    // Whoever loads the page anew goes on where the tour stood.
    if (i === 3) await page.reload()
    if (i < stops.length - 1) await tour.getByRole('button', { name: 'Next' }).click()
  }
  await tour.getByRole('button', { name: 'Done' }).click()
  await expect(tour).toBeHidden()
})

test('instruments go where they are put: the tape from edge to edge, the probes to two ends, loads under a live meter', async ({
  browser,
}) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  const begin = async (subject: string, seed: string) => {
    await page.goto('/practice')
    await page.getByLabel('Subject').selectOption(subject)
    await page.getByLabel('Number of the installation').fill(seed)
    await page.getByRole('button', { name: 'Begin', exact: true }).click()
  }
  const opened = async (title: RegExp) => {
    const row = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: title }) })
    await row.first().getByRole('button').first().click()
    return row.first()
  }
  await begin('Walls', '2')
  const unit = await opened(/^Where it hangs or stands: Inverter 1/)
  await unit.getByRole('button', { name: 'Take the tape' }).click()
  const taped = async (from: string, to: string) => {
    for (const edge of [from, to]) await unit.getByRole('button', { name: edge, exact: true }).press('Enter')
    return (await unit.getByRole('status').innerText()).match(/^\d+ mm/)![0]
  }
  const left = await taped('left corner', 'left edge of Inverter 1')
  const lower = await taped('floor', 'lower edge of Inverter 1')
  await unit.getByLabel('Left edge, from the left').fill(left)
  await unit.getByLabel('Lower edge, from the floor').fill(lower)
  await unit.getByRole('button', { name: 'Write it down' }).click()
  await expect(unit).toContainText('taken')

  await begin('DC side', '4')
  const string = await opened(/^Open-circuit voltage/)
  await string.getByLabel('Out of the bag').selectOption({ label: 'Multimeter (in date until 2030-01-01)' })
  await expect(string.getByRole('button', { name: 'Measure' })).toBeDisabled()
  await string.getByRole('button', { name: 'Red probe on String 1 −' }).press('Enter')
  await string.getByRole('button', { name: 'Black probe on String 1 +' }).press('Enter')
  await string.getByRole('button', { name: 'Measure' }).click()
  await expect(string).toContainText(/-\d+(\.\d+)? V/)

  await begin('Meter', '4')
  const proof = await opened(/^Electrical proof/)
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
