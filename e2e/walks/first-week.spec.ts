import { expect, type Browser, type Locator, type Page } from '@playwright/test'
import { Crew, type Role } from '../page-objects/crew.js'
import { Effort } from '../page-objects/effort.js'
import { OwnServer } from '../page-objects/own-server.js'
import { test } from '../page-objects/walk.js'

const PASSWORD = 'three brass bobs'
const WORD = 'h7km-2xqp-9rtd'
const JOB = 'Weir house, the logger'
/** By the words of the library, and how many there are. */
const UNITS = [
  [/AL-2/, '1'],
  [/WI-8/, '2'],
] as const
const here = new OwnServer(3, ['--empty', '--first-word', WORD])
const elsewhere = new OwnServer(4, ['--empty', '--first-word', WORD])
test.beforeAll(async () => {
  test.setTimeout(120_000)
  await Promise.all([here.start(), elsewhere.start()])
})
test.afterAll(() => Promise.all([here.remove(), elsewhere.remove()]))

/** What the firm's people did, until the record left. */
const effort = new Effort()

async function newPage(browser: Browser, { address }: OwnServer, phone = false): Promise<Page> {
  const context = await browser.newContext({
    baseURL: address,
    ...(phone && { viewport: { width: 390, height: 844 }, hasTouch: true }),
  })
  await effort.watch(context)
  return context.newPage()
}

/** Makes the first account, and comes to the five things. */
async function firstAccount(page: Page, name: string): Promise<void> {
  // The address that the program prints at its first start.
  await page.goto(`/#word=${WORD}`)
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('E-mail').fill('office@weir.example')
  await page.getByLabel(/^Password/).fill(PASSWORD)
  await page.getByLabel('The same again').fill(PASSWORD)
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByRole('heading', { name: 'Getting started' })).toBeVisible()
}

