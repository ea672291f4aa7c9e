import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect } from '@playwright/test'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

const DRIVER = 'Torque driver D1'
const CALIPER = 'Caliper C1'
const PLUMB_MARK = join(import.meta.dirname, '..', '..', 'apps', 'cli', 'bin', 'plumb-mark.mjs')

test.describe.configure({ mode: 'serial' })

test('a wall is measured, judged as it is typed, and undone', async ({ browser }) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await expect(page.getByText(/Waiting for the installer.*to rework/)).toBeVisible()
  await inspector.openJob()
  await inspector.goTo('Place and mount')
  await expect(page.locator('[data-dimension="inv-1/right"]')).toContainText('short by 50')
  await page.getByRole('button', { name: 'Least rework' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Least rework: move' })).toContainText(
    /Inverter [12] 52 mm to the (left|right)/,
  )
  await page.locator('[data-item="inv-2"]').click()
  const offset = page.getByLabel('From the datum to its left edge')
  await offset.fill('1.342 m')
  await expect(page.locator('[data-dimension="inv-1/right"]')).toHaveAttribute('data-verdict', 'conforms')
  expect(await inspector.verdictOf('inv-1/clear/right')).toBe('conforms')
  await offset.fill('72 7/8 in')
  await expect(page.getByText('1851 mm')).toBeVisible()
  await offset.fill('1,342 mm')
  await expect(page.getByRole('alert')).toContainText('thousands without separators')
  await offset.fill('1.29 m')
  await offset.press('Enter')
  await expect(page.locator('[data-dimension="inv-1/right"]')).toContainText('short by 50')

  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'SVG' }).click()
  expect((await saving).suggestedFilename()).toBe('Pump house, north wall.svg')

  await page.getByRole('button', { name: 'Obstruction', exact: true }).click()
  await page.getByLabel('What is it?').selectOption('duct')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('button', { name: 'duct, obstruction' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'duct, obstruction' })).toBeHidden()
  await inspector.allKept()
})

test('a short gap goes from defect through rework to closed, and the old measure stays in the record', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  await inspector.openJob()
  await inspector.goTo('Place and mount')
  const gap = await inspector.check('inv-1/clear/right')
  await expect(gap.getByLabel('Remedy')).toHaveValue(/both figures are added/)
  await gap.getByRole('button', { name: 'Raise the defect' }).click()
  await inspector.allKept()

  const installer = await Crew.signedIn(browser, 'installer')
  await installer.openJob()
  const owed = installer.page.getByRole('article', { name: /Free space.*Inverter 1/ })
  await owed.getByRole('button', { name: 'I have put this right' }).click()
  await owed.getByRole('button', { name: 'Mark as reworked' }).click()
  await expect(owed.getByRole('alert')).toContainText('say in a few words what was done')
  await owed.getByLabel('What was done?').fill('Moved inverter 2 to the right')
  await owed
    .getByLabel('Photo')
    .setInputFiles({ name: 'after.png', mimeType: 'image/png', buffer: onePixel() })
  await expect(owed.getByAltText('after.png')).toBeVisible()
  await owed.getByRole('button', { name: 'Mark as reworked' }).click()
  await expect(owed).toHaveAttribute('data-state', 'reworked')
  await installer.allKept()
  expect(
    (
      await installer.page.request.get(
        `${installer.page.url().replace('/rework', '')}`.replace('/jobs/', '/api/jobs/') + '/report.pdf',
      )
    ).status(),
  ).toBe(403)

  await inspector.openJob()
  await inspector.goTo('Place and mount')
  await inspector.page.locator('[data-item="inv-2"]').click()
  await inspector.page.getByLabel('From the datum to its left edge').fill('1.342 m')
  await inspector.page.getByLabel('From the datum to its left edge').press('Enter')
  await inspector.view(/Defects/)
  await expect(inspector.page.getByRole('article', { name: /Free space.*Inverter 1/ })).toHaveAttribute(
    'data-state',
    'closed',
  )
})

