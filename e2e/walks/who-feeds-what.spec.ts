import { expect } from '@playwright/test'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

test('a house is traced from a template, a forgotten source is found, a device limits it', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-LINE', 'Who feeds what', ['aldervane-ah-8t-c', 'house-ac-rules-a'])
  await inspector.openJob('Who feeds what')
  await inspector.goTo('AC side')
  await page.getByRole('button', { name: /^one board: every inverter/ }).click()
  const diagram = page.getByRole('group', { name: 'One-line diagram', exact: true })
  await expect(diagram.getByRole('button', { name: /^Cable / })).toHaveCount(5)

  await diagram.getByRole('button', { name: 'Cable Board to Loads' }).press('Enter')
  const cable = page.getByRole('region', { name: 'Cable', exact: true })
  await expect(cable).toContainText(
    'Fed by Grid 63 A and AH-8T 13 A; carries 76 A; 76 A can pass before anything trips.',
  )
  const check = page.locator('[data-open-check*="/cables/"]')
  await expect(check).toContainText('carries 76 A from Grid and AH-8T, may carry 62 A')
  await expect(check).toContainText('a supply fuse alone says nothing about the part beyond the second one')
  await expect(check).toContainText('the next size that passes every check is 25 mm²')

  // What the template brought proves nothing before somebody looked: not even that the cable is too thin.
  await expect(check.locator('[data-verdict=not-proven]').first()).toBeVisible()
  await page.getByRole('button', { name: /^All \d+ stand so: confirm$/ }).click()
  await expect(check.locator('[data-verdict=does-not-conform]').first()).toBeVisible()

  await page.getByRole('button', { name: 'Add a part' }).click()
  const part = page.getByRole('region', { name: 'A new part' })
  await part.getByLabel('Name').fill('Breaker, loads')
  await part.getByLabel('What it is').selectOption('device')
  await part.getByLabel('Rating').fill('50 A')
  await part.getByLabel('Put into the cable').selectOption({ label: 'Board – Loads' })
  await part.getByRole('button', { name: 'Save the part' }).click()
  await expect(diagram.getByRole('button', { name: /^Cable / })).toHaveCount(6)
  const cut = page.locator('[data-check*="/cables/"]').filter({ hasText: 'Breaker, loads to Loads' })
  // How long the two pieces are nobody has measured.
  await expect(cut).toContainText('its length is not entered')
  await diagram.getByRole('button', { name: 'Cable Breaker, loads to Loads' }).press('Enter')
  await cable.getByLabel('Length').fill('2 m')
  await cable.getByRole('button', { name: 'Save the cable' }).click()
  await expect(page.locator('[data-open-check*="/cables/"]')).toContainText('carries 50 A')
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(diagram.getByRole('button', { name: /^Cable / })).toHaveCount(5)
  await inspector.allKept()
})

test('what the meter shows becomes phasors and one sentence while it is typed', async ({ browser }) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-PROOF', 'A meter to prove', ['cobblewick-cm-3-d'])
  await inspector.openJob('A meter to prove')
  await inspector.goTo('Meter')
  const open = await inspector.check('cm-3/proof/unit')
  // One transformer turned round: its channel reads the load of its own phase with the other sign.
  const shown = {
    L1: ['230 V', '2 kW', '2000 W', '0'],
    L2: ['230', '1000', '1000', '0'],
    L3: ['230', '500', '-500', '0'],
  }
  for (const [phase, [volts, load, active, reactive]] of Object.entries(shown)) {
    await open.getByLabel(`${phase} voltage`).fill(volts!)
    await open.getByLabel(`${phase} known load`).fill(load!)
    await open.getByLabel(`channel ${phase[1]} active`).fill(active!)
    await open.getByLabel(`channel ${phase[1]} reactive`).fill(reactive!)
  }
  await expect(page.getByRole('img', { name: 'Phasors as they are wired' })).toBeVisible()
  await expect(open).toContainText('turn round the transformer of channel 3')
  await open.getByLabel('channel 3 active').fill('500 W')
  await expect(open).toContainText('each on its own phase, the right way round')
  await open.getByRole('button', { name: 'Save' }).click()
  await expect(page.locator('[data-check="cm-3/proof/unit"] [data-verdict="conforms"]')).toBeVisible()
})

