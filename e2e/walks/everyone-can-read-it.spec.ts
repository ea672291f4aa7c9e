import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { Crew, HATCHERY } from '../page-objects/crew.js'
import { follow, test } from '../page-objects/walk.js'

type View = readonly [path: string, mode: 'light' | 'dark']

/** Each view once, and those with pictures in both lights. One light after the other: the page is loaded once for each. */
const OF_A_JOB: readonly View[] = [
  ['report', 'light'],
  ['walk/place-and-mount', 'light'],
  ['walk/dc', 'light'],
  ['defects', 'light'],
  ['preparation', 'light'],
  ['walk/identify', 'light'],
  ['walk/earthing', 'light'],
  ['walk/ac', 'light'],
  ['walk/meter', 'light'],
  ['adopt/aldervane-ah-8t-c/aldervane-ah-8t-d', 'light'],
  ['report?for=customer', 'dark'],
  ['walk/place-and-mount', 'dark'],
  ['sign-off', 'dark'],
  ['walk/roof', 'dark'],
  ['walk/battery', 'dark'],
]
const OF_THE_OFFICE: readonly View[] = [
  ['/practice', 'light'],
  ['/jobs/new', 'light'],
  ['/sheets', 'light'],
  ['/sheets/aldervane-ah-8t-d/edit', 'light'],
  ['/visits', 'light'],
  ['/calculators/conductor', 'light'],
  ['/defects', 'dark'],
  ['/jobs', 'dark'],
  ['/sheets/aldervane-ah-8t-d', 'dark'],
  ['/sheets/from-manual', 'dark'],
  ['/instruments', 'dark'],
  ['/calculators/ct-phasing', 'dark'],
]

// Every view is looked through whole, which takes its time.
test.describe.configure({ mode: 'parallel', timeout: 240_000 })

test('no view of a job has a serious fault of accessibility, light or dark', async ({ browser }) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  const { jobs } = (await (await page.request.get('/api/jobs')).json()) as {
    jobs: { id: string; title: string }[]
  }
  const job = `/jobs/${jobs.find(({ title }) => title === HATCHERY)!.id}`
  const views = OF_A_JOB.map(([path, mode]) => [`${job}/${path}`, mode] as const)
  const serious = await lookedThrough(page, views)
  // What is answered together, opened.
  for (const [stage, group] of [
    ['dc', 'readings terminal'],
    ['close-up', 'gasket'],
  ] as const) {
    await follow(page, `${job}/walk/${stage}`)
    await page.getByLabel('Order').selectOption('requirement')
    await page.locator(`[data-group*="${group}"]`).first().click()
    serious.push(...(await seriousFaults(page, `${stage} ${group}`)))
  }
  expect(serious).toEqual([])
})

test('no view beside the jobs has a serious fault of accessibility, light or dark', async ({ browser }) => {
  const { page } = await Crew.signedIn(browser, 'inspector')
  expect(await lookedThrough(page, OF_THE_OFFICE)).toEqual([])
})

async function lookedThrough(page: Page, views: readonly View[]): Promise<string[]> {
  const serious: string[] = []
  let light: 'light' | 'dark' | undefined
  for (const [path, mode] of views) {
    if (mode === light) await follow(page, path)
    else await loadIn(page, path, mode)
    light = mode
    serious.push(...(await seriousFaults(page, `${mode} ${path}`)))
  }
  return serious
}

async function loadIn(page: Page, path: string, mode: 'light' | 'dark'): Promise<void> {
  await page.evaluate(
    (wanted) => localStorage.setItem('plumb-mark-preferences', wanted),
    JSON.stringify({ state: { mode }, version: 0 }),
  )
  await page.goto(path)
  await expect(page.getByRole('heading').first()).toBeVisible()
}

/** Rows of a list that are looked through. */
const SHOWN_OF_A_LIST = 8

async function seriousFaults(page: Page, where: string): Promise<string[]> {
  // Only what is wrong is asked for, and of one frame, since there are no others: half the time.
  // Of a long table or list one row is as the other.
  await page.evaluate((most) => {
    for (const list of ['[data-check]', '[data-group]'])
      document.querySelectorAll(list).forEach((row, i) => i >= most && row.setAttribute('data-alike', ''))
  }, SHOWN_OF_A_LIST)
  const { violations } = await new AxeBuilder({ page })
    .exclude('tr:nth-child(n + 7)')
    .exclude('[data-alike]')
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${where}: ${id} at ${nodes
          .map(({ target }) => target.join(' '))
          .slice(0, 3)
          .join(' | ')}`,
    )
}
