import type { AsBuilt } from '../as-built/as-built.js'
import { canonicalJson } from '../job/canonical.js'
import type { Verdict } from '../verdict/verdict.js'
import type { CheckId } from '../ids/ids.js'
import type { Inspection } from '../walk/inspect.js'

/** A thing that stands otherwise than last time. */
export interface BuiltChange {
  what: 'unit' | 'string' | 'cable' | 'device' | 'bond'
  label: string
  how: 'new' | 'gone' | 'another' | 'changed'
}
export interface VerdictChange {
  checkId: CheckId
  title: string
  place: string
  was: Verdict
  now: Verdict
}
export interface ReinspectionChanges {
  built: BuiltChange[]
  verdicts: VerdictChange[]
}

/** What changed from one inspection of an installation to the next: what stands there, and what is judged otherwise. */
export function reinspectionChanges(before: Inspection, now: Inspection): ReinspectionChanges {
  return {
    built: builtChanges(before.state.asBuilt, now.state.asBuilt),
    verdicts: verdictChanges(before, now),
  }
}

interface Thing {
  id: string
  label: string
  /** What makes it the one that it is, and what may be changed of it. */
  own: unknown
  more: unknown
}

/** Whether somebody has seen it this time is no change of the thing. */
const THINGS = {
  unit: ({ units }) =>
    units.map(({ id, label, serial, sheetId, situation }) => ({
      id,
      label,
      own: [serial, sheetId],
      more: situation,
    })),
  string: ({ strings }) =>
    strings.map(({ id, label, count, path, module, proposed: _seen, ...more }) => ({
      id,
      label,
      own: [count, path, module.name],
      more,
    })),
  cable: ({ network }) =>
    network.conductors.map(({ id, from, to, proposed: _seen, ...more }) => ({
      id,
      label: `${from} to ${to}`,
      own: [from, to],
      more,
    })),
  device: ({ array }) =>
    array.devices.map(({ id, at, serial, feeds, unitId }) => ({
      id,
      label: serial ?? at,
      own: [serial, unitId],
      more: [at, feeds],
    })),
  bond: ({ earth }) =>
    earth.bonds.map(({ id, from, to, proposed: _seen, ...more }) => ({
      id,
      label: `${from} to ${to}`,
      own: [from, to],
      more,
    })),
} satisfies Record<BuiltChange['what'], (asBuilt: AsBuilt) => Thing[]>

function builtChanges(before: AsBuilt, now: AsBuilt): BuiltChange[] {
  return (Object.keys(THINGS) as BuiltChange['what'][]).flatMap((what) => {
    const [old, fresh] = [THINGS[what](before), THINGS[what](now)]
    const was = new Map<string, Thing>(old.map((one) => [one.id, one]))
    const is = new Set(fresh.map(({ id }) => id))
    const same = (a: unknown, b: unknown) => canonicalJson(a ?? null) === canonicalJson(b ?? null)
    const changed = fresh.flatMap((one): BuiltChange[] => {
      const earlier = was.get(one.id)
      const { label } = one
      if (!earlier) return [{ what, label, how: 'new' }]
      if (!same(earlier.own, one.own)) return [{ what, label, how: 'another' }]
      return same(earlier.more, one.more) ? [] : [{ what, label, how: 'changed' }]
    })
    const gone = old
      .filter(({ id }) => !is.has(id))
      .map(({ label }): BuiltChange => ({ what, label, how: 'gone' }))
    return [...changed, ...gone]
  })
}

/** Of what was judged both times; what nobody has looked at yet is no change. */
function verdictChanges(before: Inspection, now: Inspection): VerdictChange[] {
  return now.checks.flatMap(({ check, outcome }): VerdictChange[] => {
    const at = before.at.byId.get(check.id)
    const was = at === undefined ? undefined : before.checks[at]!.outcome.verdict
    const judged = (one: Verdict | undefined) =>
      one !== undefined && one !== 'not-inspected' && one !== 'not-applicable'
    if (!judged(was) || !judged(outcome.verdict) || was === outcome.verdict) return []
    return [{ checkId: check.id, title: check.title, place: check.place, was: was!, now: outcome.verdict }]
  })
}
