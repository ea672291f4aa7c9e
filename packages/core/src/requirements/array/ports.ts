import { placeWords } from '../../ids/place-id.js'
import { joinAnd, plural } from '../../quantity/phrases.js'
import { judged } from '../../verdict/verdict.js'
import { optional, flag } from '../../shape/shape.js'
import { defineKind, requirementOf, type Subject } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/** Nothing is left open: unused ports of every device capped, no module split over two inputs, the end of every trunk capped. */
export const ports = defineKind(
  requirementOf({ trunk: optional(flag('the end of each branch must be capped'), false) }),
  {
    minutes: 1,
    reads: () => ['array'],
    expand: (requirement, unit, sheet, context) => [
      ...subjectsOf({ each: 'device', where: {} }, unit, sheet, context),
      ...(requirement.trunk ? subjectsOf({ each: 'branch', where: {} }, unit, sheet, context) : []),
    ],
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: (_requirement, { kind }) =>
      kind === 'branch' ? 'end of the trunk capped' : 'idle ports capped, no module on two inputs',
    judge(_requirement, subject, _given, { asBuilt }) {
      if (subject.branch) return ofTrunk(subject.branch)
      return subject.device ? ofBox(subject.device, asBuilt.array.devices) : undefined
    },
  },
)

function ofTrunk({ endCapped }: NonNullable<Subject['branch']>) {
  if (endCapped === undefined) return undefined
  return {
    verdict: judged(endCapped),
    working: [endCapped ? 'the end carries its cap' : 'the end carries no cap'],
    notes: endCapped ? [] : ['an open trunk end is live while the branch is on'],
    finding: endCapped ? 'end capped' : 'end of the trunk open',
  }
}

function ofBox(device: NonNullable<Subject['device']>, all: readonly NonNullable<Subject['device']>[]) {
  const { idlePorts, cappedPorts } = device
  const counted = idlePorts !== undefined && (idlePorts === 0 || cappedPorts !== undefined)
  const open = counted ? idlePorts - (cappedPorts ?? 0) : 0
  const shared = [...new Set(device.feeds)].filter(
    (place) =>
      device.feeds.indexOf(place) !== device.feeds.lastIndexOf(place) ||
      all.some((other) => other.id !== device.id && other.feeds.includes(place)),
  )
  const faults = [
    ...(open > 0 ? [`${plural(open, 'port')} without a cap`] : []),
    ...(shared.length > 0
      ? [`the module at ${joinAnd(shared.map(placeWords))} is plugged into two inputs`]
      : []),
  ]
  if (faults.length === 0 && !counted)
    return {
      verdict: 'not-proven' as const,
      working: [`${plural(device.feeds.length, 'module')} plugged`],
      notes: [],
      finding: 'its idle ports are not counted',
      wanting: 'count its ports without a module, and the caps on them',
    }
  return {
    verdict: judged(faults.length === 0),
    working: [
      `${plural(device.feeds.length, 'module')} plugged, ${cappedPorts ?? '?'} of ${idlePorts ?? '?'} idle ports capped`,
      ...faults,
    ],
    notes: [],
    finding: faults[0] ?? ((idlePorts ?? 0) > 0 ? 'idle ports capped' : 'no idle port'),
  }
}
