import { STAGE_TITLES } from '../packages/core/dist/index.js'
import { median, ms, table } from './reference.mjs'
import { listByPlace, withInspector } from './server.mjs'

const PORT = 4397
/** What a tablet has of this processor. */
const SHARE = 4
/** Those that are walked. */
const WALKED = Object.entries(STAGE_TITLES).flatMap(([stage, title]) =>
  stage === 'prepare' || stage === 'sign' ? [] : [title],
)

/** What a person waits for on a tablet: a stage changed, a check opened, a key pressed; until it is painted. */
export async function run() {
  await withInspector(PORT, async (page) => {
    await page.setViewportSize({ width: 820, height: 1180 })
    await listByPlace(page)
    await page.getByRole('heading', { name: /Fallowmere/ }).click()
    await page.getByRole('navigation', { name: 'Stages of the walk' }).waitFor()
    // Pictures of the stages are fetched once, with the first look at each.
    for (const title of WALKED) await toStage(page, title)
    const devtools = await page.context().newCDPSession(page)
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: SHARE })
    const tasks = []
    for (const title of WALKED) tasks.push(await longestTask(page, () => toStage(page, title)))
    await toStage(page, STAGE_TITLES.dc)
    const opening = await painted(page, '[data-check]', { times: 12, act: 'click' })
    await toStage(page, STAGE_TITLES.ac)
    await page.locator('[data-check="inv-1/mains/unit"]').click()
    const field = page.getByRole('textbox', { name: /^Reading/ })
    await field.waitFor()
    const keys = await painted(page, `#${await field.getAttribute('id')}`, { times: 24, act: 'type' })
    table([
      [
        'longest task of a change of stage, a quarter of this processor',
        ms(Math.max(...tasks)),
        'under 250 ms',
      ],
      ['a check opens, to painted', ms(middle(opening, 'painted')), 'under 200 ms'],
      ['a keystroke answers, script alone', ms(middle(keys, 'script')), ''],
      ['a keystroke answers, to painted', ms(middle(keys, 'painted')), 'under 50 ms'],
    ])
  })
}

const middle = (all, part) => median(all.map((one) => one[part]))

async function toStage(page, title) {
  await page.getByRole('navigation', { name: 'Stages of the walk' }).getByText(title, { exact: true }).click()
  await page.getByRole('heading', { name: title, level: 2, exact: true }).waitFor()
}

/** The longest that the main thread was busy at one piece while something was done, milliseconds. */
async function longestTask(page, doing) {
  await page.evaluate(() => {
    window.tasks = []
    window.taskWatch = new PerformanceObserver((list) =>
      window.tasks.push(...list.getEntries().map(({ duration }) => duration)),
    )
    window.taskWatch.observe({ entryTypes: ['longtask'] })
  })
  await doing()
  return page.evaluate(async () => {
    await new Promise((resolve) => requestIdleCallback(resolve))
    window.taskWatch.disconnect()
    return Math.max(0, ...window.tasks)
  })
}

/**
 * From an act of a hand to the frame that shows it: the n-th of these is touched, or one more digit is typed into the first. A frame is
 * painted when the task after its callback runs.
 */
const painted = (page, selector, wish) =>
  page.evaluate(
    async ([which, { times, act }]) => {
      const afterPaint = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set
      const found = []
      for (let i = 0; i < times; i++) {
        const things = document.querySelectorAll(which)
        const thing = act === 'click' ? things[i % things.length] : things[0]
        const began = performance.now()
        if (act === 'click') thing.click()
        else {
          set.call(thing, '231.456789'.slice(0, 1 + (i % 10)))
          thing.dispatchEvent(new Event('input', { bubbles: true }))
        }
        const script = performance.now() - began
        await afterPaint()
        found.push({ script, painted: performance.now() - began })
        await new Promise((resolve) => requestIdleCallback(resolve))
      }
      // The first of its kind is warmed up like the stages were.
      return found.slice(2)
    },
    [selector, wish],
  )
