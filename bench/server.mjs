import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { CHROMIUM, at } from '../scripts/shared.mjs'

/** A server with the demo data in a folder of its own, as long as the work with it lasts. */
export async function withServer(port, work) {
  const dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-bench-'))
  const server = spawn(
    process.execPath,
    [at('apps', 'server', 'bundle', 'main.js'), '--data', dataDir, '--port', String(port)],
    { stdio: 'ignore' },
  )
  try {
    return await work(`http://127.0.0.1:${port}`)
  } finally {
    server.kill()
    rmSync(dataDir, { recursive: true, force: true })
  }
}

/** The same with a browser in which the inspector of the demo is signed in. */
export const withInspector = (port, work) =>
  withServer(port, async (address) => {
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    })
    try {
      return await work(await signedIn(browser, address))
    } finally {
      await browser.close()
    }
  })

async function signedIn(browser, baseURL) {
  const page = await browser.newPage({ baseURL, viewport: { width: 1280, height: 800 } })
  for (;;) {
    const answer = await page.goto('/').catch(() => undefined)
    if (answer?.ok()) break
    await new Promise((later) => setTimeout(later, 200))
  }
  await page.getByLabel('E-mail').fill('inspector@plumb.example')
  await page.getByLabel('Password').fill('plumb-demo')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: 'Jobs' }).waitFor()
  return page
}

/** Check by check, unit by unit, as somebody who chose it finds it. */
export async function listByPlace(page) {
  await page.evaluate(() =>
    localStorage.setItem(
      'plumb-mark-preferences',
      JSON.stringify({ state: { listOrder: 'place' }, version: 0 }),
    ),
  )
  await page.reload()
}