test('a tester’s file is read once its columns are known; one bad row and nothing of it is taken', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.openJob()
  await inspector.goTo('DC side')
  const file = (rows: string) =>
    page.setInputFiles('input[aria-label="Tester file"]', {
      name: 'strings.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(`Circuit,Result MOhm,Test V\r\n${rows}`),
    })
  await file('String B,> 999,1000\r\nString Q,> 999,1000\r\n')
  const panel = page.getByRole('region', { name: 'strings.csv: 2 rows' })
  await expect(panel.getByLabel('string', { exact: true })).toHaveValue('Circuit')
  await panel.getByLabel('insulation, MΩ').selectOption('Result MOhm')
  await panel.getByLabel('Read with').selectOption({ label: 'Insulation tester N1' })
  await expect(panel.getByRole('alert')).toContainText('row 3, Circuit: no string is called “String Q”')
  await expect(panel.getByRole('button', { name: 'Take the readings' })).toBeDisabled()
  await file('String B,> 999,1000\r\n')
  const again = page.getByRole('region', { name: 'strings.csv: 1 row' })
  await again.getByLabel('insulation, MΩ').selectOption('Result MOhm')
  await again.getByLabel('Read with').selectOption({ label: 'Insulation tester N1' })
  await again.getByRole('button', { name: 'Take the readings' }).click()
  await expect(
    page.locator('[data-check="inv-1/insulation/string-b"] [data-verdict="conforms"]'),
  ).toBeVisible()
  await file('String B,> 888,1000\r\n')
  await expect(
    page.getByRole('region', { name: 'strings.csv: 1 row' }).getByLabel('insulation, MΩ'),
  ).toHaveValue('Result MOhm')
})

test('a canopy in inches and gauges: a board that carries too much stops the job, a larger one and a smaller breaker put it right', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.openJob('Juniper Flat Observatory, visitor canopy')
  await inspector.goTo('Roof')
  await expect(await inspector.check('inverters/air/canopy')).toContainText('0.5 in to 3 in')
  await inspector.goTo('AC side')
  const diagram = page.getByRole('group', { name: 'One-line diagram', exact: true })
  await diagram.getByRole('button', { name: 'Canopy board, board' }).press('Enter')
  await expect(page.getByRole('region', { name: 'Canopy board', exact: true })).toContainText(
    'Carries 80 A at worst, may carry 60 A; protected by Canopy feeder, 60 A.',
  )
  const check = page.locator('[data-open-check="rules/ratings/n-canopy"]')
  await expect(check).toContainText('can carry 80 A of 60 A')
  await check.getByRole('button', { name: 'Raise the defect' }).click()
  await expect(
    page.getByRole('alert').filter({ hasText: 'Danger: do not energise, or isolate' }),
  ).toContainText('Canopy board')

  const board = page.getByRole('region', { name: 'Canopy board', exact: true })
  await board.getByLabel('Rating').fill('100 A')
  await board.getByRole('button', { name: 'Save the part' }).click()
  await expect(page.locator('[data-check="rules/ratings/n-canopy"]')).toContainText('can carry 80 A of 100 A')
  expect(await inspector.verdictOf('rules/ratings/n-canopy')).toBe('conforms')

  await diagram.getByRole('button', { name: 'Breaker chargers, protective device' }).press('Enter')
  const breaker = page.getByRole('region', { name: 'Breaker chargers', exact: true })
  await breaker.getByLabel('Rating').fill('30 A')
  await breaker.getByRole('button', { name: 'Save the part' }).click()
  await expect(page.locator('[data-check="rules/cables/c-cars"]')).toContainText(
    'carries 30 A, may carry 40 A',
  )
  expect(await inspector.verdictOf('rules/cables/c-cars')).toBe('conforms')
  await inspector.allKept()

  await inspector.view(/^Defects/)
  const defect = page.getByRole('article', { name: /Canopy board/ })
  await expect(defect).toContainText('stop')
})
