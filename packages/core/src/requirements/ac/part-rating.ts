import { protectionWords } from '../../ac/part-loads.js'
import { amps } from '../../quantity/figure.js'
import { say } from '../../quantity/words.js'
import { defineKind, requirementOf } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/**
 * Does every board, switch, meter and gateway whose rating is entered carry no more than it is rated for? Read off the one-line model: a
 * switch limits nothing, so what several sources drive through it adds up.
 */
export const partRating = defineKind(requirementOf({}), {
  minutes: 1,
  reads: () => ['network'],
  expand: (_requirement, unit, sheet, around) =>
    subjectsOf({ each: 'part', where: {} }, unit, sheet, around).filter(
      ({ part }) => part!.rating !== undefined && part!.kind !== 'device' && part!.kind !== 'load',
    ),
  ask: () => ({ kind: 'derived', from: 'network' }),
  required: (_requirement, { part }) =>
    part?.rating === undefined
      ? 'carries no more than its rating'
      : say`carries no more than ${amps(part.rating)}`,
  judge(_requirement, { part }, _given, around) {
    const load = part && around.partLoads().find((one) => one.part.id === part.id)
    if (!load) return undefined
    const { carries, mayCarry, overloaded } = load
    return {
      verdict: overloaded ? 'does-not-conform' : 'conforms',
      working: [
        say`all that can flow through it: ${amps(carries)}, rated ${amps(mayCarry!)}`,
        protectionWords(load),
      ],
      notes: [],
      finding: say`can carry ${amps(carries)} of ${amps(mayCarry!)}`,
    }
  },
})
