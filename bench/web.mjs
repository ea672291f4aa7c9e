import { fold, inspect, sheetsById } from '../packages/core/dist/index.js'
import { largeJob } from './site.mjs'
import { median, ms, table } from './reference.mjs'
import { listByPlace, withInspector } from './server.mjs'

const PORT = 4398

/** What a person waits for in the browser: the scripting time of a keystroke until everything on screen follows. */
export async function run() {
  await withInspector(PORT, async (page) => {
    await listByPlace(page)
    await page.getByRole('heading', { name: /Fallowmere/ }).click()
    const stages = page.getByRole('navigation', { name: 'Stages of the walk' })
    await stages.getByText('Place and mount').click()
    await page.locator('[data-item="inv-2"]').click()
    const wall = await keystrokes(page, page.getByLabel('From the datum to its left edge'), [
      '1.29 m',
      '1.291 m',
      '1.2915 m',
      '1.32 m',
      '51 in',
      '51 1/8 in',
    ])
    await stages.getByText('AC side').click()
    await page.locator('[data-check="inv-1/mains/unit"]').click()
    const reading = await keystrokes(page, page.getByRole('textbox', { name: /^Reading/ }), [
      '2',
      '23',
      '231',
      '231.4',
      '271',
      '252.8 V',
    ])
    await stages.getByText('Meter').click()
    await page.locator('[data-check="meter-1/proof/unit"]').click()
    const phasors = await keystrokes(page, page.getByLabel('channel 1 active'), [
      '-5',
      '-50',
      '-500 W',
      '2',
      '2000',
      '2 kW',
    ])
    const job = await largeJob(page.request)
    const { checks, opened } = await opening(page, job.id)
    await page.goto(`http://127.0.0.1:${PORT}/jobs/${job.id}/walk/place-and-mount`)
    const drag = await framesWhile(page, () => dragged(page, page.locator('[data-item="iso-12"]')))
    await job.addArray()
    await page.goto(`http://127.0.0.1:${PORT}/jobs/${job.id}/walk/roof`)
    await page.getByRole('button', { name: 'Larger' }).click()
    const pan = await framesWhile(page, () =>
      dragged(page, page.getByRole('group', { name: 'Array map', exact: true })),
    )
    table([
      [`open a job of ${checks} checks, click to usable`, ms(opened), 'under 250 ms'],
      ['wall of 60 things dragged', frames(drag), '60 a second'],
      ['array map of 2 000 modules panned', frames(pan), '60 a second'],
      ['keystroke to phasors, scripting', ms(phasors), 'under 16 ms'],
      ['keystroke to repainted wall, scripting', ms(wall), 'under 8 ms'],
      ['keystroke to verdict, scripting', ms(reading), 'under 16 ms'],
    ])
  })
}

/** From the click in the list to the first check that can be touched, and how many checks there are. */
async function opening(page, id) {
  const times = []
  for (let round = 0; round < 5; round++) {
    await page.goto(`http://127.0.0.1:${PORT}/jobs`)
    await page.getByRole('heading', { name: 'Large hall' }).waitFor()
    await page.waitForTimeout(800)
    times.push(
      await page.evaluate(async (job) => {
        const began = performance.now()
        document.querySelector(`a[href^="/jobs/${job}"]`).click()
        while (!document.querySelector('[data-check]'))
          await new Promise((resolve) => requestAnimationFrame(resolve))
        return performance.now() - began
      }, id),
    )
  }
  const { entries, sheets } = await (await page.request.get(`/api/jobs/${id}`)).json()
  return { opened: median(times), checks: inspect(fold(entries), sheetsById(sheets)).checks.length }
}

/** Moves the pointer over something for two seconds, as a hand would: a move every few milliseconds. */
async function dragged(page, target) {
  const box = await target.boundingBox()
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  const until = Date.now() + 2000
  for (let i = 0; Date.now() < until; i++)
    await page.mouse.move(x + 60 * Math.sin(i / 20), y + 20 * Math.cos(i / 20))
  await page.mouse.up()
}

/** The times between frames while something is done, and the script that ran in each. */
async function framesWhile(page, doing) {
  await page.waitForTimeout(800)
  await page.evaluate(() => {
    window.frameTimes = []
    let before = performance.now()
    const tick = (now) => {
      window.frameTimes.push(now - before)
      before = now
      window.frameLoop = requestAnimationFrame(tick)
    }
    window.frameLoop = requestAnimationFrame(tick)
  })
  await doing()
  const times = await page.evaluate(() => (cancelAnimationFrame(window.frameLoop), window.frameTimes))
  return times.slice(2).sort((a, b) => a - b)
}

const frames = (times) =>
  `${Math.round(1000 / (times.reduce((sum, t) => sum + t, 0) / times.length))} a second, 95 % within ${ms(times[Math.floor(times.length * 0.95)])}`

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
