import type { PartKind } from '../../ac/one-line.js'
import { protectionWords } from '../../ac/part-loads.js'
import { amps } from '../../quantity/figure.js'
import { joinAnd } from '../../quantity/phrases.js'
import { msg } from '../../quantity/message.js'
import { defineKind, requirementOf } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/** Kinds that carry what others drive and whose rating must therefore be known; a device trips, a load takes what it takes. */
const CARRIERS: readonly PartKind[] = ['board', 'isolator', 'meter', 'gateway']
const LIMITED_BY_ITSELF: readonly PartKind[] = ['device', 'load']

/**
 * Does every board, switch, meter and gateway carry no more than it is rated for? Read off the one-line model: a switch limits nothing, so
 * what several sources drive through it adds up. One whose rating nobody entered is not proven.
 */
export const partRating = defineKind(requirementOf({}), {
  minutes: 1,
  reads: () => ['network'],
  expand: (_requirement, unit, sheet, context) =>
    subjectsOf({ each: 'part', where: {} }, unit, sheet, context).filter(
      ({ part }) =>
        CARRIERS.includes(part!.kind) ||
        (part!.rating !== undefined && !LIMITED_BY_ITSELF.includes(part!.kind)),
    ),
  ask: () => ({ kind: 'derived', from: 'network' }),
  required: (_requirement, { part }) =>
    part?.rating === undefined
      ? 'carries no more than its rating'
      : msg`carries no more than ${amps(part.rating)}`,
  judge(_requirement, { part }, _given, context) {
    const load = part && context.partLoads().find((one) => one.part.id === part.id)
    if (!load) return undefined
    const { carries, mayCarry, unknown } = load
    // A device of unknown rating may limit what flows: only what it cannot change condemns.
    const overloaded = load.overloaded && unknown.every(({ kind }) => kind !== 'device')
    const missing = [
      ...(mayCarry === undefined ? ['its rating'] : []),
      ...unknown.map(({ kind, label }) => `the ${kind === 'device' ? 'rating' : 'current'} of ${label}`),
    ]
    const flow = msg`can carry ${amps(carries)}${mayCarry === undefined ? '' : msg` of ${amps(mayCarry)}`}`
    return {
      verdict: overloaded ? 'does-not-conform' : missing.length > 0 ? 'not-proven' : 'conforms',
      working: [
        msg`all that can flow through it: ${amps(carries)}${mayCarry === undefined ? '' : msg`, rated ${amps(mayCarry)}`}`,
        protectionWords(load),
      ],
      notes: [],
      finding: missing.length > 0 && !overloaded ? msg`${flow}; ${joinAnd(missing)} not entered` : flow,
      ...(missing.length > 0 && { wanting: `enter ${joinAnd(missing)}` }),
    }
  },
})
