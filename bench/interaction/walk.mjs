import { accuracyOf, parseQuantity, readingTable, STAGE_TITLES } from '../../packages/core/dist/index.js'

const DRIVEN_FORMS = new Set(['choice', 'statement', 'fields'])

/** Answers whatever of a stage is known, as an inspector would: what stands together at once, the rest one after the other. */
export async function answerStage({ page, hand, stage, items, known, driven, leftOut }) {
  await hand.tap(page.getByRole('navigation', { name: 'Stages of the walk' }).getByText(STAGE_TITLES[stage]))
  await page.getByRole('heading', { name: STAGE_TITLES[stage], level: 2, exact: true }).waitFor()
  const answered = (judged) => {
    const evidence = known.get(judged.check.point)
    if (evidence) driven.push({ check: judged.check, evidence, outcome: judged.outcome })
    return evidence
  }
  await instrumentsInHand({ page, hand, items, known })
  for (const item of items) {
    if (item.kind === 'heading') continue
    const checks = item.kind === 'check' ? [item.judged] : item.group.checks
    const open = checks.filter(
      ({ check, outcome }) => known.has(check.point) && outcome.verdict === 'not-inspected',
    )
    if (open.length === 0) continue
    const [{ check }] = open
    if (check.ask.kind === 'record' && !DRIVEN_FORMS.has(check.ask.form)) {
      leftOut.add(`${check.ask.form} (${open.length})`)
      continue
    }
    if (check.ask.kind === 'derived') continue
    if (item.kind === 'check') await one({ page, hand, judged: item.judged, evidence: answered(item.judged) })
    else if (item.group.together === 'reading') await readings({ page, hand, group: item.group, answered })
    else if (item.group.together === 'observation') await looks({ page, hand, group: item.group, answered })
    else
      for (const judged of open)
        await one({ page, hand, judged, evidence: answered(judged), group: item.group })
  }
}

/** Chosen once for a stage, where the program cannot tell which it is. */
async function instrumentsInHand({ page, hand, items, known }) {
  const wanted = new Map()
  for (const item of items)
    for (const { check } of item.kind === 'check'
      ? [item.judged]
      : item.kind === 'group'
        ? item.group.checks
        : []) {
      const evidence = known.get(check.point)
      if (check.ask.kind === 'reading' && evidence?.body.instrument)
        wanted.set(check.ask.dimension, evidence.body.instrument)
    }
  const row = page.getByRole('button', { name: /^In hand/ })
  if (wanted.size === 0 || !(await row.isVisible())) return
  let opened = false
  for (const [dimension, instrument] of wanted) {
    if (!accuracyOf(instrument, dimension)) continue
    const said = await row.innerText()
    if (said.includes(instrument.name)) continue
    if (!opened) await hand.tap(row)
    opened = true
    await hand.choose(page.getByLabel(`For ${dimension.replaceAll('-', ' ')}`), instrument.id)
  }
  if (opened) await hand.tap(row)
}

/** What comes next opens when the one before it is answered: nobody touches it before it had the time. */
const opensByItself = (place) =>
  place.waitFor({ timeout: 350 }).then(
    () => true,
    () => false,
  )

const openCheck = (page, id) => page.locator(`[data-open-check="${id}"]`)

async function openGroup({ page, hand, group }) {
  const panel = page.locator(`[data-open-group="${group.key}"]`)
  if (!(await opensByItself(panel))) await hand.tap(page.locator(`[data-group="${group.key}"]`))
  await panel.waitFor()
  return panel
}