/** Invites somebody, who chooses a password by the link and signs in. */
async function comesIn(office: Page, page: Page, name: string, role: Role, licence = ''): Promise<Crew> {
  const email = `${role}@weir.example`
  const people = office.getByRole('region', { name: 'People' })
  const invite = people.getByRole('form', { name: 'Invite' })
  await invite.getByLabel('Name').fill(name)
  await invite.getByLabel('E-mail').fill(role)
  await invite.getByRole('button', { name: email }).click()
  await invite.getByLabel('Role').selectOption(role)
  await invite.getByLabel('Licence').fill(licence)
  await invite.getByRole('button', { name: 'Invite' }).click()
  await expect(people.getByRole('group', { name })).toContainText('invited, no password yet')
  const link = people.getByRole('status').filter({ hasText: name }).getByText(here.address)
  await page.goto((await link.textContent())!)
  await expect(page.getByText(`${name}, ${email}`)).toBeVisible()
  await page.getByLabel(/^Password/).fill(PASSWORD)
  await page.getByLabel('The same again').fill(PASSWORD)
  await page.getByRole('button', { name: 'Set the password' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  return new Crew(page, role)
}

test('the first week of a firm: from an empty start to a sealed record that another installation verifies', async ({
  browser,
}, info) => {
  const office = await newPage(browser, here)
  await firstAccount(office, 'Odile Kerrow')
  const part = (name: RegExp) => office.getByRole('button', { name }).click()

  await office.getByLabel('Office, as it signs its reports').fill('Weir & Line')
  await office.getByRole('button', { name: 'Save' }).click()
  await office.getByRole('checkbox', { name: /An inspector enters only into jobs/ }).check()
  await part(/^2 People/)
  const inspector = await comesIn(office, await newPage(browser, here), 'Ines Fell', 'inspector')
  const installer = await comesIn(office, await newPage(browser, here, true), 'Roof Crew', 'installer')
  const reviewer = await comesIn(office, await newPage(browser, here), 'Ruth Olive', 'reviewer', 'LIC-9')
  await part(/Instruments/)
  for (const [name, serial] of [
    ['tape', 'TP-1'],
    ['torque driver', 'TD-1'],
    ['caliper', 'CA-1'],
  ] as const) {
    const row = office.getByRole('group', { name })
    await row.getByLabel('Serial').fill(serial)
    const sameDay = row.getByRole('button', { name: 'Calibrated until 2099-12-31 as well' })
    if (name === 'tape') await row.getByLabel('Calibrated until').fill('2099-12-31')
    else await sameDay.click()
  }
  await office.getByRole('button', { name: 'Add 3 instruments' }).click()
  await expect(office.getByText(/^Here already/)).toBeVisible()
  await part(/A first sheet/)
  await sheetFromManual(office)
  await part(/A first sheet/)
  await office
    .getByRole('button', { name: /^Take \d+ sheets into the library$/ })
    .last()
    .click()
  await expect(office.getByText('Samples of invented makers')).toHaveCount(0)

  await part(/A first job/)
  await office.getByRole('link', { name: 'Open the first job' }).click()
  for (const [label, text] of [
    ['Number', 'W-1'],
    ['Title', JOB],
    ['Customer', 'Weir trust'],
    ['Site', 'Weir house, by the lock'],
  ] as const)
    await office.getByLabel(label, { exact: true }).fill(text)
  await office.getByRole('button', { name: 'Next' }).click()
  await office.getByLabel('Due').fill('2099-01-31')
  await office.getByRole('button', { name: 'Next' }).click()
  for (const [i, [sheet, count]] of UNITS.entries()) {
    await office.getByRole('button', { name: 'Unit', exact: true }).click()
    await choose(office.getByLabel('Sheet').nth(i), sheet)
    if (count !== '1') await office.getByLabel('How many').nth(i).fill(count)
  }
  await office.getByRole('button', { name: 'Open the job' }).click()
  await expect(office.getByRole('heading', { name: 'Before the drive' })).toBeVisible()
  const scope = office.getByRole('form', { name: 'Scope' })
  for (const outside of [/^strings/, /^the one-line diagram/, /^bonds/])
    await scope.getByRole('checkbox', { name: outside }).check()
  await scope.getByRole('button', { name: 'only exchanged units are inspected' }).click()
  await scope.getByRole('button', { name: 'Save the scope' }).click()
  await office.getByRole('button', { name: 'Assign Ines Fell' }).click()
  await office.getByRole('button', { name: 'Share with Roof Crew' }).click()
  await expect(office.getByRole('button', { name: 'Take off the job: Ines Fell' })).toBeVisible()

  // The whole walk, one thing wrong.
  const { page } = inspector
  await inspector.openJob(JOB)
  await inspector.goTo('Identify')
  const plate = await inspector.checkTitled('Nameplate against the order')
  await plate.getByLabel(/^model/i).fill('AL-2')
  await plate.getByLabel(/^serial/i).fill('AL2-1')
  await plate.getByRole('button', { name: 'Save' }).click()
  // What comes next opened by itself.
  const serials = page.getByRole('region', { name: 'Serial', exact: true }).first()
  await serials.getByRole('button', { name: /inverter 1/i }).click()
  for (const serial of ['WI8-1', 'WI8-2']) {
    await serials.getByLabel(/^Serial as found/i).fill(serial)
    await serials.getByRole('button', { name: 'Save' }).click()
  }
  await inspector.allKept()
  const terminals = page.getByRole('button', { name: 'As a table' }).first()
  await inspector.goTo('DC side')
  await page.getByRole('button', { name: /^In hand/ }).click()
  await choose(page.getByLabel('For length'), /^Caliper/)
  await readTable(inspector, terminals, {
    'Tightening torque': '2.5',
    'Strip length': '12',
    'Conductor size': '6',
  })
  await inspector.goTo('AC side')
  await readTable(inspector, terminals, { 'Strip length': '18', 'Conductor size': '6' })
  const besides = page.getByRole('button', { name: /^Strip length: Sheath taken off/ })
  await readTable(inspector, besides, { 'Strip length: Sheath': '66', '.*cover bolts': '1.75' })
  await inspector.goTo('Earthing')
  const earth = page.getByRole('button', { name: /^(Strip length|Tightening torque)/ }).first()
  await readTable(inspector, earth, { 'Strip length': '15', 'Tightening torque': '5' })
  await inspector.goTo('Commission')
  await (await inspector.checkTitled('Seated and screwed')).getByRole('button', { name: 'Yes' }).click()
  const antenna = await inspector.checkTitled('Antenna')
  await antenna.getByRole('button', { name: 'No', exact: true }).click()
  const raising = page.getByRole('form', { name: 'Raise a defect' })
  await raising.getByRole('button', { name: 'Raise the defect' }).click()
  await inspector.allKept()

  // An hour without signal: what is answered waits on the device, and goes by itself.
  await page.context().setOffline(true)
  const lights = await inspector.checkTitled('Lights within a minute')
  await lights.getByText(/connected to the inverter and to the network/).click()
  const units = await inspector.checkTitled('Units on this logger')
  await units.getByRole('button', { name: 'Not applicable, because …' }).click()
  await units.getByRole('button', { name: 'the part is not fitted here' }).click()
  await expect(page.getByText('all kept')).toHaveCount(0)
  await page.context().setOffline(false)
  const network = await inspector.checkTitled('Network and password')
  await network.getByLabel(/lights of the network/).fill('connected')
  await network.getByLabel(/first connection/).selectOption('over its own network')
  await network.getByLabel(/password of the page/).fill('changed')
  await network.getByRole('button', { name: 'Save' }).click()
  await inspector.allKept()

  // Rework on a phone, and read again.
  await installer.page.goto('/jobs')
  await installer.page.getByRole('heading', { name: JOB }).click()
  const owed = installer.page.getByRole('article', { name: /Antenna/ })
  await owed.getByRole('button', { name: 'I have put this right' }).click()
  await owed.getByRole('button', { name: /^As asked: / }).click()
  await owed.getByRole('button', { name: 'Mark as reworked' }).click()
  await expect(owed).toHaveAttribute('data-state', 'reworked')
  await installer.allKept()
  await inspector.goTo('Commission')
  await (await inspector.checkTitled('Antenna')).getByRole('button', { name: 'Yes' }).click()
  await inspector.allKept()

  // The reviewer wants one thing explained before they sign.
  await reviewer.openJob(JOB)
  await reviewer.view(/Sign-off/)
  await expect(reviewer.page.getByText('the part is not fitted here')).toBeVisible()
  await reviewer.page.getByRole('button', { name: 'Remark' }).click()
  await reviewer.page.getByLabel('What is to be done or explained?').fill('Where does it hang?')
  await reviewer.page.getByRole('button', { name: 'Add the remark' }).click()
  await reviewer.page.getByRole('button', { name: 'Return the job with 1 remark' }).click()
  await reviewer.allKept()
  await inspector.view(/Sign-off/)
  await page.getByLabel('Answer').fill('Under the modules, north end.')
  await page.getByRole('button', { name: 'Answer' }).click()
  await inspector.allKept()
  await reviewer.page.reload()
  await expect(reviewer.page.getByRole('heading', { name: 'Nothing stands in the way' })).toBeVisible()
  await expect(reviewer.page.getByLabel('Licence number')).toHaveValue('LIC-9')
  await reviewer.page.getByRole('button', { name: 'Type the name instead' }).click()
  await reviewer.page.getByRole('button', { name: 'Go on to the seal' }).click()
  await reviewer.page.getByRole('button', { name: 'Sign and seal' }).click()
  await expect(reviewer.page.getByRole('heading', { name: 'Signed and sealed' })).toBeVisible()
  await reviewer.allKept()
  const seal = await reviewer.page.getByTestId('fingerprint').textContent()

  // The record leaves under its name, and is verified by an installation that never heard of it.
  await reviewer.page.getByRole('link', { name: 'Record, tables and import' }).click()
  const [download] = await Promise.all([
    reviewer.page.waitForEvent('download'),
    reviewer.page.getByRole('button', { name: 'Record (ZIP)' }).click(),
  ])
  expect(download.suggestedFilename()).toMatch(/^plumb-mark-w-1-weir-house/)
  const zip = info.outputPath('record.zip')
  await download.saveAs(zip)
  await info.attach('effort', {
    body: JSON.stringify({ taps: effort.taps, keys: effort.keys }),
    contentType: 'application/json',
  })
  const other = await newPage(browser, elsewhere)
  await firstAccount(other, 'Else Where')
  await other.goto('/import')
  await other.getByLabel('Record (ZIP)').setInputFiles(zip)
  await expect(other.getByText(JOB)).toBeVisible()
  await other.getByRole('button', { name: /to be read|Keep/ }).click()
  await other.getByRole('link', { name: new RegExp(JOB) }).click()
  await other.getByRole('link', { name: /Sign-off/ }).click()
  await expect(other.getByTestId('fingerprint')).toHaveText(seal!)
})

/** By what the choice says. */
const choose = async (choice: Locator, hasText: RegExp): Promise<unknown> =>
  choice.selectOption(await choice.locator('option', { hasText }).getAttribute('value'))

/** The terminals of a maker's manual as a sheet of the firm's own. */
async function sheetFromManual(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'From a maker’s manual' }).click()
  await page.getByRole('button', { name: 'Try it with a sample manual' }).click()
  await expect(page.getByText(/\d+ to look at, 0 accepted/)).toBeVisible()
  const found = page.getByRole('region', { name: 'What was found' })
  for (const kind of ['Conductor sizes', 'Strip lengths', 'Tightening torques'])
    await found.getByRole('button', { name: new RegExp(`^Accept all \\d+: ${kind}`) }).click()
  await page.getByLabel('Model').fill('WI-8')
  await page.getByRole('button', { name: 'Make the sheet' }).click()
  await expect(page.getByText('The sheet reads without a fault.')).toBeVisible()
  await page.getByRole('button', { name: 'Save to the library' }).click()
  await expect(page.getByRole('heading', { name: /WI-8, revision/ })).toBeVisible()
  await page.goto('/start')
}

/** One figure a column of an opened table, read at the first thing and filled down to all that nobody has read. */
async function readTable(crew: Crew, opens: Locator, figures: Record<string, string>): Promise<void> {
  const { page } = crew
  await opens.click()
  for (const [column, figure] of Object.entries(figures)) {
    const cells = page.getByRole('textbox', { name: new RegExp(`, ${column}`) })
    await cells.first().fill(figure)
    await page.getByRole('button', { name: 'Fill down' }).click()
  }
  await page.getByRole('button', { name: /^Save \d+ readings/ }).click()
  await crew.allKept()
}
