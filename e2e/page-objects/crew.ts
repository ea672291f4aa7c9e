import { v7 as uuid } from 'uuid'
import {
  expect,
  request,
  test,
  type Browser,
  type BrowserContextOptions,
  type Locator,
  type Page,
} from '@playwright/test'
import type { SignedIn } from '@plumb-mark/contract'

export type Role = 'inspector' | 'installer' | 'reviewer' | 'office'
export const HATCHERY = 'Fallowmere Trout Hatchery, pump house'

type Order = 'place' | 'requirement'

/** What a browser holds once somebody has signed in: by the door of the program rather than through its page, which has a walk of its own. */
async function signedInAs(role: Role, order: Order): Promise<BrowserContextOptions['storageState']> {
  const origin = test.info().project.use.baseURL!
  const door = await request.newContext({ baseURL: origin })
  const answer = await door.post('/api/session', {
    headers: { 'x-plumb-mark': '1' },
    data: { email: `${role}@plumb.example`, password: 'plumb-demo' },
  })
  expect(answer.status()).toBe(200)
  const { person } = (await answer.json()) as SignedIn
  const { cookies } = await door.storageState()
  await door.dispose()
  const kept = {
    'plumb-mark-owner': person.id,
    'plumb-mark-preferences': JSON.stringify({ state: { listOrder: order }, version: 0 }),
  }
  const localStorage = Object.entries(kept).map(([name, value]) => ({ name, value }))
  return { cookies, origins: [{ origin, localStorage }] }
}

/** Somebody of the crew with a browser of their own. */
export class Crew {
  constructor(
    readonly page: Page,
    readonly role: Role,
  ) {}

  static async signedIn(
    browser: Browser,
    role: Role,
    device: BrowserContextOptions = {},
    // Most walks go from thing to thing, check by check; those that answer many at once say so.
    order: Order = 'place',
  ): Promise<Crew> {
    const context = await browser.newContext({ ...device, storageState: await signedInAs(role, order) })
    const page = await context.newPage()
    await page.goto('/jobs')
    await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
    return new Crew(page, role)
  }

  async openJob(title = HATCHERY): Promise<void> {
    await this.page.goto('/jobs')
    await this.page.getByRole('heading', { name: title }).click()
    await expect(this.page.getByRole('banner')).toContainText(title)
  }

  /**
   * Opens a job of its own through the API, by the rules of the hatchery: units of the sheets named, or one
   * wall with a DC isolator on it.
   */
  async newJob(number: string, title: string, sheets: readonly string[] = []): Promise<string> {
    const { jobs } = (await (await this.page.request.get('/api/jobs')).json()) as {
      jobs: { id: string; title: string }[]
    }
    const first = jobs.find((job) => job.title === HATCHERY)!
    const { entries } = (await (await this.page.request.get(`/api/jobs/${first.id}`)).json()) as {
      entries: { body: object }[]
    }
    const id = uuid()
    const entry = (kind: string, body: object) => ({ id: uuid(), kind, at: new Date().toISOString(), body })
    const library = (await (await this.page.request.get('/api/sheets')).json()) as {
      id: string
      maker: string
      model: string
      revision: string
      fingerprint: string
    }[]
    const pinned = ['aldervane-dx-4-a', ...sheets].map((name) => library.find((sheet) => sheet.id === name)!)
    const fitted =
      sheets.length > 0
        ? pinned
            .slice(1)
            .map(({ id: sheetId, model }) =>
              entry('unit-fitted', { id: model.toLowerCase(), label: model, sheetId }),
            )
        : [
            entry('wall-measured', {
              id: 'w',
              title: 'Shed, south wall',
              width: 3000,
              height: 2400,
              leftCorner: true,
              rightCorner: false,
              uncertainty: 2,
              tape: 'Tape T1',
            }),
            entry('unit-fitted', {
              id: 'iso',
              label: 'Isolator',
              sheetId: 'aldervane-dx-4-a',
              place: { wallId: 'w', x: 500, y: 1200, w: 180, h: 230 },
            }),
          ]
    const pins = pinned.map(({ id: sheet, maker, model, revision, fingerprint }) => ({
      id: sheet,
      maker,
      model,
      revision,
      fingerprint,
    }))
    const answer = await this.page.request.post(`/api/jobs/${id}/entries`, {
      headers: { 'x-plumb-mark': '1' },
      data: {
        entries: [entry('job-opened', { ...entries[0]!.body, number, title, sheets: pins }), ...fitted],
      },
    })
    expect(answer.status()).toBe(200)
    return id
  }