test('readings are judged as they are typed; the doubtful one waits, the dangerous one warns on every screen', async ({
  browser,
}) => {
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  await inspector.openJob()
  await inspector.goTo('AC side')
  const mains = await inspector.check('inv-1/mains/unit')
  await mains.getByRole('textbox', { name: /^Reading/ }).fill('271 V')
  await expect(mains.getByText('does not conform')).toBeVisible()
  await mains.getByRole('textbox', { name: /^Reading/ }).fill('252.8')
  await expect(mains.getByText('not proven')).toBeVisible()
  await mains.getByRole('textbox', { name: /^Reading/ }).fill('0.271 kV')
  await mains.getByRole('textbox', { name: /^Reading/ }).press('Enter')
  await mains.getByRole('button', { name: 'Raise the defect' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Danger' })).toContainText('do not energise')
  await inspector.view(/Sign-off/)
  await expect(page.getByRole('alert').filter({ hasText: 'Danger' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Readings that prove nothing' })).toBeVisible()
  await expect(page.getByText('was out of calibration since 2026-08-31')).toBeVisible()
  await inspector.allKept()
})

test('everything is answered, signed and sealed; report and record leave whole', async ({
  browser,
}, info) => {
  const installer = await Crew.signedIn(browser, 'installer')
  await installer.openJob()
  for (const name of [/Mains voltage/, /Open-circuit voltage/]) {
    const owed = installer.page.getByRole('article', { name })
    await owed.getByRole('button', { name: 'I have put this right' }).click()
    await owed.getByLabel('What was done?').fill('put right')
    await owed.getByRole('button', { name: 'Mark as reworked' }).click()
    await expect(owed).toHaveAttribute('data-state', 'reworked')
  }
  await installer.allKept()

  const inspector = await Crew.signedIn(browser, 'inspector')
  await inspector.newJob('PM-SEAL', SHED)
  await inspector.openJob(SHED)
  for (const stage of ['Place and mount', 'DC side']) {
    await inspector.goTo(stage)
    await answerAll(inspector, stage, readingFor)
  }
  await inspector.allKept()
  await inspector.view(/Sign-off/)
  await expect(inspector.page.getByRole('heading', { name: 'Nothing stands in the way' })).toBeVisible()

  const reviewer = await Crew.signedIn(browser, 'reviewer')
  await reviewer.openJob(SHED)
  await reviewer.view(/Sign-off/)
  await reviewer.page.getByRole('button', { name: 'Go on to the seal' }).click()
  await expect(reviewer.page.getByText('type the licence number')).toBeVisible()
  await reviewer.signAndSeal('LIC-40417')
  await reviewer.allKept()
  const seal = await reviewer.page.getByTestId('fingerprint').textContent()

  const record = info.outputPath('record.json')
  const downloading = reviewer.page.waitForEvent('download')
  await reviewer.page.getByRole('link', { name: 'Record, tables and import' }).click()
  await reviewer.page.getByRole('link', { name: 'Inspection file (JSON)' }).click()
  await (await downloading).saveAs(record)
  const words = execFileSync(process.execPath, [PLUMB_MARK, 'verify', record], { encoding: 'utf8' })
  expect(words).toContain('intact')
  expect(words).toContain(seal!.trim())
  execFileSync(process.execPath, [PLUMB_MARK, 'check', record])
  writeFileSync(record, readFileSync(record, 'utf8').replace('"typed":"17 in·lb"', '"typed":"18 in·lb"'))
  expect(() => execFileSync(process.execPath, [PLUMB_MARK, 'verify', record], { stdio: 'pipe' })).toThrow()

  const report = await reviewer.page.request.get(
    reviewer.page
      .url()
      .replace('/jobs/', '/api/jobs/')
      .replace(/\/(sign-off|data)$/, '/report.pdf'),
  )
  expect(report.headers()['content-type']).toBe('application/pdf')
  const pdf = (await report.body()).toString('latin1')
  expect(pdf.startsWith('%PDF')).toBe(true)
  expect(pdf).toContain('Barlow')

  await inspector.openJob(SHED)
  await inspector.goTo('DC side')
  await inspector.check('iso/torque/t1')
  await expect(inspector.page.getByRole('textbox', { name: /^Reading/ })).toBeHidden()
  await expect(inspector.page.getByRole('list', { name: 'Readings so far' })).toContainText('17 in·lb')
})

const SHED = 'A shed with an isolator'

/** A fitting reading for each kind of check, clear of the instrument's uncertainty. */
function readingFor(id: string): [string, string] | 'yes' {
  if (id.includes('/torque/')) return ['17 in·lb', DRIVER]
  if (id.includes('conductor')) return ['10 AWG', CALIPER]
  return 'yes'
}

/** Goes down the list from check to check as an inspector does, until nothing is left. */
async function answerAll(inspector: Crew, stage: string, answer: typeof readingFor): Promise<void> {
  const { page } = inspector
  await page.keyboard.press('Escape')
  const only = page.getByRole('group', { name: 'What is shown' }).getByRole('button', { name: /^Left/ })
  if (await only.isVisible()) await only.click()
  for (let guard = 0; guard < 90; guard++) {
    if (await page.getByText('Nothing is left in this stage.').isVisible()) return
    const open = page.locator('[data-open-check]')
    const id = (
      (await open.count()) > 0
        ? await open.getAttribute('data-open-check')
        : await page.locator('[data-check]').first().getAttribute('data-check')
    )!
    const said = answer(id)
    if (said === 'yes') await (await inspector.check(id)).getByRole('button', { name: 'Yes' }).click()
    else await inspector.read(id, ...said)
    await page.keyboard.press('Escape')
  }
  throw new Error(`${stage} is never done`)
}

function onePixel(): Buffer {
  return Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
}
