import { expect } from '@playwright/test'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

test('the office finds a job among many, keeps the question, sees what comes back, and what happened', async ({
  browser,
}) => {
  const office = await Crew.signedIn(browser, 'office')
  const { page } = office
  await page.getByRole('searchbox').fill('hatch')
  await expect(page.getByRole('heading', { name: /Juniper/ })).toHaveCount(0)
  await expect(page.getByRole('heading', { name: /Fallowmere/ })).toBeVisible()
  await page.getByRole('button', { name: 'Filter', exact: true }).click()
  await page.getByLabel('Waiting for').selectOption('inspector')
  await page.getByRole('button', { name: 'Save this filter' }).click()
  await page.getByLabel('Name of the filter').fill('Rework at the hatchery')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await page.goto('/jobs')
  await expect(page.getByRole('heading', { name: /Juniper/ })).toBeVisible()
  await page.getByRole('link', { name: 'Rework at the hatchery' }).click()
  await expect(page.getByRole('heading', { name: /Juniper/ })).toHaveCount(0)
  await expect(page.getByRole('heading', { name: /Fallowmere/ })).toBeVisible()

  await page.getByRole('link', { name: 'Defects', exact: true }).click()
  const recurring = page.getByRole('region', { name: 'What comes back' })
  await recurring.getByRole('button', { name: /^Aldervane AH-8T, Tightening torque/ }).press('Enter')
  await expect(page).toHaveURL(/clause=6.5/)
  await expect(page.getByRole('table')).toContainText('terminal PV2')
  await expect(page.getByRole('table')).not.toContainText('Open-circuit voltage')

  await page.goto('/office/backups')
  await page.getByRole('button', { name: 'Back up now' }).click()
  await expect(page.getByText(/^The last good backup was taken just now/)).toBeVisible()
  await page.getByRole('link', { name: 'Audit' }).click()
  await expect(page.getByRole('table')).toContainText('backed up')
  await page.getByLabel('What happened').selectOption('sealed')
  await expect(page.getByRole('table')).toContainText('Isaura Penhale')
  await expect(page.getByRole('table')).not.toContainText('backed up')
})

test('a record leaves as one ZIP and comes back: it is looked at before anything is taken', async ({
  browser,
}, info) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const jobId = await inspector.newJob('PM-ZIP', 'A record to pass on')
  await inspector.page.goto(`/jobs/${jobId}/data`)
  const [leaving] = await Promise.all([
    inspector.page.waitForEvent('download'),
    inspector.page.getByRole('button', { name: 'Record (ZIP)' }).click(),
  ])
  const zip = info.outputPath('record.zip')
  await leaving.saveAs(zip)
  const office = await Crew.signedIn(browser, 'office')
  const { page } = office
  await page.getByRole('link', { name: 'Import' }).click()
  await page.getByLabel('Record (ZIP)').setInputFiles(zip)
  const changes = page.getByRole('region', { name: 'What would change' })
  await expect(changes).toContainText('by this installation')
  await expect(changes).toContainText('here already, entry by entry')
  await changes.getByRole('button', { name: 'Leave it' }).click()
  await expect(changes).toHaveCount(0)

  // Readings leave as a table and come in again, all rows or none.
  await inspector.page.getByRole('button', { name: 'Import readings' }).scrollIntoViewIfNeeded()
  const table = (rows: string) => ({
    name: 'readings.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`point,reading,instrument serial\r\n${rows}`),
  })
  const point = await inspector.page.evaluate(async (id) => {
    const bundle = (await (await fetch(`/api/jobs/${id}`)).json()) as {
      instruments: { kind: string; serial: string }[]
    }
    return bundle.instruments.find(({ kind }) => kind === 'torque-driver')!.serial
  }, jobId)
  const input = inspector.page.getByLabel('File of readings')
  await input.setInputFiles(table(`iso/torque/t1,1.9 N·m,${point}\r\niso/torque/t3,firm,${point}\r\n`))
  await expect(inspector.page.getByText(/^row 3, reading/)).toBeVisible()
  await expect(inspector.page.getByRole('button', { name: 'Take the readings' })).toBeDisabled()
  await inspector.page.getByRole('button', { name: 'Cancel' }).click()
  await input.setInputFiles(table(`iso/torque/t1,1.9 N·m,${point}\r\niso/torque/t3,2.0 N·m,${point}\r\n`))
  await inspector.page.getByRole('button', { name: 'Take the readings' }).click()
  await expect(inspector.page.getByText('2 readings taken from readings.csv')).toBeVisible()
  await inspector.allKept()
})