/** A question at many places: all at once, and what differs touched. */
async function looks({ page, hand, group, answered }) {
  const panel = await openGroup({ page, hand, group })
  const given = group.checks.map((judged) => [judged, answered(judged)])
  const no = given.filter(([, evidence]) => evidence && !evidence.body.seen)
  const left = given.filter(([, evidence]) => !evidence)
  if (group.checks[0].check.requirement.photo || left.length > 0) {
    for (const [judged, evidence] of given) if (evidence) await one({ page, hand, judged, evidence, group })
    return
  }
  if (no.length === 0) return hand.key('a')
  await hand.key('x')
  for (const [{ check }] of no) await hand.tap(panel.locator(`[data-check="${check.id}"]`))
  await hand.tap(panel.getByRole('button', { name: /^Yes for \d+, no for/ }))
}

/** The shortest that reads the same: without its unit where that is understood. */
function shortest({ ask }, { body }) {
  const bare = body.typed.replace(/[^\d.,<>−+-].*$/, '').trim()
  const read = parseQuantity(bare, ask.dimension, ask.unit ? { assume: ask.unit } : {})
  return read.ok &&
    Math.abs(read.quantity.value - body.value) < 1e-9 * Math.max(1, Math.abs(body.value)) &&
    bare !== '' &&
    ask.unit
    ? bare
    : body.typed
}

async function readings({ page, hand, group, answered }) {
  const panel = await openGroup({ page, hand, group })
  const table = readingTable(group)
  await conditions({ hand, panel, group, page })
  for (const [c] of table.columns.entries()) {
    let above
    let focused = false
    for (const [r, row] of table.rows.entries()) {
      const judged = row.cells[c]
      const evidence = judged && answered(judged)
      if (!evidence) {
        focused = false
        continue
      }
      const cell = panel.locator(`input[data-cell="${r} ${c}"]`)
      if (!focused && !(await cell.evaluate((input) => input === document.activeElement)))
        await hand.tap(cell)
      const typed = shortest(judged.check, evidence)
      if (typed === above) await hand.keys('=')
      else {
        await hand.keys(typed)
        await hand.key('Enter')
      }
      above = typed
      focused = true
    }
  }
}

const CONDITIONS = {
  cellTemperature: ['Cell temperature', '31'],
  irradiance: ['Irradiance', '640'],
  testVoltage: ['Test voltage', '1000'],
}

async function conditions({ hand, panel }) {
  for (const [label, text] of Object.values(CONDITIONS)) {
    const field = panel.getByLabel(label, { exact: true })
    if ((await field.count()) > 0 && (await field.inputValue()) === '') await hand.type(field, text)
  }
}

/** One check, opened if it did not open by itself. */
async function one({ page, hand, judged, evidence, group }) {
  const { check } = judged
  const open = openCheck(page, check.id)
  if (!(await opensByItself(open))) {
    if (group && !(await page.locator(`[data-check="${check.id}"]`).isVisible()))
      await openGroup({ page, hand, group })
    await hand.tap(page.locator(`[data-check="${check.id}"]`).first())
  }
  await open.waitFor()
  const { ask } = check
  if (ask.kind === 'observation') return hand.key(evidence.body.seen ? 'y' : 'n')
  if (ask.kind === 'reading') {
    await conditions({ hand, panel: open })
    const field = open.getByRole('textbox', { name: /^Reading/ })
    if (!(await field.evaluate((input) => input === document.activeElement))) await hand.tap(field)
    await hand.keys(shortest(check, evidence))
    return hand.key('Enter')
  }
  if (ask.form === 'statement')
    return hand.tap(
      open.getByRole('button', { name: evidence.body.answer.agreed ? 'I state this' : 'I cannot' }),
    )
  if (ask.form === 'choice') {
    const { label } = ask.options.find(({ id }) => id === evidence.body.answer.chosen)
    return hand.tap(
      open
        .getByRole('button', { name: new RegExp(`^${label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`) })
        .first(),
    )
  }
  for (const { id, label, options } of ask.fields) {
    const given = evidence.body.answer.values[id]
    if (!given) continue
    const field = open.getByLabel(label, { exact: true })
    if (options) await hand.choose(field, given.typed)
    else await hand.type(field, given.typed)
  }
  await hand.tap(open.getByRole('button', { name: 'Save', exact: true }))
}
