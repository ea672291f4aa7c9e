/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'

/** As the page begins on a device that holds this. */
async function begun(kept: Record<string, string>) {
  localStorage.clear()
  for (const [name, value] of Object.entries(kept)) localStorage.setItem(name, value)
  jest.resetModules()
  return import('./preferences.js')
}
const inOnePlace = (state: object) => ({ 'plumb-mark-preferences': JSON.stringify({ state, version: 0 }) })
const USUAL = { mode: 'light', decimal: 'point', system: 'metric', listOrder: 'requirement' }

it('a device on which nobody chose anything begins with what is usual', async () => {
  const { usePreferences } = await begun({})
  expect(usePreferences.getState()).toEqual(USUAL)
})

it('what lay under keys of its own before is taken over', async () => {
  const { usePreferences } = await begun({
    'plumb-mark-mode': 'dark',
    'plumb-mark-decimal': 'comma',
    'plumb-mark-system': 'us',
    'plumb-mark-list-order': 'place',
  })
  expect(usePreferences.getState()).toEqual({
    mode: 'dark',
    decimal: 'comma',
    system: 'us',
    listOrder: 'place',
  })
})

it('what is chosen is there again after the page was closed, and what is old is not asked any more', async () => {
  const { prefer } = await begun({ 'plumb-mark-mode': 'light' })
  prefer({ mode: 'dark', tourAt: 3 })
  const kept = localStorage.getItem('plumb-mark-preferences')!
  const { usePreferences } = await begun({ 'plumb-mark-mode': 'light', 'plumb-mark-preferences': kept })
  expect(usePreferences.getState()).toMatchObject({ mode: 'dark', tourAt: 3 })
})

it.each([
  ['a mode that there is not', { mode: 'sepia' }],
  ['a decimal mark of another place', { decimal: "'" }],
  ['a system of units that nobody uses', { system: 'cubits' }],
  ['an order that there is not', { listOrder: 7 }],
  ['a stop of the tour before the first', { tourAt: -1 }],
  ['half a stop', { tourAt: 1.5 }],
  ['nothing', { mode: null, decimal: null, system: null, listOrder: null, tourAt: null }],
])('%s leaves what is usual', async (_what, state) => {
  const { usePreferences } = await begun(inOnePlace(state))
  expect(usePreferences.getState()).toEqual(USUAL)
})

it('what cannot be read at all leaves what is usual', async () => {
  const { usePreferences } = await begun({ 'plumb-mark-preferences': '{' })
  expect(usePreferences.getState()).toEqual(USUAL)
})
