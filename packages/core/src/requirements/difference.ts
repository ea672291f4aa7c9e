import { parseQuantity } from '../quantity/parse.js'
import { formatQuantity } from '../quantity/format.js'
import { UNITS, type Dimension, canonicalUnit } from '../quantity/units.js'
import type { JsonSchema } from '../shape/shape.js'
import { sheetSchema, type Sheet } from './sheet.js'

/** One thing that differs between two revisions, as a reader of the sheet would say it. */
export interface SheetDifference {
  kind: 'added' | 'removed' | 'changed'
  /** What it is about: "Free space", "terminal PV1 +", "mass". */
  about: string
  /** "clear, top"; empty for a whole requirement. */
  what: string
  before: string | undefined
  after: string | undefined
  clause: string | undefined
  requirementId: string | undefined
  /** A requirement that came or went as a whole. */
  whole?: true
  /** The figure before without its unit, where the one after has the same. */
  bareBefore?: string
}

interface Row {
  about: string
  what: string
  clause: string | undefined
  requirementId: string | undefined
  /** As a person would write it. */
  value: string
  /** With every digit that counts: two figures may differ and still be written alike. */
  exact: string
  /** Both of these without the unit, and the unit; only figures have one. */
  bare?: { value: string; exact: string; unit: string }
}

/** How two revisions differ, requirement by requirement: what came, what went, and every figure that changed with its unit and clause. */
export function sheetDifferences(before: Sheet, after: Sheet): SheetDifference[] {
  const [a, b] = [rowsOf(before), rowsOf(after)]
  const gone = missingFrom(before.requirements, after.requirements)
  const come = missingFrom(after.requirements, before.requirements)
  const whole = (
    kind: 'added' | 'removed',
    { id, title, clause }: Sheet['requirements'][number],
  ): SheetDifference => ({
    kind,
    about: title,
    what: '',
    before: kind === 'removed' ? 'asked for' : undefined,
    after: kind === 'added' ? 'asked for' : undefined,
    clause,
    requirementId: id,
    whole: true,
  })
  const skip = new Set([...gone, ...come].map(({ id }) => id))
  const keys = [...new Set([...a.keys(), ...b.keys()])]
  const changed = keys.flatMap((key): SheetDifference[] => {
    const [was, is] = [a.get(key), b.get(key)]
    const { about, what, clause, requirementId } = (is ?? was)!
    if (was?.exact === is?.exact || (requirementId !== undefined && skip.has(requirementId))) return []
    const told = was?.value === is?.value ? 'exact' : 'value'
    return [
      {
        kind: was === undefined ? 'added' : is === undefined ? 'removed' : 'changed',
        about,
        what,
        before: was?.[told],
        after: is?.[told],
        clause,
        requirementId,
        ...(was?.bare && was.bare.unit === is?.bare?.unit && { bareBefore: was.bare[told] }),
      },
    ]
  })
  return [...come.map((one) => whole('added', one)), ...gone.map((one) => whole('removed', one)), ...changed]
}

const missingFrom = (all: Sheet['requirements'], others: Sheet['requirements']) =>
  all.filter(({ id }) => !others.some((other) => other.id === id))

/** What is not worth telling: it says which revision this is, which is known. */
const SILENT = new Set(['format', 'version', 'revision', 'date', 'requirements'])

/** Lists whose order is what they say. */
const ORDERED = new Set(['bolts', 'steps'])

