import type { OnWall, Surroundings } from '../surroundings.js'
import { quantity } from '../../quantity/quantity-field.js'
import { mm } from '../../quantity/figure.js'
import { say, type Said, joined } from '../../quantity/words.js'
import { list, object, oneOf, optional, refine, requireRange, text } from '../../shape/shape.js'
import { SIDES, NEIGHBOUR_RULES, REACHES, requireStatedDistance, type Side } from '../../wall/items.js'
import { OPPOSITE } from '../../wall/geometry.js'
import type { SideResult, UnitClearance } from '../../wall/clearance.js'
import { worst, type JudgedVerdict } from '../../verdict/verdict.js'
import { defineKind, requirementOf, type Judgement, type Subject } from '../kind.js'

const gap = () => quantity('length')
const SIDE_WORDS = { left: 'left side', right: 'right side', top: 'above', bottom: 'below' } satisfies Record<
  Side,
  string
>
const EXTRAS = ['base', 'keep-out', 'corners'] as const

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
    required(requirement, { id }, around, unit) {
      if (id === 'base')
        return say`lower edge ${joined([requirement.base?.min !== undefined ? say`from ${mm(requirement.base.min)}` : '', requirement.base?.max !== undefined ? say`up to ${mm(requirement.base.max)}` : ''], ' ')}`
      if (id === 'keep-out')
        return joined(
          requirement.keepOut.map(({ from, distance }) => say`${mm(distance)} from any ${from}`),
          '; ',
        )
      if (id === 'corners') return 'nothing within the corners of the envelope'
      const side = around.onWall(unit.id)?.result.sides.find((one) => one.side === id)
      return say`at least ${mm(side?.required ?? requirement.clear[id as Side])}`
    },
    judge(_requirement, { id }, _given, around, unit) {
      const onWall = around.onWall(unit.id)
      if (!onWall) return undefined
      if ((EXTRAS as readonly string[]).includes(id))
        return judgeExtra(id as (typeof EXTRAS)[number], onWall, around.labelOf)
      const judgement = judgeSide(id as Side, onWall, around)
      const other = onWall.result.sides.find((one) => one.side === id)?.governing
      const isUnit = around.asBuilt.units.some((one) => one.id === other)
      return isUnit
        ? { ...judgement, seenAlsoFrom: { unitId: other!, subjectId: OPPOSITE[id as Side] } }
        : judgement
    },
  },
)

function judgeSide(
  side: Side,
  { result, collidesWith, wall }: OnWall,
  { labelOf, rule }: Pick<Surroundings, 'labelOf' | 'rule'>,
): Judgement {
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
  if (found.measured === null)
    return { verdict: found.verdict, working: ['nothing stands on this side'], notes: [], finding: 'open' }
  return {
    verdict: found.verdict,
    working: [
      say`${labelOf(found.governing!)}: measured ${mm(found.measured)} − required ${mm(found.required)} = ${mm(found.margin!)}`,
    ],
    notes:
      rule === 'simple'
        ? ['judged as measured: this job accepts a doubtful measure inside the limit']
        : wall.uncertainty > 0
          ? [say`judged against the tape’s uncertainty of ${mm(wall.uncertainty)}`]
          : ['no tape was named: its uncertainty is left out of account'],
    finding: sideFinding(found, labelOf),
    wanting: say`only ${mm(found.margin!)} to spare against a tape that is good to ${mm(wall.uncertainty)}: measure finer, or give the gap more`,
  }
}

function sideFinding({ measured, margin, governing }: SideResult, labelOf: (id: string) => string): Said {
  const to = say`${mm(measured!)} to ${labelOf(governing!)}`
  return margin! < 0 ? say`${to}, short by ${mm(-margin!)}` : to
}

function judgeExtra(
  id: (typeof EXTRAS)[number],
  { result }: OnWall,
  labelOf: (id: string) => string,
): Judgement {
  if (id === 'base')
    return {
      verdict: result.base?.verdict ?? 'conforms',
      working: [say`lower edge at ${mm(result.base?.measured ?? 0)}`],
      notes: [],
      finding: say`lower edge at ${mm(result.base?.measured ?? 0)}`,
    }
  const found = rowsOf(id, result)
  const short = found.filter(({ margin }) => margin < 0)
  const worstRow = [...found].sort((a, b) => a.margin - b.margin)[0]
  return {
    verdict: worst<JudgedVerdict>(['conforms', ...found.map(({ verdict }) => verdict)]) as JudgedVerdict,
    working:
      found.length === 0
        ? ['nothing of the kind on this wall']
        : found.map(({ item, margin }) => say`${labelOf(item)}: margin ${mm(margin)}`),
    notes: [],
    finding: short.length > 0 ? say`${labelOf(worstRow!.item)} too near by ${mm(-worstRow!.margin)}` : 'kept',
  }
}

const rowsOf = (id: 'keep-out' | 'corners', { keepOut, corners }: UnitClearance) =>
  id === 'corners' ? corners : keepOut
