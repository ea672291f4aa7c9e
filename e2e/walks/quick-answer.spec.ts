import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { CALCULATOR_NAMES } from '@plumb-mark/core'
import { Crew, HATCHERY } from '../crew/crew.js'

test('a quick answer on site: any units, the ranked causes, a link that carries the figures', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await page.getByRole('link', { name: 'Calculators' }).click()
  await page.getByRole('link', { name: 'What a string reads' }).click()
  await expect(page.getByRole('list', { name: 'Explanations, most probable first' })).toContainText(
    'one module is missing',
  )
  await page.getByLabel('Measured Voc of the string, V').fill('0.4465 kV')
  await expect(page.getByText('conforms', { exact: true })).toBeVisible()
  const again = await page.context().newPage()
  await again.goto(page.url())
  await expect(again.getByLabel('Measured Voc of the string, V')).toHaveValue('0.4465 kV')
  await page.getByLabel('Measured Voc of the string, V').fill('446 A')
  await expect(page.getByRole('alert').first()).toContainText('is not a unit of voltage')
})

test('the least rework of a wall is searched beside the screen and drawn as a ghost', async ({ browser }) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  await page.goto('/calculators/clearance-rework')
  await expect(page.getByText('move inverter 1 53 mm to the left')).toBeVisible()
  await expect(page.getByText('inverter 1 here')).toBeVisible()
})

test('a calculation is kept in a job and opens again from there', async ({ browser }) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.newJob('PM-CALC', 'A job for a calculation')
  await page.goto('/calculators/reserve')
  await page.getByRole('button', { name: 'Use this in a job' }).click()
  await page.getByRole('combobox', { name: 'Job' }).selectOption('PM-CALC A job for a calculation')
  await page.getByRole('button', { name: 'Save there' }).click()
  await expect(page.getByRole('status')).toContainText('Kept in the job')
  await inspector.openJob('A job for a calculation')
  await inspector.view(/Sign-off/)
  await page.getByRole('link', { name: /Backup reserve/ }).click()
  await expect(page.getByRole('heading', { name: 'Backup reserve' })).toBeVisible()
})

test('every calculator starts with an example that it can work out', async ({ browser }) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  const faults: string[] = []
  page.on('pageerror', (fault) => faults.push(fault.message))
  for (const name of CALCULATOR_NAMES) {
    await page.goto(`/calculators/${name}`)
    await expect(page.getByRole('list', { name: 'Working' }), name).toBeVisible()
  }
  expect(faults).toEqual([])
})

/** Each view once, and those with pictures in both lights. */
const VIEWS: [string, 'light' | 'dark'][] = [
  ['/jobs/:job/report', 'light'],
  ['/practice', 'light'],
  ['/defects', 'dark'],
  ['/jobs/:job/report?for=customer', 'dark'],
  ['/jobs', 'dark'],
  ['/jobs/:job/walk/place-and-mount', 'light'],
  ['/jobs/:job/walk/place-and-mount', 'dark'],
  ['/jobs/:job/walk/dc', 'light'],
  ['/jobs/:job/defects', 'light'],
  ['/jobs/:job/sign-off', 'dark'],
  ['/jobs/:job/preparation', 'light'],
  ['/jobs/:job/walk/identify', 'light'],
  ['/jobs/:job/walk/roof', 'dark'],
  ['/jobs/:job/walk/earthing', 'light'],
  ['/jobs/:job/walk/ac', 'light'],
  ['/jobs/:job/walk/battery', 'dark'],
  ['/jobs/:job/walk/meter', 'light'],
  ['/jobs/:job/adopt/aldervane-ah-8t-c/aldervane-ah-8t-d', 'light'],
  ['/jobs/new', 'light'],
  ['/sheets', 'light'],
  ['/sheets/aldervane-ah-8t-d', 'dark'],
  ['/sheets/aldervane-ah-8t-d/edit', 'light'],
  ['/instruments', 'dark'],
  ['/visits', 'light'],
  ['/calculators/conductor', 'light'],
  ['/calculators/ct-phasing', 'dark'],
]

test('no view has a serious fault of accessibility, light or dark', async ({ browser }) => {
  // Two dozen views are each looked through whole.
  test.setTimeout(300_000)
  const { page } = await Crew.signedIn(browser, 'inspector')
  const { jobs } = (await (await page.request.get('/api/jobs')).json()) as {
    jobs: { id: string; title: string }[]
  }
  const job = jobs.find(({ title }) => title === HATCHERY)!.id
  const serious: string[] = []
  for (const [path, mode] of VIEWS) {
    await page.evaluate((wanted) => localStorage.setItem('plumb-mark-mode', wanted), mode)
    await page.goto(path.replace(':job', job))
    await expect(page.getByRole('heading').first()).toBeVisible()
    const { violations } = await new AxeBuilder({ page }).analyze()
    serious.push(
      ...violations
        .filter(({ impact }) => impact === 'serious' || impact === 'critical')
        .map(
          ({ id, nodes }) =>
            `${mode} ${path}: ${id} at ${nodes
              .map(({ target }) => target.join(' '))
              .slice(0, 3)
              .join(' | ')}`,
        ),
    )
  }
  // What is answered together, opened.
  for (const [stage, group] of [
    ['dc', 'readings terminal'],
    ['close-up', 'gasket'],
  ] as const) {
    await page.goto(`/jobs/${job}/walk/${stage}`)
    await page.getByLabel('Order').selectOption('requirement')
    await page.locator(`[data-group*="${group}"]`).first().click()
    const { violations } = await new AxeBuilder({ page }).analyze()
    serious.push(
      ...violations
        .filter(({ impact }) => impact === 'serious' || impact === 'critical')
        .map(({ id }) => `${stage} ${group}: ${id}`),
    )
  }
  expect(serious).toEqual([])
})
