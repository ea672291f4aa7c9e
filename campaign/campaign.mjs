import { HYPOTHESIS_WORDS, blockers } from '@plumb-mark/core'
import { Chance, KIT_NAMES, answerAll, cleanSite } from '@plumb-mark/practice'
import { ANSWERS } from './faults/answers.mjs'
import { BELONGS } from './faults/belongs.mjs'
import { BUILT } from './faults/built.mjs'
import { PROPOSED } from './faults/proposed.mjs'
import { SIGNING } from './faults/signing.mjs'
import { LIBRARY } from './library.mjs'
import { mutations } from './mutations.mjs'

export const FAULTS = [...ANSWERS, ...BUILT, ...PROPOSED, ...BELONGS, ...SIGNING]
const GOOD = ['conforms', 'not-applicable']
/** Every so many a clean one. */
const CLEAN_EVERY = 10
const TOLD_EVERY = 1000

/** Plants one fault in each of many random installations, and judges them. Nothing random but the seed. */
export function campaign(runs, seed, onProgress = () => undefined) {
  const result = {
    kinds: new Set(),
    planted: 0,
    missed: [],
    clean: 0,
    signable: 0,
    alarms: [],
    ranked: 0,
    first: 0,
  }
  const started = performance.now()
  for (let i = 0; i < runs; i++) {
    const own = seed * 1_000_003 + i
    if (i % CLEAN_EVERY === 0) cleanRun(own, KIT_NAMES[(i / CLEAN_EVERY) % KIT_NAMES.length], result)
    faultyRun(FAULTS[i % FAULTS.length], own, result)
    if ((i + 1) % TOLD_EVERY === 0) onProgress(i + 1, result)
  }
  const { tried, kept } = mutations(seed)
  return { ...result, mutated: tried, unmoved: kept, seconds: (performance.now() - started) / 1000 }
}

function cleanRun(seed, kit, result) {
  const site = cleanSite(new Chance(seed), LIBRARY, { kit })
  answerAll(site)
  const inspection = site.inspection()
  const wrong = inspection.checks.find(({ outcome }) => !GOOD.includes(outcome.verdict))
  result.clean++
  if (blockers(inspection).length === 0) result.signable++
  if (wrong) result.alarms.push({ seed, said: `${wrong.check.id}: ${String(wrong.outcome.finding ?? '')}` })
}

function faultyRun({ name, plant, before, cause, fix }, seed, result) {
  // Not every installation has what a fault needs: another is drawn.
  for (let tries = 0; tries < 20; tries++) {
    const kit = KIT_NAMES[tries % KIT_NAMES.length]
    const site = cleanSite(new Chance(seed + 7919 * tries), LIBRARY, { kit })
    if (before && !plant(site)) continue
    answerAll(site, before ? (check) => check.requirement.kind !== 'presence' : undefined)
    if (!before && !plant(site)) continue
    result.kinds.add(name)
    result.planted++
    const inspection = site.inspection()
    // What could be signed was passed, whatever the checks say of it.
    if (blockers(inspection).length === 0) result.missed.push({ name, seed })
    if (cause || fix) rank(inspection.checks, { cause, fix }, result)
    return
  }
}

/** Does the planted cause stand first where a failing check ranks its causes? */
function rank(checks, { cause, fix }, result) {
  const failing = checks.filter(({ outcome }) => outcome.verdict === 'does-not-conform')
  const said = cause
    ? failing.find(({ check }) => check.requirement.kind === 'string-open-circuit')?.outcome.causes[0]
    : failing.find(({ check }) => check.requirement.kind === 'ct-proof')?.outcome.finding
  if (said === undefined) return
  result.ranked++
  if (String(said).startsWith(cause ? HYPOTHESIS_WORDS[cause].says : fix)) result.first++
}
