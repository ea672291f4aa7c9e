import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { defineConfig } from '@playwright/test'

const PORT = Number(process.env['E2E_PORT'] ?? 4199)
/** Stand-in devices of their own, beside those that a person may have running. */
const DEVICES = Number((process.env['E2E_DEVICES'] ??= '16020'))
const app = (name: string) => join(import.meta.dirname, '..', 'apps', name, 'dist', 'main.js')
// The configuration is read again by every worker; the folder is chosen once.
const dataDir = (process.env['E2E_DATA'] ??= mkdtempSync(join(tmpdir(), 'plumb-mark-e2e-')))

export default defineConfig({
  testDir: 'walks',
  workers: 1,
  timeout: 120_000,
  expect: { timeout: 7_000 },
  reporter: [['list'], ['json']],
  outputDir: '../test-results',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    // What a walk stands in for must reach the page; the walk without a server lets them in.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  webServer: [
    {
      command: `node ${app('server')} --port ${PORT} --data ${dataDir}`,
      url: `http://127.0.0.1:${PORT}/`,
      reuseExistingServer: false,
      timeout: 60_000,
    },
    {
      command: `node ${app('devices')} --first-port ${DEVICES}`,
      port: DEVICES,
      reuseExistingServer: false,
      timeout: 20_000,
    },
  ],
})
