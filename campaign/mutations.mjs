import { Chance, answerAll, cleanSite } from '@plumb-mark/practice'
import { LIBRARY } from './library.mjs'

/**
 * Takes away every part of every answer, one at a time, and looks whether its check still conforms: one requirement of each sheet stands
 * for the others. What a question does not ask for (a note, a photo that nobody wants) is left alone.
 */
export function mutations(seed) {
  const site = cleanSite(new Chance(seed), LIBRARY)
  answerAll(site)
  const seen = new Set()
  const kinds = new Set()
  const kept = []
  let tried = 0
  for (const { check, outcome } of site.inspection().checks) {
    const key = `${check.sheet.model} ${check.requirement.id}`
    const entry = site.entries.find(({ body }) => body.point === check.point)
    if (!entry || seen.has(key) || outcome.verdict !== 'conforms') continue
    seen.add(key)
    kinds.add(check.requirement.kind)
    for (const path of askedFor(entry, check)) {
      tried++
      const whole = entry.body
      entry.body = without(whole, path)
      const after = site.inspection().checks.find((one) => one.check.id === check.id)
      if (after.outcome.verdict === 'conforms')
        kept.push(`${check.requirement.kind} ${check.id}: without ${path.join('.')}`)
      entry.body = whole
    }
  }
  return { kinds, tried, kept }
}

function askedFor({ kind, body }, { ask, requirement }) {
  if (kind === 'observation') return requirement.photo ? [['seen'], ['photos']] : [['seen']]
  const instrument = ask.instrument && body.instrument ? [['instrument']] : []
  if (kind === 'reading')
    return [['value'], ...instrument, ...ask.conditions.map((name) => ['conditions', name])]
  return [...instrument, ...leaves(body.answer, ['answer'])]
}

/** Every key and every element of an answer. */
function leaves(value, path) {
  if (typeof value !== 'object' || value === null) return []
  return Object.keys(value).flatMap((key) => [[...path, key], ...leaves(value[key], [...path, key])])
}

function without(body, path) {
  const copy = structuredClone(body)
  const last = path.at(-1)
  const holder = path.slice(0, -1).reduce((part, key) => part[key], copy)
  if (Array.isArray(holder)) holder.splice(Number(last), 1)
  else delete holder[last]
  return copy
}
