import { waysToGrid } from '../../ac/way-to-grid.js'
import { DRIVING_KINDS, RESIDUAL_KINDS, type NetworkPart } from '../../ac/one-line.js'
import { amps } from '../../quantity/figure.js'
import { joinAnd, joinOr } from '../../quantity/phrases.js'
import { msg, joinMessages, type Message } from '../../quantity/message.js'
import { flag, list, object, oneOf, optional, refine, requireRange, type Read } from '../../shape/shape.js'
import { quantity } from '../../quantity/quantity-field.js'
import type { JudgedVerdict } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { isHouse, wholeUnit } from '../subjects.js'

const shape = requirementOf({
  device: optional(
    refine(object({ min: optional(quantity('current')), max: optional(quantity('current')) }), requireRange),
  ),
  residual: optional(list(oneOf(RESIDUAL_KINDS))),
  surge: optional(flag(), false),
  isolator: optional(flag(), false),
  label: optional(flag(), false),
})
type Demand = Read<typeof shape>

/**
 * What protects a unit on its way to the grid: a device in the range of the sheet, residual-current protection of a kind that is allowed,
 * surge protection, an isolator where a person would look for it, the label of two supplies. Read off the one-line model, for every part
 * that stands for the unit and on every way that leads from it to the grid: of two ways the worse one counts. House rules speak of every
 * machine that drives a current. What nobody said of a part is asked for, and neither there nor missing.
 */
export const protection = defineKind(shape, {
  minutes: 3,
  reads: () => ['network'],
  expand: () => [wholeUnit],
  ask: () => ({ kind: 'derived', from: 'network' }),
  required: ({ device, residual, surge, isolator, label }) =>
    joinMessages(
      [
        device
          ? msg`device ${joinMessages([device.min === undefined ? '' : msg`from ${amps(device.min)}`, device.max === undefined ? '' : msg`up to ${amps(device.max)}`], ' ')}`
          : '',
        residual ? `residual-current kind ${joinOr(residual)}` : '',
        surge ? 'surge protection' : '',
        isolator ? 'isolator' : '',
        label ? 'label of two supplies' : '',
      ],
      ', ',
    ),
  judge(demand, _subject, _given, { asBuilt: { network }, sheetOf }, unit) {
    const all = isHouse(unit, { sheetOf })
    const starts = network.parts.filter(({ unitId, kind }) =>
      all ? kind !== 'grid' && DRIVING_KINDS.includes(kind) : unitId === unit.id,
    )
    const ways = starts.map((start) => ({ start, ways: waysToGrid(start, network) }))
    if (!ways.some((one) => one.ways === undefined || one.ways.length > 0)) return undefined
    const looked = ways.flatMap((one): Looked[] => {
      if (one.ways === undefined)
        return [
          {
            faults: [],
            open: [msg`more ways lead from ${one.start.label} to the grid than can be looked at`],
            along: '',
          },
        ]
      return one.ways.length > 0
        ? one.ways.map((way) => lookAlong(one.start, way, demand))
        : [{ faults: [], open: [msg`no way leads from ${one.start.label} to the grid`], along: '' }]
    })
    const faults = once(looked.flatMap((one) => one.faults))
    const open = once(looked.flatMap((one) => one.open))
    const nearest = ways[0]?.ways?.[0]?.find(({ kind }) => kind === 'device')
    const verdict: JudgedVerdict =
      faults.length > 0 ? 'does-not-conform' : open.length > 0 ? 'not-proven' : 'conforms'
    return {
      verdict,
      working: [...looked.map(({ along }) => along).filter((along) => along !== ''), ...faults, ...open],
      notes: [],
      finding:
        faults[0] ??
        open[0] ??
        (nearest?.rating === undefined
          ? 'as asked'
          : msg`protected by ${nearest.label}, ${amps(nearest.rating)}`),
      causes: faults.slice(1),
      ...(open.length > 0 && { wanting: msg`enter what is missing: ${joinMessages(open, '; ')}` }),
    }
  },
})

/** What two ways share is told once. */
const once = (all: readonly Message[]): Message[] => [
  ...new Map(all.map((said) => [String(said), said])).values(),
]

interface Looked {
  faults: Message[]
  /** What nobody entered. */
  open: Message[]
  along: Message
}

function lookAlong(start: NetworkPart, way: readonly NetworkPart[], demand: Demand): Looked {
  const rows = [
    demand.device && deviceOn(way, demand.device),
    demand.residual && residualOn(way, demand.residual),
    demand.surge && flagOn(way, 'surge', 'surge protection'),
    demand.isolator && !way.some(({ kind }) => kind === 'isolator') && fault('no isolator'),
    demand.label && flagOn(way, 'labelled', 'the label of two supplies'),
  ].filter((row): row is Row => typeof row === 'object')
  const said = way.map((part) => msg`${part.label}${part.rating ? msg` ${amps(part.rating)}` : ''}`)
  return {
    faults: rows.flatMap(({ faults }) => faults),
    open: rows.flatMap(({ open }) => open),
    along: msg`from ${start.label} to the grid: ${joinMessages(said, ' → ')}`,
  }
}

type Row = Pick<Looked, 'faults' | 'open'>
const fine: Row = { faults: [], open: [] }
const fault = (said: Message): Row => ({ faults: [said], open: [] })
const unsaid = (said: Message): Row => ({ faults: [], open: [said] })

/** The device that stands first; one further away protects more than this unit. */
function deviceOn(way: readonly NetworkPart[], { min, max }: NonNullable<Demand['device']>): Row {
  const nearest = way.find(({ kind }) => kind === 'device')
  if (!nearest) return fault('no protective device between it and the grid')
  const { label, rating } = nearest
  if (rating === undefined) return unsaid(`the rating of ${label}`)
  if (min !== undefined && rating < min) return fault(msg`${label} ${amps(rating)} is below ${amps(min)}`)
  if (max !== undefined && rating > max) return fault(msg`${label} ${amps(rating)} is above ${amps(max)}`)
  return fine
}

function residualOn(way: readonly NetworkPart[], allowed: readonly (typeof RESIDUAL_KINDS)[number][]): Row {
  if (way.some(({ residual }) => residual !== undefined && allowed.includes(residual))) return fine
  const unread = way.find(({ kind, residual }) => kind === 'device' && residual === undefined)
  if (unread) return unsaid(`the kind of residual-current protection of ${unread.label}`)
  const found = [
    ...new Set(way.flatMap(({ residual }) => (residual && residual !== 'none' ? [residual] : []))),
  ]
  return fault(`residual-current protection is ${joinAnd(found) || 'missing'}`)
}

function flagOn(way: readonly NetworkPart[], what: 'surge' | 'labelled', words: string): Row {
  if (way.some((part) => part[what])) return fine
  return way.some((part) => part.kind === 'board' && part[what] === undefined)
    ? unsaid(`whether ${words} is on a board`)
    : fault(`${words} is missing`)
}
