import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { expect, type Page } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { Crew } from '../page-objects/crew.js'
import { test } from '../page-objects/walk.js'

const FIRST_PORT = Number(process.env['E2E_DEVICES'] ?? 16_020)
const DEVICES = join(import.meta.dirname, '..', '..', 'apps', 'devices', 'dist', 'main.js')

/** What a hand does at the devices on site: never the application, which only reads. */
const hand = (what: string) =>
  execFileSync(process.execPath, [DEVICES, '--first-port', String(FIRST_PORT), '--throw', what])

const SHEET = `
format: plumb-mark-sheet
version: 1
maker: Aldervane
model: AH-8T
kind: hybrid-inverter
title: Hybrid inverter, commissioning only
revision: W
date: 2026-11-20
source: Aldervane commissioning card 7
figures: [{ dimension: power, percent: 2, plus: 20 }]
requirements:
  - id: settings
    kind: settings
    stage: commission
    clause: "1"
    title: Settings
    severity: major
    settings:
      - { id: limit, label: export limit, unit: kW, rule: { min: 0, max: 8 }, from: { register: 41001, type: s16, scale: 0.1 }, says: { positive: "may send up to {} to the grid" } }
      - { id: floor, label: charge floor, unit: "%", rule: { min: 10, max: 30 }, from: { model: 124, point: MinRsvPct } }
    remedy: Set it as listed.
  - id: fallback
    kind: trace-test
    stage: commission
    clause: "2"
    title: Fallback when the meter goes quiet
    severity: major
    do: [trace for a few seconds, unplug the data lead]
    event: the data lead is unplugged
    watch: { label: inverter, dimension: power, from: { model: 103, point: W } }
    max: 0 W
    tolerance: 100 W
    within: 12 s
    record: 14 s
    remedy: Set the fallback to ten seconds or less.
`

async function addSheet(page: Page): Promise<string> {
  const answer = await page.request.post('/api/sheets', {
    data: { source: SHEET },
    headers: { 'x-plumb-mark': '1' },
  })
  expect(answer.ok()).toBe(true)
  return ((await answer.json()) as { id: string }).id
}

test('settings are read and a fallback is tried on a live device, and the sealed record holds the trace', async ({
  browser,
}) => {
  test.setTimeout(180_000)
  hand('fallowmere-inverter-1:fallback-late=off')
  hand('fallowmere-meter:data-lead-out=off')
  const office = await Crew.signedIn(browser, 'office')
  const sheet = await addSheet(office.page)
  const inspector = await Crew.signedIn(browser, 'inspector')
  const { page } = inspector
  const jobId = await inspector.newJob('PM-LIVE', 'Live fallback', [sheet])
  await page.request.post(`/api/jobs/${jobId}/entries`, {
    headers: { 'x-plumb-mark': '1' },
    data: {
      entries: [
        {
          id: uuid(),
          kind: 'job-amended',
          at: new Date().toISOString(),
          body: {
            scope: {
              outside: ['strings', 'one-line', 'bonds', 'places', 'serials', 'photos'],
              reason: 'commissioning of a system that was inspected before',
            },
          },
        },
      ],
    },
  })
  await page.goto(`/jobs/${jobId}/walk/commission`)

  // Who is there is asked first, and what it says of itself stands beside what was fitted.
  await page.getByRole('button', { name: 'Connect a device' }).click()
  await page.getByLabel('Port', { exact: true }).fill(String(FIRST_PORT))
  await page.getByRole('button', { name: 'Ask who is there' }).click()
  await expect(page.getByText('AH8T-26-004418').first()).toBeVisible()
  const unit = page.getByLabel('It is')
  await unit.selectOption({ index: 1 })
  await page.getByRole('button', { name: 'Connect', exact: true }).click()
  await expect(page.getByText('1 of 1 device answers')).toBeVisible()
  await expect(page.getByText('simulated').first()).toBeVisible()

  // Settings come off the device, with the register that each was read at.
  const settings = page.getByRole('region', { name: /^Settings, / })
  await settings.getByRole('button', { name: /^Read all from/ }).click()
  await expect(settings.getByText('may send up to 8 kW to the grid')).toBeVisible()
  await expect(settings.getByText(/register 41001: 80/).filter({ visible: true })).toBeVisible()
  await expect(settings.locator('[data-verdict=conforms]').first()).toBeVisible()

  // The trace grows while the lead is unplugged, and is judged meanwhile.
  const fallback = page.getByRole('region', { name: /^Fallback when the meter goes quiet/ })
  await fallback.getByRole('button', { name: 'Start the trace' }).click()
  await expect(fallback.locator('[data-trace-now]')).toContainText(/[1-9]\d{3} W/)
  // How things stood before is part of the proof.
  await expect(fallback.getByRole('timer')).toContainText(/^[3-9] s traced/)
  hand('fallowmere-meter:data-lead-out=on')
  await fallback.getByRole('button', { name: /^Now: the data lead is unplugged/ }).click()
  await expect(fallback.getByRole('status')).toContainText(
    /settled [\d.]+\ss after the data lead is unplugged, [\d.]+\ss are allowed/,
    {
      timeout: 25_000,
    },
  )
  await expect(fallback.getByRole('button', { name: 'Save the trace' })).toBeVisible()
  await fallback.getByRole('button', { name: 'Save the trace' }).click()
  await expect(fallback.getByText(/samples, from .*SHA-256/)).toBeVisible()
  await expect(fallback.locator('[data-verdict=conforms]').first()).toBeVisible()
  hand('fallowmere-meter:data-lead-out=off')

  // The device vanishes in the middle of a second try: what was seen proves nothing.
  await fallback.getByRole('button', { name: 'Start the trace' }).click()
  await expect(fallback.locator('[data-trace-now]')).toContainText(/W/)
  await expect(fallback.getByRole('timer')).toContainText(/^[2-9] s traced/)
  await fallback.getByRole('button', { name: /^Now:/ }).click()
  hand('fallowmere-inverter-1:line-drops=on')
  await expect(fallback.getByText(/fell silent at/)).toBeVisible()
  await fallback.getByRole('button', { name: 'Stop' }).click()
  await fallback.getByRole('button', { name: 'Discard' }).click()
  hand('fallowmere-inverter-1:line-drops=off')

  const reviewer = await Crew.signedIn(browser, 'reviewer')
  await reviewer.page.goto(`/jobs/${jobId}/sign-off`)
  await reviewer.signAndSeal('LIC-77')
  await reviewer.allKept()
  const file = (await (await page.request.get(`/api/jobs/${jobId}/inspection.json`)).json()) as {
    entries: { kind: string; body: { answer?: { trace?: { id: string; sha256: string } }; word?: object } }[]
  }
  const kept = file.entries.find(({ body }) => body.answer?.trace)!
  expect(kept.body.word).toMatchObject({ device: { serial: 'AH8T-26-004418', simulated: true } })
  const csv = await (
    await page.request.get(`/api/jobs/${jobId}/traces/${kept.body.answer!.trace!.id}`)
  ).text()
  expect(csv).toMatch(/^t \(s\),inverter \(W\)/)
  expect(file.entries.at(-1)!.kind).toBe('signed')
})
