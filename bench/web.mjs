import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { at } from '../scripts/shared.mjs'
import { median, ms, table } from './reference.mjs'

const PORT = 4398

/** What a person waits for in the browser: the scripting time of a keystroke until everything on screen follows. */
export async function run() {
  const dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-bench-'))
  const server = spawn(process.execPath, [at('apps', 'server', 'dist', 'main.js'), '--data', dataDir, '--port', String(PORT)], { stdio: 'ignore' })
  const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] })
  try {
    const page = await signedIn(browser)
    await page.getByRole('heading', { name: /Fallowmere/ }).click()
    await page.locator('[data-item="inv-2"]').click()
    const wall = await keystrokes(page, page.getByLabel('From the datum to its left edge'), ['1.29 m', '1.291 m', '1.2915 m', '1.32 m', '51 in', '51 1/8 in'])
    await page.getByRole('navigation', { name: 'Stages of the walk' }).getByText('AC side').click()
    await page.locator('[data-check="inv-1/mains/unit"]').click()
    const reading = await keystrokes(page, page.getByRole('textbox', { name: /^Reading/ }), ['2', '23', '231', '231.4', '271', '252.8 V'])
    table([
      ['keystroke to repainted wall, scripting', ms(wall), 'under 16 ms'],
      ['keystroke to verdict, scripting', ms(reading), 'under 16 ms'],
    ])
  } finally {
    await browser.close()
    server.kill()
    rmSync(dataDir, { recursive: true, force: true })
  }
}

async function signedIn(browser) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  for (;;) {
    const answered = await page.goto(`http://127.0.0.1:${PORT}/`).catch(() => undefined)
    if (answered?.ok()) break
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  await page.getByLabel('E-mail').fill('inspector@plumb.example')
  await page.getByLabel('Password').fill('plumb-demo')
  await page.getByRole('button', { name: 'Sign in' }).click()
  return page
}

/** Median time that the page's own script takes for one input event, React's work included (it runs synchronously for typed input). */
async function keystrokes(page, field, texts) {
  const element = await field.elementHandle()
  const times = await page.evaluate(
    async ([input, typed]) => {
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set
      const result = []
      for (let round = 0; round < 12; round++) {
        for (const text of typed) {
          const began = performance.now()
          set.call(input, text)
          input.dispatchEvent(new Event('input', { bubbles: true }))
          await Promise.resolve()
          result.push(performance.now() - began)
          await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
        }
      }
      return result
    },
    [element, texts],
  )
  return median(times.slice(texts.length))
}
