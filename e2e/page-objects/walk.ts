import { test as base } from '@playwright/test'

/** A walk after which everybody has left: pages that stay open go on asking for news beside the next one. */
export const test = base.extend<{ everybodyLeaves: void }>({
  everybodyLeaves: [
    async ({ browser }, use) => {
      await use()
      await Promise.all(browser.contexts().map((context) => context.close()))
    },
    { auto: true },
  ],
})
