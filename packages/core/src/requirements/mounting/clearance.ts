import type { OnWall, JudgementContext } from '../judgement-context.js'
import { quantity } from '../../quantity/quantity-field.js'
import { mm } from '../../quantity/figure.js'
import { msg, type Message, joinMessages } from '../../quantity/message.js'
import { list, object, oneOf, optional, refine, requireRange, text } from '../../shape/shape.js'
import { NEIGHBOUR_RULES, REACHES, requireStatedDistance } from '../../wall/items.js'
import { SIDES, type Side } from '../../wall/sides.js'
import { OPPOSITE } from '../../wall/geometry.js'
import type { SideResult } from '../../wall/clearance.js'
import { verdictOf } from '../../verdict/decision.js'
import { worst, type JudgedVerdict } from '../../verdict/verdict.js'
import { defineKind, requirementOf, type Judgement, type Subject } from '../kind.js'

const gap = () => quantity('length')
const SIDE_WORDS = { left: 'left side', right: 'right side', top: 'above', bottom: 'below' } satisfies Record<
  Side,
  string
>

/**
 * The free space that a unit wants on every side, to its neighbours, to named obstructions, and the height of its lower edge.
 * Read off the wall, which is measured once for all; one check a side, so that each gap has a verdict and a remedy of its own.
 */
export const clearanceKind = defineKind(
  requirementOf({
    clear: object({ left: gap(), right: gap(), top: gap(), bottom: gap() }),
    neighbour: optional(
      refine(object({ rule: oneOf(NEIGHBOUR_RULES), distance: optional(gap()) }), requireStatedDistance),
    ),
    reach: optional(oneOf(REACHES), 'straight'),
    keepOut: optional(
      list(object({ from: text('class of obstruction'), distance: gap() }), { mayBeEmpty: true }),
      [],
    ),
    base: optional(refine(object({ min: optional(gap()), max: optional(gap()) }), requireRange)),
  }),
  {
    minutes: 2,
    reads: () => ['walls', 'units'],
    expand: (requirement) => [
      // What may stand on the floor itself asks for nothing beneath it.
      ...SIDES.filter((side) => side !== 'bottom' || requirement.clear.bottom > 0).map((side): Subject => ({
        kind: 'side',
        id: side,
        label: SIDE_WORDS[side],
      })),
      ...(requirement.base ? [{ kind: 'side' as const, id: 'base', label: 'lower edge' }] : []),
      ...(requirement.keepOut.length > 0
        ? [
            {
              kind: 'side' as const,
              id: 'keep-out',
              label: `distance from ${requirement.keepOut.map(({ from }) => from).join(', ')}`,
            },
          ]
        : []),
      ...(requirement.reach === 'envelope'
        ? [{ kind: 'side' as const, id: 'corners', label: 'corners of the envelope' }]
        : []),
    ],
    ask: () => ({ kind: 'derived', from: 'wall' }),
    required(requirement, { id }, context, unit) {
      if (id === 'base') return baseWords(requirement.base)
      if (id === 'keep-out')
        return joinMessages(
          requirement.keepOut.map(({ from, distance }) => msg`${mm(distance)} from any ${from}`),
          '; ',
        )
      if (id === 'corners') return 'nothing within the corners of the envelope'
      const side = context.onWall(unit.id, requirement.id)?.result.sides.find((one) => one.side === id)
      return msg`at least ${mm(side?.required ?? requirement.clear[id as Side])}`
    },
    judge(requirement, { id }, _given, context, unit) {
      const onWall = context.onWall(unit.id, requirement.id)
      if (!onWall) return undefined
      if (id === 'base') return proven(judgeBase(requirement.base, onWall), onWall)
      if (id === 'keep-out') return proven(judgeKeepOut(requirement.keepOut, onWall, context), onWall)
      if (id === 'corners') return proven(judgeCorners(onWall, context.labelOf), onWall)
      const other = onWall.result.sides.find((one) => one.side === id)?.governing
      const judgement = proven(judgeSide(id as Side, onWall, context), onWall, other)
      const isUnit = context.asBuilt.units.some((one) => one.id === other)
      return isUnit
        ? { ...judgement, seenAlsoFrom: { unitId: other!, subjectId: OPPOSITE[id as Side] } }
        : judgement
    },
  },
)

