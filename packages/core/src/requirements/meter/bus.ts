import { answered } from '../evidence-input.js'
import { atMost } from '../../verdict/compare.js'
import { count, flag, list, num, object, oneOf, optional, refine, requireRange } from '../../shape/shape.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

const SHIELDS = ['one-end', 'both-ends', 'not-earthed', 'no-shield'] as const
const SHIELD_WORDS = {
  'one-end': 'earthed at one end',
  'both-ends': 'earthed at both ends',
  'not-earthed': 'not earthed',
  'no-shield': 'no shield',
} satisfies Record<(typeof SHIELDS)[number], string>

/**
 * A data bus: twisted pair, A to A, shield as told, addresses distinct and in range, terminators only at the
 * two ends, devices under the limit.
 */
export const bus = defineKind(
  requirementOf({
    maxDevices: optional(count('on one bus', { min: 2 })),
    addresses: optional(refine(object({ min: optional(num()), max: optional(num()) }), requireRange)),
    terminators: oneOf(['both-ends', 'far-end', 'none'] as const),
    shield: list(oneOf(SHIELDS), { about: 'what conforms' }),
    twisted: optional(flag(), true),
  }),
  {
    minutes: 8,
    reads: () => ['units'],
    expand: () => [wholeUnit],
    ask: (_requirement, _subject, { asBuilt }) => ({
      kind: 'record',
      form: 'bus',
      suggested: asBuilt.units.map(({ label }) => label),
    }),
    required: ({ terminators, shield, maxDevices, twisted }) =>
      [
        twisted ? 'twisted pair' : '',
        'A to A',
        `shield ${shield.map((one) => SHIELD_WORDS[one]).join(' or ')}`,
        TERMINATION[terminators],
        maxDevices ? `at most ${maxDevices} devices` : '',
      ]
        .filter(Boolean)
        .join(', '),
    judge({ maxDevices, addresses, terminators, shield, twisted }, _subject, evidence) {
      const answer = answered(evidence, 'bus')
      if (!answer) return undefined
      const { devices } = answer
      const numbered = devices.flatMap(({ address }) => (address === undefined ? [] : [address]))
      const twice = numbered.filter((address, i) => numbered.indexOf(address) !== i)
      const outside = addresses
        ? numbered.filter(
            (address) => address < (addresses.min ?? -Infinity) || address > (addresses.max ?? Infinity),
          )
        : []
      const wantsEnd = (i: number) =>
        terminators === 'both-ends'
          ? i === 0 || i === devices.length - 1
          : terminators === 'far-end'
            ? i === devices.length - 1
            : false
      const faults = [
        ...(twisted && answer.cable !== 'twisted-pair' ? ['the cable is not a twisted pair'] : []),
        ...(answer.polarity === 'crossed' ? ['A and B are crossed'] : []),
        ...(shield.includes(answer.shield) ? [] : [`shield ${SHIELD_WORDS[answer.shield]}`]),
        ...(twice.length > 0 ? [`address ${twice.join(', ')} is used twice`] : []),
        ...(outside.length > 0 ? [`address ${outside.join(', ')} is outside the range`] : []),
        ...devices.flatMap(({ name, terminated }, i) =>
          terminated === wantsEnd(i)
            ? []
            : [terminated ? `a terminator at ${name}, which is not an end` : `no terminator at ${name}`],
        ),
        ...(maxDevices !== undefined && !atMost(devices.length, maxDevices)
          ? [`${devices.length} devices, at most ${maxDevices}`]
          : []),
      ]
      // One device alone cannot share its address; where the sheet gives a range its address counts all the same.
      const unread =
        devices.length > 1 || addresses ? devices.filter(({ address }) => address === undefined) : []
      const alone = devices.length < 2
      return {
        verdict:
          faults.length > 0 ? 'does-not-conform' : unread.length > 0 || alone ? 'not-proven' : 'conforms',
        wanting: alone
          ? 'enter every device on the bus: it joins at least two'
          : `read the address of ${unread.map(({ name }) => name).join(', ')}`,
        working:
          faults.length === 0
            ? [
                `${devices.map(({ name, address }) => `${name}${address === undefined ? '' : ` (${address})`}`).join(' – ')}: all as asked`,
              ]
            : faults,
        notes: [],
        finding: faults[0] ?? (unread.length > 0 ? `${unread.length} addresses not read` : 'as asked'),
      }
    },
  },
)

const TERMINATION = {
  'both-ends': 'terminators at the two ends only',
  'far-end': 'a terminator at the far end only',
  none: 'no terminators',
}
