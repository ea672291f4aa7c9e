import { v7 as uuid } from 'uuid'
import { checksOf, fold, inForce, inspect, listedChecks, sheetsById } from '../packages/core/dist/index.js'
import { byHand, builtByHand } from './interaction/by-hand.mjs'
import { Hand } from './interaction/hand.mjs'
import { answerStage } from './interaction/walk.mjs'
import { table } from './reference.mjs'
import { withInspector } from './server.mjs'

const PORT = 4399

/**
 * Keys and taps of a whole walk, driven through the real interface: the facts of the demo job entered anew into a job that has none, against
 * typing the same facts into a prepared spreadsheet and a prepared report form (`hand/by-hand.mjs`).
 */
export async function run() {
  await withInspector(PORT, async (page) => {
    const demo = await demoJob(page)
    const before = await bareJob(page, demo)
    const first = await walk(page, before, demo)
    const like = await likeJob(page, demo)
    const again = await walk(page, like.id, demo)
    const facts = byHand(first.driven)
    const built = builtByHand(demo.state.asBuilt)
    const both = like.count + again.count
    table([
      [
        'the demo job’s walk, keys and taps',
        `${first.count} of ${facts}, ${part(first.count, facts)}`,
        'a third',
      ],
      [
        'a job like one done before, built and walked',
        `${both} of ${facts + built}, ${part(both, facts + built)}`,
        'a fifth',
      ],
    ])
    console.log(
      `facts driven: ${first.driven.length}; left out on both sides: ${first.leftOut.join(', ') || 'none'}`,
    )
  })
}

const part = (here, there) => (here / there).toFixed(2)

async function jobOf(page, id) {
  const { entries, sheets } = await (await page.request.get(`/api/jobs/${id}`)).json()
  const state = fold(entries)
  return { id, entries, sheets, state, inspection: inspect(state, sheetsById(sheets)) }
}

async function demoJob(page) {
  const { jobs } = await (await page.request.get('/api/jobs')).json()
  return jobOf(page, jobs.find(({ number }) => number === 'PM-2611').id)
}

/** What was found there, nothing of which is known yet: the job as it is prepared, without any evidence. */
async function bareJob(page, { entries }) {
  const id = uuid()
  const said = new Set([
    'reading',
    'observation',
    'walked-over',
    'record',
    'evidence-struck',
    'defect-raised',
    'defect-step',
    'shared',
  ])
  const built = entries
    .filter(({ kind }) => !said.has(kind))
    .map(({ kind, body }) => ({
      id: uuid(),
      kind,
      at: new Date().toISOString(),
      body: kind === 'job-opened' ? { ...body, number: 'PM-HAND', title: 'The same again' } : body,
    }))
  const answer = await page.request.post(`/api/jobs/${id}/entries`, {
    headers: { 'x-plumb-mark': '1' },
    data: { entries: built },
  })
  if (!answer.ok()) throw new Error(await answer.text())
  return id
}

/** The same built through the wizard, from the earlier job. */
async function likeJob(page, { state }) {
  const hand = new Hand(page)
  await page.goto('/jobs')
  await hand.tap(page.getByRole('link', { name: 'New job' }))
  const { customer, site } = state.header
  for (const [label, text] of [
    ['Number', 'PM-2702'],
    ['Title', 'Weir house'],
    ['Customer', customer],
    ['Site', site],
  ])
    await hand.type(page.getByLabel(label, { exact: true }), text)
  const like = page.getByLabel('Built like')
  await hand.choose(like, await like.locator('option', { hasText: 'PM-2611' }).getAttribute('value'))
  await page.getByText(/Taken over as a proposal/).waitFor()
  for (const step of ['Next', 'Next', 'Open the job'])
    await hand.tap(page.getByRole('button', { name: step }))
  await page.waitForURL(/preparation/)
  return { id: new URL(page.url()).pathname.split('/')[2], count: hand.count }
}

/** Every fact of the demo job, entered stage by stage. */
async function walk(page, id, demo) {
  await page.goto(`/jobs/${id}/walk/identify`)
  const known = new Map(
    demo.inspection.checks.flatMap(({ check, history }) => {
      const evidence = inForce(history)
      return evidence ? [[check.point, evidence]] : []
    }),
  )
  const hand = new Hand(page)
  const driven = []
  const leftOut = new Set()
  const { inspection } = await jobOf(page, id)
  for (const stage of [...new Set(inspection.checks.map(({ check }) => check.stage))]) {
    const here = inspection.checks.filter(({ check }) => check.stage === stage)
    const items = listedChecks(here, 'requirement')
    if (!checksOf(items).some(({ check }) => known.has(check.point))) continue
    await answerStage({ page, hand, stage, items, known, driven, leftOut })
  }
  // A figure that did not arrive would make the hand look quicker than it is.
  await page.locator('[data-sync="kept"]').waitFor()
  const { state } = await jobOf(page, id)
  const lost = driven.filter(({ check }) => !inForce(state.evidence.get(check.point)))
  if (lost.length > 0) throw new Error(`not kept: ${lost.map(({ check }) => check.id).join(', ')}`)
  return { count: hand.count, driven, leftOut: [...leftOut] }
}
