import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { defineConfig } from '@playwright/test'

/** Walks at a time, each on an installation of its own: what one leaves behind never meets the other. One more than cores, since pages wait. */
const LANES = 3
const FIRST_PORT = Number(process.env['E2E_FIRST_PORT'] ?? 4199)
/** Stand-in devices of their own, beside those that a person may have running. */
const FIRST_DEVICE = Number(process.env['E2E_FIRST_DEVICE'] ?? 16_020)
const portOf = (lane: number) => FIRST_PORT + 10 * lane
const devicesOf = (lane: number) => FIRST_DEVICE + 100 * lane
const app = (name: string, built: string) => join(import.meta.dirname, '..', 'apps', name, built, 'main.js')
// The configuration is read again by every worker; the folder is chosen once, the ports by the worker's lane.
const data = (process.env['E2E_DATA'] ??= mkdtempSync(join(tmpdir(), 'plumb-mark-e2e-')))
const mine = Number(process.env['TEST_PARALLEL_INDEX'] ?? 0)
process.env['E2E_PORT'] = String(portOf(mine))
process.env['E2E_DEVICES'] = String(devicesOf(mine))

export default defineConfig({
  testDir: 'walks',
  workers: LANES,
  // Ceilings for a machine that is busy with other work: a walk waits for what happens, never for a time.
  timeout: 300_000,
  expect: { timeout: 45_000 },
  reporter: [['list'], ['json']],
  outputDir: '../test-results',
  use: {
    baseURL: `http://127.0.0.1:${portOf(mine)}`,
    viewport: { width: 1280, height: 800 },
    // A browser that tells its clocks, as people’s do: without, a new job asks for those of the site.
    timezoneId: 'Europe/London',
    // A control that never comes costs its own wait, not that of the whole walk.
    actionTimeout: 60_000,
    screenshot: 'only-on-failure',
    // What a walk stands in for must reach the page; the walk without a server lets them in.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  webServer: Array.from({ length: LANES }, (_, lane) => [
    {
      command: `node ${app('server', 'bundle')} --port ${portOf(lane)} --data ${join(data, String(lane))} --simulated-devices`,
      url: `http://127.0.0.1:${portOf(lane)}/`,
      reuseExistingServer: false,
      timeout: 60_000,
    },
    {
      command: `node ${app('devices', 'dist')} --first-port ${devicesOf(lane)}`,
      port: devicesOf(lane),
      reuseExistingServer: false,
      timeout: 20_000,
    },
  ]).flat(),
})