/** What was measured with nothing in particular can condemn, and never clear; what was only drawn can do neither. */
function proven(
  judgement: Judgement,
  { doubt, drawn, unitId }: OnWall,
  governing?: string | null,
): Judgement {
  if (!doubt || judgement.verdict === 'not-proven') return judgement
  const onPaper = drawn(unitId) || (governing !== undefined && governing !== null && drawn(governing))
  return judgement.verdict === 'conforms' || onPaper
    ? { ...judgement, verdict: 'not-proven', wanting: doubt }
    : judgement
}

function judgeSide(
  side: Side,
  onWall: OnWall,
  { labelOf, rule }: Pick<JudgementContext, 'labelOf' | 'rule'>,
): Judgement {
  const { result, collidesWith, wall } = onWall
  const found = result.sides.find((one) => one.side === side)!
  if (collidesWith.length > 0) {
    const others = collidesWith.map(labelOf).join(' and ')
    return {
      verdict: 'does-not-conform',
      working: [`overlaps ${others}`],
      notes: ['two things cannot hang in one place: check the measurements'],
      finding: `overlaps ${others}`,
    }
  }
  const cornerSomewhere = side === 'right' && wall.rightCorner && wall.width === undefined
  if (cornerSomewhere && found.verdict === 'conforms')
    return {
      verdict: 'not-proven',
      working: ['the wall has a right corner, and nobody said where'],
      notes: [],
      finding: 'where the right corner stands is not entered',
      wanting: 'enter the width of the wall',
    }
  const contradicted = contradictedSide(side, onWall, labelOf)
  if (found.measured === null)
    return (
      contradicted ?? {
        verdict: found.verdict,
        working: ['nothing stands on this side'],
        notes: [],
        finding: 'open',
      }
    )
  const judgement: Judgement = {
    verdict: found.verdict,
    working: [
      msg`${labelOf(found.governing!)}: measured ${mm(found.measured)} − required ${mm(found.required)} = ${mm(found.margin!)}`,
    ],
    notes:
      rule === 'simple'
        ? ['judged as measured: this job accepts a doubtful measure inside the limit']
        : [knownTo(found, onWall)],
    finding: sideFinding(found, labelOf),
    wanting: offPhoto(found, onWall)
      ? msg`${spare(found.margin!)}, and the photo tells this gap to ${mm(found.uncertainty)}: measure it with the tape`
      : msg`only ${mm(found.margin!)} to spare against a tape that is good to ${mm(wall.uncertainty)}: measure finer, or give the gap more`,
  }
  return contradicted
    ? { ...contradicted, working: [...judgement.working, ...contradicted.working] }
    : judgement
}

/** Was one edge of this gap placed off a photo, and the gap not read with the tape since? */
const offPhoto = ({ uncertainty }: SideResult, onWall: OnWall): boolean => uncertainty > onWall.uncertainty

const knownTo = (found: SideResult, onWall: OnWall): Message =>
  offPhoto(found, onWall)
    ? msg`placed off a photo: judged against ${mm(found.uncertainty)}`
    : msg`judged against the tape’s uncertainty of ${mm(onWall.wall.uncertainty)}`

const spare = (margin: number): Message =>
  margin < 0 ? msg`short by ${mm(-margin)}` : msg`only ${mm(margin)} to spare`

const AXIS = { left: 'across', right: 'across', top: 'up', bottom: 'up' } as const satisfies Record<
  Side,
  string
>

/**
 * A gap that was measured and is another than the offsets say: one of the two is wrong, and until it is settled which, the offsets of both
 * things prove only what holds however far they are off. A side that is short by both fails.
 */
function contradictedSide(
  side: Side,
  { result, contradictions, uncertainty, unitId }: OnWall,
  labelOf: (id: string) => string,
): Judgement | undefined {
  const { measured, required, governing } = result.sides.find((one) => one.side === side)!
  const touching = contradictions.filter(
    ({ axis, from, to }) =>
      axis === AXIS[side] && (from === unitId || to === unitId || from === governing || to === governing),
  )
  const largest = [...touching].sort((a, b) => Math.abs(b.misclosure!) - Math.abs(a.misclosure!))[0]
  if (!largest || measured === null) return undefined
  const own = touching.find(({ from, to }) => [from, to].includes(unitId) && [from, to].includes(governing!))
  const off = Math.abs(largest.misclosure!) + uncertainty
  const byOffsets = verdictOf(measured, off, required)
  const byTape = own && verdictOf(own.measured, uncertainty, required)
  if (byOffsets === 'conforms' && !own) return undefined
  const fails = byOffsets === 'does-not-conform' || (measured < required && byTape === 'does-not-conform')
  const said = msg`${labelOf(largest.from)} to ${labelOf(largest.to)}: ${mm(largest.measured)} measured, ${mm(largest.computed!)} by the offsets`
  return {
    verdict: fails ? 'does-not-conform' : 'not-proven',
    working: [largest.working],
    notes: [],
    finding: said,
    wanting: msg`${said}: measure both again, and correct the one that is wrong`,
  }
}