function rowsOf(sheet: Sheet): Map<string, Row> {
  const rows = new Map<string, Row>()
  const fields = sheetSchema().properties!
  const add = (
    key: string,
    value: unknown,
    schema: JsonSchema | undefined,
    head: Pick<Row, 'about' | 'clause' | 'requirementId'>,
    trail: readonly string[],
  ) => {
    if (value === undefined) return
    if (Array.isArray(value)) {
      if (ORDERED.has(trail.at(-1) ?? '')) {
        const order = value.map((one, i) => nameOf(one) ?? `no. ${i + 1}`).join(' · ')
        rows.set(`${key}/order`, { ...head, what: [...trail, 'order'].join(', '), ...said(order, undefined) })
      }
      value.forEach((one, i) =>
        add(`${key}/${nameOf(one) ?? i}`, one, schema?.items, head, [
          ...trail,
          nameOf(one) ?? `no. ${i + 1}`,
        ]),
      )
    } else if (typeof value === 'object' && value !== null) {
      for (const [name, one] of Object.entries(value))
        if (name !== 'id')
          add(`${key}/${name}`, one, schema?.properties?.[name], head, [
            ...trail,
            name.replace(/([A-Z])/g, ' $1').toLowerCase(),
          ])
    } else {
      rows.set(key, { ...head, what: trail.join(', '), ...said(value, schema?.['x-unit']) })
    }
  }
  for (const [name, value] of Object.entries(sheet)) {
    if (SILENT.has(name)) continue
    if (name === 'terminals')
      for (const terminal of sheet.terminals)
        add(
          `terminals/${terminal.id}`,
          terminal,
          fields[name]!.items,
          { about: `terminal ${terminal.label}`, clause: undefined, requirementId: undefined },
          [],
        )
    else add(name, value, fields[name], { about: name, clause: undefined, requirementId: undefined }, [])
  }
  for (const requirement of sheet.requirements) {
    const { id, title, clause, ...rest } = requirement
    const head = { about: title, clause, requirementId: id }
    const schema = fields['requirements']!.items!.oneOf!.find(
      ({ properties }) => properties?.['kind']?.enum?.[0] === rest.kind,
    )
    add(`requirements/${id}/clause`, clause, undefined, head, ['clause'])
    for (const [name, given] of Object.entries(rest)) {
      const [value, unit] = limitOf(requirement, name, given)
      const field = unit ? { 'x-unit': unit } : schema?.properties?.[name]
      add(`requirements/${id}/${name}`, value, field, head, [name.replace(/([A-Z])/g, ' $1').toLowerCase()])
    }
  }
  return rows
}

/** A list entry goes by its own name, so that one put in between does not make all that follow differ. */
function nameOf(one: unknown): string | undefined {
  if (typeof one !== 'object' || one === null) return typeof one === 'string' ? one : undefined
  const { label, name, id, from, wall } = one as Record<string, unknown>
  return [label, name, id, from, wall].find((word): word is string => typeof word === 'string')
}

function said(value: unknown, unit: string | undefined): Pick<Row, 'value' | 'exact' | 'bare'> {
  const dimension = unit && (Object.keys(UNITS) as Dimension[]).find((one) => UNITS[one][0]!.name === unit)
  if (typeof value !== 'number' || !dimension) return { value: String(value), exact: String(value) }
  // Nine digits: more than any sheet says, fewer than the conversion of units disturbs.
  const precise = Number(value.toPrecision(9))
  const [shown, full] = [
    (bare: boolean) => formatQuantity(value, dimension, { bare }),
    (bare: boolean) => formatQuantity(precise, dimension, { bare, decimals: 'full' }),
  ]
  return { value: shown(false), exact: full(false), bare: { value: shown(true), exact: full(true), unit } }
}

/** Limits are written with their unit, as text: they are told apart as the figures that they are. */
function limitOf(
  requirement: Sheet['requirements'][number],
  name: string,
  value: unknown,
): [unknown, string | undefined] {
  if (requirement.kind !== 'limits' || !requirement.dimension || (name !== 'min' && name !== 'max'))
    return [value, undefined]
  const read = parseQuantity(String(value), requirement.dimension)
  return read.ok ? [read.quantity.value, canonicalUnit(requirement.dimension)] : [value, undefined]
}

/** "top clearance 420 → 480 mm, clause 4.2" */
export function differenceWords(difference: SheetDifference): string {
  const { about, what, clause } = difference
  const subject = what ? `${about}: ${what}` : about
  return `${subject} ${changeWords(difference)}${clause ? `, clause ${clause}` : ''}`
}

function changeWords({ kind, before, after, whole, bareBefore }: SheetDifference): string {
  if (kind === 'added') return whole ? 'new' : `new: ${after}`
  if (kind === 'removed') return whole ? 'no longer asked for' : `no longer ${before}`
  return `${bareBefore ?? before} → ${after}`
}
