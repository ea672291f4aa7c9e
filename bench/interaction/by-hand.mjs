import { sayEvidence } from '../../packages/core/dist/index.js'

/**
 * The same facts by hand, counted as kindly as can be: a spreadsheet whose rows are prepared (place and check stand there), and a report
 * form that is prepared alike. A row in the spreadsheet takes what was read and a key to go on, and a short mark for the instrument; in the
 * form the same is typed again with a key to go on, the verdict is chosen, and the clause is cited. A failure is put into words: what was
 * found, and the remedy. Looking up limits and working out whether they are met is not counted at all.
 */
const GO_ON = 1
const INSTRUMENT = 2 + GO_ON
const VERDICT = 2
const count = (text) => [...text].length

export function byHand(driven) {
  return driven.reduce((sum, fact) => sum + ofFact(fact), 0)
}

function ofFact({ check, evidence, outcome }) {
  const said = count(sayEvidence(check, evidence)) + GO_ON
  const instrument = evidence.body.instrument ? INSTRUMENT : 0
  const clause = count(check.requirement.clause) + GO_ON
  const fails =
    outcome.verdict === 'does-not-conform'
      ? count(String(outcome.finding)) + count(check.requirement.remedy) + 2 * GO_ON
      : 0
  return said + instrument + said + VERDICT + clause + fails
}

const NOT_COUNTED = new Set(['id', 'unitId', 'from', 'to', 'path', 'place', 'serial'])

/** What was built, once into each: every part with what is known of it, a key to go on after each field. Names and ids are not counted. */
export function builtByHand({ units, strings, array, earth, network }) {
  const known = (thing) =>
    Object.entries({ ...thing, ...thing.module })
      .filter(([name, value]) => !NOT_COUNTED.has(name) && typeof value !== 'object' && value !== undefined)
      .map(([, value]) => value)
  const things = [
    ...units,
    ...strings,
    ...array.planes,
    ...earth.parts,
    ...earth.bonds,
    ...network.parts,
    ...network.conductors,
  ]
  const once = things.flatMap(known).reduce((sum, value) => sum + count(String(value)) + GO_ON, 0)
  return 2 * once
}