function sideFinding({ measured, margin, governing }: SideResult, labelOf: (id: string) => string): Message {
  const to = msg`${mm(measured!)} to ${labelOf(governing!)}`
  return margin! < 0 ? msg`${to}, short by ${mm(-margin!)}` : to
}

type Base = { min?: number | undefined; max?: number | undefined } | undefined

const baseWords = (base: Base): Message =>
  msg`lower edge ${joinMessages([base?.min === undefined ? '' : msg`from ${mm(base.min)}`, base?.max === undefined ? '' : msg`up to ${mm(base.max)}`], ' ')}`

function judgeBase(base: Base, { result, wall }: OnWall): Judgement {
  // Without a figure there is nothing that could conform.
  if (!result.base)
    return { verdict: 'not-proven', working: [], notes: [], finding: 'the lower edge is not measured' }
  const { measured, verdict } = result.base
  return {
    verdict,
    working: [msg`lower edge at ${mm(measured)}; required: ${baseWords(base)}`],
    notes: [],
    finding: msg`lower edge at ${mm(measured)}`,
    wanting: msg`too near the limit for a tape that is good to ${mm(wall.uncertainty)}: measure finer`,
  }
}

function judgeKeepOut(
  keepOut: readonly { from: string; distance: number }[],
  { result, wall, listed }: OnWall,
  { labelOf }: Pick<JudgementContext, 'labelOf'>,
): Judgement {
  const { keepOut: rows } = result
  const short = rows.filter(({ margin }) => margin < 0)
  const nearest = [...rows].sort((a, b) => a.margin - b.margin)[0]
  const unknown = wall.obstructions.filter((one) => !listed(one.class))
  const verdict = worst<JudgedVerdict>(['conforms', ...rows.map((row) => row.verdict)]) as JudgedVerdict
  const from = keepOut.map((one) => one.from).join(', ')
  const base = {
    working: rows.map(
      ({ item, measured, required, margin }) =>
        msg`${labelOf(item)}: ${mm(measured)} straight − ${mm(required)} = ${mm(margin)}`,
    ),
    notes: rows.length === 0 ? [`no ${from} is entered on this wall`] : [],
    finding:
      short.length > 0
        ? msg`${labelOf(nearest!.item)} too near by ${mm(-nearest!.margin)}`
        : nearest
          ? msg`${labelOf(nearest.item)} at ${mm(nearest.measured)}`
          : `no ${from} is entered on this wall`,
  }
  if (verdict === 'conforms' && unknown.length > 0)
    return {
      ...base,
      verdict: 'not-proven',
      wanting: `say what ${unknown.map(({ label }) => label).join(', ')} is: “${unknown[0]!.class}” is on no list`,
    }
  return { ...base, verdict, wanting: msg`measure finer than to ${mm(wall.uncertainty)}` }
}

function judgeCorners({ result: { corners }, wall }: OnWall, labelOf: (id: string) => string): Judgement {
  const nearest = [...corners].sort((a, b) => a.margin - b.margin)[0]
  return {
    verdict: worst<JudgedVerdict>(['conforms', ...corners.map(({ verdict }) => verdict)]) as JudgedVerdict,
    working:
      corners.length === 0
        ? ['nothing stands off its corners']
        : corners.map(({ item, margin }) => msg`${labelOf(item)}: ${mm(margin)} beyond the envelope`),
    notes: [],
    finding: !nearest
      ? 'nothing stands off its corners'
      : nearest.margin < 0
        ? msg`${labelOf(nearest.item)} too near by ${mm(-nearest.margin)}`
        : msg`${labelOf(nearest.item)} ${mm(nearest.margin)} beyond the envelope`,
    wanting: msg`measure finer than to ${mm(wall.uncertainty)}`,
  }
}
