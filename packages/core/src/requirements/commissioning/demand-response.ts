import { joinOr, joinAnd } from '../../quantity/phrases.js'
import { list, object, oneOf, refine, requireUniqueIds, text, join } from '../../shape/shape.js'
import { answered } from '../evidence-input.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** How the port may stand; wired it is tried, bridged there is nothing to try. */
const WIRING = ['wired', 'bridged'] as const
const NOT_CONNECTED = 'open'
const DID = ['did so', 'did otherwise', 'not tried'] as const

/**
 * The port over which the network operator tells the unit what to do: wired or bridged as the sheet or the operator wants it, and where it
 * is wired each of its modes tried, with what the unit did. A mode that was not tried is not proven.
 */
export const demandResponse = defineKind(
  refine(
    requirementOf({
      wiring: list(oneOf(WIRING), { about: 'how the port may stand' }),
      modes: list(
        object({ id: text(), label: text('as the port marks it'), does: text('what the unit must do') }),
      ),
    }),
    ({ modes }, path) => requireUniqueIds(modes, join(path, 'modes')),
  ),
  {
    minutes: 10,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ wiring, modes }) => ({
      kind: 'record',
      form: 'fields',
      fields: [
        { id: 'wiring', label: 'the port is', required: joinOr(wiring), options: [...WIRING, NOT_CONNECTED] },
        ...modes.map(({ id, label, does }) => ({
          id: `mode-${id}`,
          label: `mode ${label}, the unit`,
          required: does,
          options: DID,
        })),
      ],
    }),
    required: ({ wiring, modes }) =>
      `${joinOr(wiring)}; ${modes.map(({ label, does }) => `${label}: ${does}`).join(', ')}`,
    judge({ wiring, modes }, _subject, evidence) {
      const values = answered(evidence, 'fields')?.values
      const port = values?.['wiring']?.typed.trim().toLowerCase()
      if (!values || !port) return undefined
      const allowed = wiring.some((one) => one === port)
      const tried = port === 'wired' ? modes : []
      const did = (id: string) => values[`mode-${id}`]?.typed.trim().toLowerCase()
      const otherwise = tried.filter(({ id }) => did(id) === DID[1])
      const open = tried.filter(({ id }) => did(id) !== DID[0] && did(id) !== DID[1])
      const working = [
        `the port is ${port}; allowed: ${joinOr(wiring)}`,
        ...tried.map(({ id, label, does }) => `${label} (${does}): ${did(id) ?? 'not tried'}`),
      ]
      const base = { working, notes: [] }
      if (!allowed || otherwise.length > 0)
        return {
          ...base,
          verdict: 'does-not-conform',
          finding: allowed
            ? `${joinAnd(otherwise.map(({ label }) => label))}: the unit did otherwise`
            : `the port is ${port}`,
        }
      if (open.length > 0)
        return {
          ...base,
          verdict: 'not-proven',
          finding: `${joinAnd(open.map(({ label }) => label))} not tried`,
          wanting: `try ${joinAnd(open.map(({ label }) => label))}, and say what the unit did`,
        }
      return {
        ...base,
        verdict: 'conforms',
        finding: port === 'wired' ? 'every mode does as it must' : 'bridged',
      }
    },
  },
)
