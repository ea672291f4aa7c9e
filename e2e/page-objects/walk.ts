import { expect, test as base, type Page } from '@playwright/test'

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

/**
 * To a view of the program that is open already, as by a link in it: nothing is loaded anew. Each view names the tab, so that the name says
 * when the next one stands there.
 */
export async function follow(page: Page, path: string): Promise<void> {
  const before = await page.title()
  await page.evaluate((to) => {
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate'))
  }, path)
  await expect(page).not.toHaveTitle(before)
  await expect(page.getByRole('heading').first()).toBeVisible()
  await expect(page.getByRole('status', { name: /loading|coming/i })).toHaveCount(0)
}