  async goTo(stage: string): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Stages of the walk' }).getByText(stage).click()
    await expect(this.page.getByRole('heading', { name: stage, level: 2 })).toBeVisible()
  }

  view(name: RegExp): Promise<void> {
    return this.page
      .getByRole('navigation', { name: 'Views of this job' })
      .getByRole('link', { name })
      .click()
  }

  /** Opens one check by its id and returns what opened. */
  async check(id: string): Promise<Locator> {
    const open = this.page.locator(`[data-open-check="${id}"]`)
    // What was answered before opens the next by itself, and may do so just then.
    await expect(async () => {
      if (!(await open.isVisible())) await this.page.locator(`[data-check="${id}"]`).click({ timeout: 5000 })
      await expect(open).toBeVisible({ timeout: 5000 })
    }).toPass()
    return open
  }

  /** Opens one check by its title, as a person finds it, and returns what opened. */
  async checkTitled(title: string): Promise<Locator> {
    const open = this.page.getByRole('region', { name: title, exact: true })
    await expect(async () => {
      if (!(await open.isVisible()))
        await this.page.getByRole('button', { name: new RegExp(`^${title}`) }).click({ timeout: 5000 })
      await expect(open).toBeVisible({ timeout: 5000 })
    }).toPass()
    return open
  }

  /** Types a reading into the open check and keeps it with Enter. */
  async read(id: string, typed: string, instrument: string): Promise<void> {
    const open = await this.check(id)
    const choice = open.getByLabel('Instrument')
    await choice.selectOption(await choice.locator('option', { hasText: instrument }).getAttribute('value'))
    await open.getByRole('textbox', { name: /^Reading/ }).fill(typed)
    await open.getByRole('textbox', { name: /^Reading/ }).press('Enter')
  }

  async verdictOf(id: string): Promise<string | null> {
    return this.page
      .locator(
        `[data-check="${id}"] [data-verdict], [data-check="${id}"][data-verdict], [data-open-check="${id}"] [data-verdict]`,
      )
      .first()
      .getAttribute('data-verdict')
  }

  /** Nothing waits to be sent any more; what the server did not take may stand aside. */
  async allSent(): Promise<void> {
    await expect(this.page.locator('[data-sync="kept"]')).toBeVisible()
  }

  /** The server has taken everything. */
  async allKept(): Promise<void> {
    await this.allSent()
    await expect(this.page.getByRole('link', { name: /set aside/ })).toHaveCount(0)
  }

  /** Signs under a licence, reads once more what is sealed, and seals it. */
  async signAndSeal(licence: string): Promise<void> {
    await this.page.getByLabel('Licence number').fill(licence)
    await this.sign()
    await this.page.getByRole('button', { name: 'Go on to the seal' }).click()
    await this.page.getByRole('button', { name: 'Sign and seal' }).click()
    await expect(this.page.getByRole('heading', { name: 'Signed and sealed' })).toBeVisible()
  }

  /** Draws a signature on the pad, as a pen would. */
  async sign(): Promise<void> {
    const pad = await this.page.getByLabel('Draw the signature here').boundingBox()
    if (!pad) throw new Error('no signature pad')
    await this.page.mouse.move(pad.x + 40, pad.y + 90)
    await this.page.mouse.down()
    for (let i = 1; i <= 12; i++)
      await this.page.mouse.move(pad.x + 40 + i * 22, pad.y + 90 + 40 * Math.sin(i))
    await this.page.mouse.up()
  }
}
