import { ANSWERS } from './answers.mjs'

/** What would be signed although it must not: stops that something milder covers, reasons that say nothing, what no check speaks of. */
function coveredByLess(site) {
  const found = site
    .inspection()
    .checks.find(({ check, outcome }) => outcome.seenAlsoFrom && check.requirement.severity !== 'note')
  if (!found) return false
  const { unitId } = found.outcome.seenAlsoFrom
  site.change('unit-fitted', unitId, ({ place }) => ({ place: { ...place, x: place.x - 950 } }))
  const failing = site.inspection().checks.filter(({ outcome }) => outcome.verdict === 'does-not-conform')
  failing.forEach(({ check, outcome }, i) =>
    site.write('defect-raised', {
      ...outcome.defect,
      defectId: `d${i}`,
      checkId: check.id,
      severity: 'minor',
      note: '',
    }),
  )
  return failing.length > 0
}

function reasonOf(typed) {
  return (site) => {
    const absent = site.find('record', ({ answer }) => answer.values?.reason)
    if (absent.length === 0) return false
    const { body } = site.chance.of(absent)
    body.answer = { values: { reason: { typed } } }
    return true
  }
}

function scopeLeavesOut(what) {
  return (site) => {
    const [opened] = site.entries
    opened.body = { ...opened.body, scope: { outside: [what], reason: 'it was left out' } }
    return true
  }
}

/** Only the house rules ask for the cables behind the board: without them nobody does. */
function unaskedCable(site) {
  site.remove(({ kind, body }) => kind === 'unit-fitted' && body.id.startsWith('rules-'))
  // A size of the standard in force: between two sizes nothing would be proven.
  const size = site.entries[0].body.school === 'nec' ? 2.08 : 1.5
  return site.change('conductor-run', 'c-q-loads-loads', () => ({ size }))
}

/** A reading fails; somebody without signal, who could not know it, says afterwards that the check does not apply. */
function failureSaidNotToApply(site) {
  const failing = spoilt(site)
  if (!failing) return false
  const { id, point } = failing
  site.write('not-applicable', { point, checkId: id, reason: 'the input is idle and capped' })
  return true
}

/** A check whose answer was made to fail, of a kind that may be said not to apply. */
function spoilt(site) {
  const { plant } = site.chance.of(ANSWERS)
  if (!plant(site)) return undefined
  return site
    .inspection()
    .checks.find(
      ({ check, outcome }) =>
        outcome.verdict === 'does-not-conform' &&
        check.ask.kind !== 'derived' &&
        check.requirement.kind !== 'presence' &&
        site.entries.some(({ body }) => body.point === check.point),
    )?.check
}

export const SIGNING = [
  ['what fails is covered by something milder', coveredByLess],
  ['nothing but a question mark for a reason', reasonOf('?')],
  ['nothing but a word for a reason', reasonOf('no')],
  ['a scope without the one-line that was entered', scopeLeavesOut('one-line')],
  ['a scope without the strings that were entered', scopeLeavesOut('strings')],
  ['a failure that was said not to apply', failureSaidNotToApply],
  ['a cable that nobody asks for and that carries too much', unaskedCable],
].map(([name, plant]) => ({ name, plant }))
